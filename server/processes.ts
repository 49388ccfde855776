import cluster from 'node:cluster';
import { log } from './log';

/** Before a process that ended is started again, ms: one that fails at its start does not keep the machine busy. */
const PAUSE = 1000;

/**
 * Runs `work` in so many processes that share one port; one alone runs it here. A process that ends by itself is started
 * again. Returns at once in the process that only watches over the others.
 */
export function inProcesses(count: number, work: () => Promise<void>): Promise<void> {
  if (count <= 1 || cluster.isWorker) return work();
  let ending = false;
  // Each has a number of its own, and keeps it when it is started again: its log is named by it.
  const numbers = new Map<number, number>();
  const begin = (number: number) => numbers.set(cluster.fork({ PELVIK_PROCESS: number }).id, number);
  for (let k = 1; k <= count; k++) begin(k);
  cluster.on('exit', (worker, code, signal) => {
    if (ending) {
      if (Object.keys(cluster.workers ?? {}).length === 0) process.exit(0);
      return;
    }
    log.error({ pid: worker.process.pid, code, signal }, 'a server process ended');
    setTimeout(() => !ending && begin(numbers.get(worker.id) ?? 1), PAUSE);
  });
  const end = () => {
    ending = true;
    const workers = Object.values(cluster.workers ?? {});
    if (workers.length === 0) process.exit(0);
    for (const worker of workers) worker?.process.kill('SIGTERM');
  };
  process.on('SIGTERM', end);
  process.on('SIGINT', end);
  return Promise.resolve();
}
