import type { Problem } from '@/core/validation';

/** What a program must tell apart, beyond the status: somebody else is signed in; a backup was brought back. */
export type ErrorKind = 'other-person' | 'restored' | 'quoted';

/** An error whose words are meant for the user: what is wrong and what to do. Anything else stays in the log. */
export class UserError extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 408 | 409 | 410 | 413 | 415 | 422 | 429 | 503,
    message: string,
    readonly remedy: string,
    readonly problems: Problem[] = [],
    readonly kind?: ErrorKind,
  ) {
    super(message);
  }
}

export const notFound = (what: string) =>
  new UserError(404, `There is no such ${what}.`, 'Check the address, or go back to the board.');
