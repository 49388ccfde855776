import type { NextRequest } from 'next/server';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { UserError } from './problem';

/** Attempts a minute, per address and in all: an address can be made up, the whole cannot. */
const LIMITS = {
  'sign-in': { each: 30, all: 300 },
  answer: { each: 20, all: 200 },
} as const;

export type Limited = keyof typeof LIMITS;

const SECONDS = 60;
const limiters = Object.fromEntries(
  Object.entries(LIMITS).map(([what, { each, all }]) => [
    what,
    {
      each: new RateLimiterMemory({ points: each, duration: SECONDS }),
      all: new RateLimiterMemory({ points: all, duration: SECONDS }),
    },
  ]),
) as Record<Limited, Record<'each' | 'all', RateLimiterMemory>>;

/** Counts an attempt. Throws a UserError 429 when there are too many within a minute. */
export async function limit(request: NextRequest, what: Limited): Promise<void> {
  const address = request.headers.get('x-forwarded-for')?.split(',')[0]?.trim() ?? 'unknown';
  try {
    await limiters[what].each.consume(address.slice(0, 64));
    await limiters[what].all.consume('all');
  } catch {
    throw new UserError(429, 'Too many attempts within a minute.', 'Wait a minute, then try again.');
  }
}
