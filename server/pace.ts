/** A stream of bytes held to a rate: so many at once, then so many a second. Whoever takes more waits. */
export class Pace {
  private free: number;
  private at: number;

  /** `rate`: bytes a second; as many may go at once. */
  constructor(
    private readonly rate: number,
    private readonly now: () => number = Date.now,
  ) {
    this.free = rate;
    this.at = now();
  }

  /** Takes so many bytes and says how long to wait before they are sent, ms. */
  take(bytes: number): number {
    const now = this.now();
    this.free = Math.min(this.rate, this.free + ((now - this.at) / 1000) * this.rate) - bytes;
    this.at = now;
    return this.free >= 0 ? 0 : (-this.free / this.rate) * 1000;
  }
}
