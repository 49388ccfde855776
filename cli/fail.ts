/** Ends a command: its message is the one line the user sees. Code 1: content wrong; 2: used wrongly. */
export class CommandError extends Error {
  constructor(
    message: string,
    readonly code: 1 | 2 = 1,
  ) {
    super(message);
  }
}
