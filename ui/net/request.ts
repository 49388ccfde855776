import type { Problem } from '@/core/validation';
import { once } from './same-press';

/** An answer of the server that is not what was asked for, in words for the user. */
export class RequestError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly remedy: string,
    /** Where a document is wrong, when it is one that was sent. */
    readonly problems: Problem[] = [],
    /** What a program must tell apart, beyond the status. */
    readonly kind?: 'other-person' | 'restored' | 'quoted',
  ) {
    super(message);
  }
}

/** Whose page this is, and the generation of the shop's data it was drawn from. */
export interface Sender {
  id: string;
  generation: string;
}

let sender: Sender | null = null;

/** From here on everything this tab sends says whose it is; the server refuses it while somebody else is signed in. */
export function sendAs(who: Sender): void {
  sender = who;
}

interface Sending {
  /** In whose name, where it is not the page's own: what waited is of the generation it was written in. */
  as?: { id: string; generation?: string };
  body?: unknown;
  /** Sent as it is. */
  raw?: Blob;
  /** Milliseconds until the request is given up. */
  within?: number;
  /** The page only listens: the session is not in use. */
  listening?: boolean;
}

/**
 * Sends a request as one of our own pages does; a second press of what changes something is the first one. Throws a
 * RequestError for an answer, a TypeError or DOMException when the network is down or too slow.
 */
export async function send<T>(method: string, url: string, options: Sending = {}): Promise<T> {
  const { body, raw, as = sender } = options;
  const asked = () => ask<T>(method, url, options);
  // A file is chosen anew each time.
  const answer = method === 'GET' || raw ? asked() : once(url, JSON.stringify([method, as, body]), asked);
  return (await answer).value;
}

/** The same, as often as it is asked for, with the generation the answer is of. */
export async function ask<T>(method: string, url: string, options: Sending): Promise<Answered<T>> {
  const { body, raw, within = 60_000, listening, as = sender } = options;
  const answer = await fetch(url, {
    method,
    credentials: 'same-origin',
    cache: 'no-store',
    signal: AbortSignal.timeout(within),
    headers: {
      'x-pelvik': '1',
      ...(as ? { 'x-pelvik-person': as.id } : {}),
      ...(as?.generation ? { 'x-pelvik-generation': as.generation } : {}),
      ...(listening ? { 'x-pelvik-listening': '1' } : {}),
      ...(raw ? {} : { 'content-type': 'application/json' }),
    },
    body: raw ?? (body === undefined ? undefined : JSON.stringify(body)),
  });
  return { value: await contentOf<T>(answer), generation: answer.headers.get('x-pelvik-generation') ?? '' };
}

export interface Answered<T> {
  value: T;
  generation: string;
}

/** Reads what never changes under its address, from wherever it is kept. Throws as `send` does. */
export async function readLasting<T>(url: string): Promise<T> {
  return contentOf<T>(await fetch(url, { signal: AbortSignal.timeout(60_000) }));
}

type Told = Pick<RequestError, 'message' | 'remedy' | 'kind'> & { problems?: Problem[] };

async function contentOf<T>(answer: Response): Promise<T> {
  const text = await answer.text();
  const parsed = parse(text) as { error?: Told } | null;
  if (!answer.ok) {
    const told: Told = parsed?.error ?? {
      message: `The server answered ${answer.status}.`,
      remedy: 'Try again.',
    };
    throw new RequestError(answer.status, told.message, told.remedy, told.problems, told.kind);
  }
  // Whatever answered in the server's stead (a sign-in page of the network) is no answer.
  if (parsed === null) throw new TypeError('This is not an answer of the shop’s server.');
  return parsed as T;
}

/** How long a file may take, ms: as long as a very slow line needs, for the server ends what comes to a halt. */
export function uploadTime(bytes: number): number {
  return 60_000 + Math.ceil(bytes / SLOWEST_LINE);
}

/** Bytes a millisecond. */
const SLOWEST_LINE = 10;

/** An error as a sentence for the user. */
export function sayError(error: unknown): string {
  return error instanceof RequestError
    ? `${error.message} ${error.remedy}`
    : 'No connection to the shop’s server. Try again.';
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
