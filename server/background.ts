import workerpool from 'workerpool';
import type { Pool } from 'workerpool';
import type { BackgroundTasks } from './background-tasks';
import { log } from './log';
import { UserError } from './problem';

/**
 * Heavy work in processes of its own: decoding pictures, writing PDFs, reading case files. Each task has a time limit,
 * each process a memory limit, and only so many wait. What exceeds its limit is killed; the server goes on.
 */
const PROCESSES = 2;
const WAITING = 40;
const MEMORY_MB = 768;
const SECONDS: Record<keyof BackgroundTasks, number> = {
  photo: 12,
  pdf: 25,
  warm: 60,
  readCase: 60,
  reviewUnit: 10,
};

const shared = globalThis as { pelvikBackground?: Pool };

function pool(): Pool {
  if (!shared.pelvikBackground) {
    const entry = process.env.PELVIK_BACKGROUND;
    if (!entry) throw new Error('PELVIK_BACKGROUND is not set: start Pelvik with ./pelvik demo.');
    shared.pelvikBackground = workerpool.pool(entry, {
      workerType: 'process',
      minWorkers: PROCESSES,
      maxWorkers: PROCESSES,
      maxQueueSize: WAITING,
      workerTerminateTimeout: 500,
      forkOpts: { serialization: 'advanced', execArgv: [`--max-old-space-size=${MEMORY_MB}`] },
    });
  }
  return shared.pelvikBackground;
}

/** Runs a task away from the server's own thread. Throws a UserError 422 when it exceeds its limits, 503 when too many wait. */
export async function inBackground<K extends keyof BackgroundTasks>(
  task: K,
  ...args: Parameters<BackgroundTasks[K]>
): Promise<Awaited<ReturnType<BackgroundTasks[K]>>> {
  try {
    return (await pool()
      .exec(task, args)
      .timeout(SECONDS[task] * 1000)) as Awaited<ReturnType<BackgroundTasks[K]>>;
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error);
    log.warn({ task, error: message }, 'background task failed');
    if (/queue size|Max queue/i.test(message))
      throw new UserError(503, 'The server is busy with other files.', 'Try again in a moment.');
    throw new UserError(
      422,
      'This is more than Pelvik can work on at once.',
      'Make it smaller: fewer lines, smaller pictures, shorter texts.',
    );
  }
}

/** Starts the processes, so that nobody waits for them later. */
export function warmBackground(): void {
  // Asked for at once, so that each process gets one.
  for (let k = 0; k < PROCESSES; k++) void inBackground('warm').catch(() => undefined);
}

/** Ends the processes, for tests and an orderly stop. */
export async function closeBackground(): Promise<void> {
  await shared.pelvikBackground?.terminate(true);
  shared.pelvikBackground = undefined;
}
