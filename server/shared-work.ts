/** Work several may ask for at once: it is done once, and not begun any more when all of them have left. */
export class SharedWork<T> {
  private readonly underway = new Map<
    string,
    { result: Promise<T>; asking: number; stop: AbortController }
  >();

  /** `signal`: whoever asks here has left. */
  async ask(key: string, work: (signal: AbortSignal) => Promise<T>, signal?: AbortSignal): Promise<T> {
    let known = this.underway.get(key);
    if (!known || known.stop.signal.aborted) {
      const stop = new AbortController();
      const fresh = { result: work(stop.signal), asking: 0, stop };
      known = fresh;
      this.underway.set(key, fresh);
      const done = () => {
        if (this.underway.get(key) === fresh) this.underway.delete(key);
      };
      fresh.result.then(done, done);
    }
    const mine = known;
    mine.asking++;
    const leave = () => {
      if (--mine.asking === 0) mine.stop.abort();
    };
    if (signal?.aborted) leave();
    else signal?.addEventListener('abort', leave, { once: true });
    try {
      return await mine.result;
    } finally {
      signal?.removeEventListener('abort', leave);
    }
  }
}
