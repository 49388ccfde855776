import type { Entry, NewEntry } from '@/core/case';
import { ask, RequestError, uploadTime } from '@/ui/net/request';

/** What the server says to a batch: everything that was not known here, and what it will not take. */
export interface Appended {
  entries: Entry[];
  refused: { id: string; slot: string; message: string }[];
  lastSeq: number;
  /** The course of the shop's history that the numbers are of. */
  generation: string;
}

export interface News {
  /** The job's own id: a number may be another job's after a backup was brought back. */
  id: string;
  entries: Entry[];
  lastSeq: number;
  generation: string;
  /** How many entries stood when this generation began; only where it was asked for. */
  kept?: number;
}

/**
 * What an answer means for what was sent: taken; try the same again later; sign in first; somebody else is signed in on
 * this device; a backup was brought back since it was written; the server failed on it; or it is refused for good.
 */
export type Outcome<T> =
  | { kind: 'taken'; value: T }
  /** `message`: why, where the server itself said it. */
  | { kind: 'later'; message?: string }
  | { kind: 'sign-in' }
  | { kind: 'other-person' }
  | { kind: 'restored' }
  | { kind: 'failed'; message: string }
  | { kind: 'refused'; message: string };

const ENTRIES_TIME = 20_000;
const POLL_TIME = 10_000;

/** The way of one person to the server, without a memory of its own: everything says in whose name it is sent. */
export const transportOf = (id: string) => ({
  /** `after`: how far the page knows the record; without it the answer holds the writes themselves only. */
  entries: (job: number, entries: NewEntry[], { after, generation }: Sent) =>
    outcome<Appended>(() =>
      whole(
        ask('POST', `/api/jobs/${job}/entries`, {
          as: as(id, generation),
          body: { entries, after },
          within: ENTRIES_TIME,
        }),
      ),
    ),
  photo: (job: number, photo: string, blob: Blob, generation?: string) =>
    outcome<unknown>(() =>
      ask('PUT', `/api/jobs/${job}/photos/${photo}`, {
        as: as(id, generation),
        raw: blob,
        within: uploadTime(blob.size),
      }),
    ),
  /** Listens: does not count as using the session. */
  news: (job: number, after: number, kept = false) =>
    outcome<News>(() =>
      whole(
        ask('GET', `/api/jobs/${job}/entries?after=${after}${kept ? '&kept=1' : ''}`, {
          as: { id },
          listening: true,
          within: POLL_TIME,
        }),
      ),
    ),
});
export type Transport = ReturnType<typeof transportOf>;

/** The same way; `tell` hears after each answer why the server puts things off, or null. */
export function heard(transport: Transport, tell: (says: string | null) => void): Transport {
  const listening =
    <A extends unknown[], T>(ask: (...args: A) => Promise<Outcome<T>>) =>
    async (...args: A) => {
      const answer = await ask(...args);
      tell(answer.kind === 'later' ? (answer.message ?? null) : null);
      return answer;
    };
  return {
    entries: listening(transport.entries),
    photo: listening(transport.photo),
    news: listening(transport.news),
  };
}

/** How far the sender knows a job's record, and of which generation that knowledge is. */
export interface Sent {
  after?: number;
  generation?: string;
}

const as = (id: string, generation: string | undefined) => ({ id, ...(generation ? { generation } : {}) });

async function whole<T>(answer: Promise<{ value: Omit<T, 'generation'>; generation: string }>): Promise<T> {
  const { value, generation } = await answer;
  return { ...value, generation } as T;
}

/** Answers that say nothing about what was sent: too slow, too early, too often, the server or its database away. */
const LATER = new Set([408, 425, 429, 502, 503, 504]);

async function outcome<T>(ask: () => Promise<T>): Promise<Outcome<T>> {
  try {
    return { kind: 'taken', value: await ask() };
  } catch (error) {
    if (!(error instanceof RequestError)) return { kind: 'later' };
    const message = `${error.message} ${error.remedy}`.trim();
    if (error.kind === 'other-person' || error.kind === 'restored') return { kind: error.kind };
    if (error.status === 401) return { kind: 'sign-in' };
    if (LATER.has(error.status)) return { kind: 'later', message };
    return error.status >= 500 ? { kind: 'failed', message } : { kind: 'refused', message };
  }
}
