import type { Entry, NewEntry } from '@/core/case';
import { RequestError, send } from '@/ui/net/request';

/** What the server says to a batch: everything that was not known here, and what it will not take. */
export interface Appended {
  entries: Entry[];
  refused: { id: string; slot: string; message: string }[];
  lastSeq: number;
}

export interface News {
  entries: Entry[];
  lastSeq: number;
}

/**
 * What an answer means for what was sent: taken; try the same again later; sign in first; the server failed on it; or
 * it is refused for good.
 */
export type Outcome<T> =
  | { kind: 'taken'; value: T }
  | { kind: 'later' }
  | { kind: 'sign-in' }
  | { kind: 'failed'; message: string }
  | { kind: 'refused'; message: string };

const ENTRIES_TIME = 20_000;
const PHOTO_TIME = 120_000;
const POLL_TIME = 10_000;

/** The way to the server, without a memory of its own. */
export const transport = {
  /** `after`: how far the page knows the record; without it the answer holds the writes themselves only. */
  entries: (job: number, entries: NewEntry[], after?: number) =>
    outcome<Appended>(() =>
      send('POST', `/api/jobs/${job}/entries`, { body: { entries, after }, within: ENTRIES_TIME }),
    ),
  photo: (job: number, id: string, blob: Blob) =>
    outcome<unknown>(() => send('PUT', `/api/jobs/${job}/photos/${id}`, { raw: blob, within: PHOTO_TIME })),
  /** Listens: does not count as using the session. */
  news: (job: number, after: number) =>
    outcome<News>(() =>
      send('GET', `/api/jobs/${job}/entries?after=${after}`, { listening: true, within: POLL_TIME }),
    ),
};
export type Transport = typeof transport;

/** Answers that say nothing about what was sent: too slow, too early, too often, the server or its database away. */
const LATER = new Set([408, 425, 429, 502, 503, 504]);

export async function outcome<T>(ask: () => Promise<T>): Promise<Outcome<T>> {
  try {
    return { kind: 'taken', value: await ask() };
  } catch (error) {
    if (!(error instanceof RequestError)) return { kind: 'later' };
    const message = `${error.message} ${error.remedy}`.trim();
    if (error.status === 401) return { kind: 'sign-in' };
    if (LATER.has(error.status)) return { kind: 'later' };
    return error.status >= 500 ? { kind: 'failed', message } : { kind: 'refused', message };
  }
}
