import pino from 'pino';

/** Structured logs on standard output. Never log a token, a password or what a customer wrote. */
export const log = pino({
  level: process.env.PELVIK_LOG ?? 'info',
  base: undefined,
  timestamp: pino.stdTimeFunctions.isoTime,
});
