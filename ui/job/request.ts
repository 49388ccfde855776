import type { Problem } from '@/core/validation';

/** An answer of the server that is not what was asked for, in words for the user. */
export class RequestError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly remedy: string,
    /** Where a document is wrong, when it is one that was sent. */
    readonly problems: Problem[] = [],
  ) {
    super(message);
  }
}

/** Sends a request as one of our own pages does. Throws a RequestError, or a TypeError when the network is down. */
export async function send<T>(method: string, url: string, body?: unknown, raw?: Blob): Promise<T> {
  const answer = await fetch(url, {
    method,
    credentials: 'same-origin',
    headers: { 'x-pelvik': '1', ...(raw ? {} : { 'content-type': 'application/json' }) },
    body: raw ?? (body === undefined ? undefined : JSON.stringify(body)),
  });
  const text = await answer.text();
  const parsed = parse(text) as { error?: { message: string; remedy: string; problems?: Problem[] } } | null;
  if (!answer.ok) {
    const { message, remedy, problems } = parsed?.error ?? {
      message: `The server answered ${answer.status}.`,
      remedy: 'Try again.',
      problems: [],
    };
    throw new RequestError(answer.status, message, remedy, problems);
  }
  return parsed as T;
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
