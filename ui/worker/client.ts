import * as Comlink from 'comlink';

/** A worker that did not do its work: it failed, or took longer than its limit. */
export class WorkerProblem extends Error {}

/**
 * The page's end of a worker: a call has a time limit, and a worker that fails or hangs is ended, with every call under way,
 * so that the next call begins with a fresh one.
 */
export class WorkerClient<Api> {
  private worker: Worker | null = null;
  private remote: Comlink.Remote<Api> | null = null;
  private readonly underway = new Set<(problem: WorkerProblem) => void>();
  private answered = false;

  constructor(private readonly spawn: () => Worker) {}

  /** True when the next call meets a worker that knows nothing yet. */
  get fresh(): boolean {
    return this.worker === null;
  }

  /** Runs `work` with the worker's functions, at most so many milliseconds. Throws a WorkerProblem. */
  async call<T>(work: (remote: Comlink.Remote<Api>) => Promise<T>, within: number): Promise<T> {
    const remote = this.ensure();
    let giveUp!: (problem: WorkerProblem) => void;
    const trouble = new Promise<never>((_, reject) => (giveUp = reject));
    this.underway.add(giveUp);
    const timer = setTimeout(() => giveUp(new WorkerProblem('It takes too long.')), within);
    try {
      const answer = await Promise.race([work(remote), trouble]);
      this.answered = true;
      return answer;
    } catch (error) {
      const words = error instanceof Error ? error.message : String(error);
      // The worker it was asked of, not one begun since.
      if (this.remote === remote) this.end(words);
      throw error instanceof WorkerProblem ? error : new WorkerProblem(words);
    } finally {
      clearTimeout(timer);
      this.underway.delete(giveUp);
    }
  }

  /** Ends the worker; calls under way are given up, and told why. */
  end(words = 'It was given up.'): void {
    this.fail(words);
    this.worker?.terminate();
    this.worker = null;
    this.remote = null;
  }

  private fail(words: string): void {
    for (const reject of this.underway) reject(new WorkerProblem(words));
    this.underway.clear();
  }

  private ensure(): Comlink.Remote<Api> {
    if (!this.remote) {
      this.worker = this.spawn();
      this.answered = false;
      this.worker.onerror = (event) => {
        event.preventDefault?.();
        // What a browser says of a script that did not arrive helps nobody.
        const words = this.answered && event.message ? event.message : 'It could not be started.';
        this.fail(words);
      };
      this.remote = Comlink.wrap<Api>(this.worker);
    }
    return this.remote;
  }
}
