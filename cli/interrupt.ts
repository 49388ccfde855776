import { CommandError } from './fail';

/** What asks a command to end: Ctrl-C, a service manager, a closed terminal. */
export const ENDING = ['SIGINT', 'SIGTERM', 'SIGHUP'] as const;

/** What is under way, the innermost last, by what makes it fail. */
const underWay: (() => void)[] = [];
let asked = false;

/** Only the innermost fails: those around it learn of it in turn, once it has ended what it began. */
const onSignal = () => {
  if (asked) return;
  asked = true;
  underWay.at(-1)?.();
};

/**
 * Work that may be ended in the middle: it fails then with a CommandError, so that whoever began something for it ends
 * that in its `finally`. Once asked, the command heeds no further signal: what is being ended would be left half ended.
 */
export async function interruptible<T>(work: () => Promise<T> | T): Promise<T> {
  let fail = (): void => undefined;
  const ended = new Promise<never>((_, reject) => {
    fail = () => reject(new CommandError('Stopped before the end.'));
  });
  if (!underWay.length) for (const signal of ENDING) process.on(signal, onSignal);
  underWay.push(fail);
  try {
    return await Promise.race([work(), ended]);
  } finally {
    underWay.splice(underWay.indexOf(fail), 1);
    if (!underWay.length && !asked) for (const signal of ENDING) process.off(signal, onSignal);
  }
}
