import pino from 'pino';

/** Where errors are kept: a file that is changed daily or at 5 MB, the newest fourteen; else standard output. */
const folder = process.env.PELVIK_LOG_FOLDER;
/** Of several processes each has a file of its own: none takes another's away. */
const number = process.env.PELVIK_PROCESS;

/** Structured logs. Never log a token, a password or what a customer wrote: paths go through `safePath`. */
export const log = pino({
  level: process.env.PELVIK_LOG ?? 'info',
  base: undefined,
  timestamp: pino.stdTimeFunctions.isoTime,
  ...(folder
    ? {
        transport: {
          target: 'pino-roll',
          options: {
            file: `${folder}/pelvik${number ? `-${number}` : ''}`,
            extension: '.log',
            frequency: 'daily',
            size: '5m',
            mkdir: true,
            limit: { count: 14 },
          },
        },
      }
    : {}),
});

/** A path as it may stand in a log: a customer's token is left out, and so is every query. */
export function safePath(path: string): string {
  return path.split('?')[0]!.replace(/(\/q\/)[^/]+/, '$1…');
}
