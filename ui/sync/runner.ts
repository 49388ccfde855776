const FIRST_PAUSE = 1000;
const LONGEST_PAUSE = 8_000;

/** Runs work later; returns how it is called off. */
export type After = (milliseconds: number, work: () => void) => () => void;

/**
 * One kind of work that is done until nothing is left: one run at a time, another one when it was asked for meanwhile,
 * and again after a growing pause while it cannot be done.
 */
export class Runner {
  private running: Promise<void> | null = null;
  private wanted = false;
  private stopped = false;
  private pause = FIRST_PAUSE;
  private cancelRetry: () => void = () => undefined;

  /** `work` says whether it came to its end; false asks for another try later. */
  constructor(
    private readonly work: () => Promise<boolean>,
    private readonly after: After,
  ) {}

  flush(): Promise<void> {
    this.wanted = true;
    this.running ??= this.run().finally(() => {
      this.running = null;
      if (this.wanted && !this.stopped) void this.flush();
    });
    return this.running;
  }

  /** At once, however long the pause had become. */
  wake(): Promise<void> {
    this.pause = FIRST_PAUSE;
    return this.flush();
  }

  async stop(): Promise<void> {
    this.stopped = true;
    this.cancelRetry();
    await this.running;
  }

  private async run(): Promise<void> {
    while (this.wanted && !this.stopped) {
      this.wanted = false;
      this.cancelRetry();
      const done = await this.work();
      if (this.stopped) return;
      if (done) this.pause = FIRST_PAUSE;
      else {
        this.cancelRetry = this.after(this.pause, () => void this.flush());
        this.pause = Math.min(this.pause * 2, LONGEST_PAUSE);
      }
    }
  }
}
