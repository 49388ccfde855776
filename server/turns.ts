import { E_TIMEOUT, Semaphore, withTimeout } from 'async-mutex';
import type { SemaphoreInterface } from 'async-mutex';
import { UserError } from './problem';

export interface TurnLimits {
  /** So many at once. */
  atOnce: number;
  /** So many more wait. */
  waiting: number;
  /** So long, then they are told to try again. */
  seconds: number;
}

/** Work of one kind that takes turns: who comes when the line is full, or waits too long, is told that it is busy. */
export class Turns {
  private readonly semaphore: SemaphoreInterface;
  private inLine = 0;

  constructor(private readonly limits: TurnLimits) {
    this.semaphore = withTimeout(new Semaphore(limits.atOnce), limits.seconds * 1000);
  }

  /**
   * Waits for a turn; what it returns ends it, and may be called more than once. `signal`: whoever asks has left, so that
   * nothing need be done. Throws a UserError 503.
   */
  async take(signal?: AbortSignal): Promise<() => void> {
    if (this.semaphore.isLocked() && this.inLine >= this.limits.waiting) throw busy();
    this.inLine++;
    let waits = true;
    const leave = () => {
      if (waits) this.inLine--;
      waits = false;
    };
    signal?.addEventListener('abort', leave, { once: true });
    try {
      const [, release] = await this.semaphore.acquire();
      if (!signal?.aborted) return release;
      release();
      throw busy();
    } catch (error) {
      throw error === E_TIMEOUT ? busy() : error;
    } finally {
      signal?.removeEventListener('abort', leave);
      leave();
    }
  }

  async run<T>(work: () => Promise<T>, signal?: AbortSignal): Promise<T> {
    const end = await this.take(signal);
    try {
      return await work();
    } finally {
      end();
    }
  }

  /** Nobody works or waits. */
  get idle(): boolean {
    return this.inLine === 0 && this.semaphore.getValue() === this.limits.atOnce;
  }
}

const busy = () => new UserError(503, 'The server is busy just now.', 'Try again in a moment.');
