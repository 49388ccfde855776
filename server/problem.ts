import type { Problem } from '@/core/validation';

/** An error whose words are meant for the user: what is wrong and what to do. Anything else stays in the log. */
export class UserError extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 410 | 413 | 415 | 422 | 429 | 503,
    message: string,
    readonly remedy: string,
    readonly problems: Problem[] = [],
  ) {
    super(message);
  }
}

export const notFound = (what: string) =>
  new UserError(404, `There is no such ${what}.`, 'Check the address, or go back to the board.');
