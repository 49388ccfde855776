import type { Problem } from '@/core/validation';

/** Ends a command: its message is the one line the user sees. Code 1: content wrong; 2: used wrongly. */
export class CommandError extends Error {
  constructor(
    message: string,
    readonly code: 1 | 2 = 1,
    /** What is wrong with a file, place by place: printed as JSON where that was asked for. */
    readonly problems: Problem[] = [],
  ) {
    super(message);
  }
}
