import workerpool from 'workerpool';
import type { Pool } from 'workerpool';
import type { BackgroundTasks } from './background-tasks';
import { log } from './log';
import { UserError } from './problem';
import { Turns } from './turns';

/**
 * Heavy work in processes of its own: decoding pictures, writing PDFs, reading case files. Each task has a time limit from
 * when it begins, each process a memory limit, and only so many wait. What exceeds its limit is killed; the server goes on.
 */
type Lane = 'pictures' | 'documents';

/** Photos come by the dozen while somebody works and are quickly done: they never wait for a document. */
const LANES: Record<Lane, { processes: number; waiting: number; seconds: number }> = {
  pictures: { processes: 1, waiting: 40, seconds: 40 },
  documents: { processes: 2, waiting: 30, seconds: 40 },
};
const TASKS: Record<keyof BackgroundTasks, { lane: Lane; seconds: number }> = {
  photo: { lane: 'pictures', seconds: 12 },
  pdf: { lane: 'documents', seconds: 25 },
  warm: { lane: 'documents', seconds: 60 },
  readCase: { lane: 'documents', seconds: 60 },
  readPrices: { lane: 'documents', seconds: 15 },
  reviewUnit: { lane: 'documents', seconds: 15 },
  diagnose: { lane: 'documents', seconds: 15 },
};
const MEMORY_MB = 768;

interface Working {
  pool: Pool;
  turns: Turns;
}
const shared = globalThis as { pelvikBackground?: Partial<Record<Lane, Working>> };

function lane(name: Lane): Working {
  const lanes = (shared.pelvikBackground ??= {});
  return (lanes[name] ??= open(LANES[name]));
}

function open({ processes, waiting, seconds }: (typeof LANES)[Lane]): Working {
  const entry = process.env.PELVIK_BACKGROUND;
  if (!entry) throw new Error('PELVIK_BACKGROUND is not set: start Pelvik with ./pelvik demo.');
  return {
    turns: new Turns({ atOnce: processes, waiting, seconds }),
    pool: workerpool.pool(entry, {
      workerType: 'process',
      minWorkers: processes,
      maxWorkers: processes,
      workerTerminateTimeout: 500,
      forkOpts: { serialization: 'advanced', execArgv: [`--max-old-space-size=${MEMORY_MB}`] },
    }),
  };
}

type Done<K extends keyof BackgroundTasks> = Awaited<ReturnType<BackgroundTasks[K]>>;

/**
 * Runs a task away from the server's own thread. `signal`: whoever asked has left; what has not begun is not done. Throws a
 * UserError: 503 too many wait, 422 the task exceeds its limits.
 */
export async function inBackground<K extends keyof BackgroundTasks>(
  task: K,
  input: Parameters<BackgroundTasks[K]>[0],
  signal?: AbortSignal,
): Promise<Done<K>> {
  const { pool, turns } = lane(TASKS[task].lane);
  return turns.run(async (): Promise<Done<K>> => {
    try {
      const done: unknown = await pool.exec(task, [input]).timeout(TASKS[task].seconds * 1000);
      return done as Awaited<Done<K>>;
    } catch (error) {
      log.warn(
        { task, error: error instanceof Error ? error.message : String(error) },
        'background task failed',
      );
      throw new UserError(
        422,
        'This is more than Pelvik can work on at once.',
        'Make it smaller: fewer lines, smaller pictures, shorter texts.',
      );
    }
  }, signal);
}

/** Starts the processes, so that nobody waits for them later. */
export function warmBackground(): void {
  // Asked for at once, so that each process gets one.
  for (let k = 0; k < LANES.documents.processes; k++)
    void inBackground('warm', undefined).catch(() => undefined);
  lane('pictures');
}

/** Ends the processes, for tests and an orderly stop. */
export async function closeBackground(): Promise<void> {
  const lanes = Object.values(shared.pelvikBackground ?? {});
  shared.pelvikBackground = undefined;
  await Promise.all(lanes.map(({ pool }) => pool.terminate(true)));
}
