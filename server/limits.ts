import type { NextRequest } from 'next/server';
import { RateLimiterMemory, RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { pool } from './db';
import { UserError } from './problem';

/** How often something may be tried. Counted in the database: all server processes of a shop count together. */
const LIMITS = {
  /** Sign-ins from one address. */
  address: { points: 30, duration: 60 },
  /** Wrong passwords for one name from one address: nobody can lock a name for the whole shop. */
  'name-at-address': { points: 5, duration: 15 * 60 },
  /** Wrong passwords for one name from everywhere. */
  name: { points: 100, duration: 15 * 60 },
  /** Answers from one address, and on one link. */
  answer: { points: 20, duration: 60 },
  link: { points: 30, duration: 60 },
} as const;
type Limited = keyof typeof LIMITS;

const made = new Map<Limited, { client: unknown; limiter: RateLimiterPostgres }>();

function limiter(what: Limited): RateLimiterPostgres {
  const client = pool();
  const known = made.get(what);
  if (known?.client === client) return known.limiter;
  const limits = LIMITS[what];
  const fresh = new RateLimiterPostgres({
    storeClient: client,
    tableName: 'attempts',
    tableCreated: true,
    keyPrefix: what,
    ...limits,
    // With the database away nothing can be tried anyway; each process then counts for itself.
    insuranceLimiter: new RateLimiterMemory({ keyPrefix: what, ...limits }),
  });
  made.set(what, { client, limiter: fresh });
  return fresh;
}

/** Counts a try; null when there were too many. */
async function consume(what: Limited, key: string): Promise<RateLimiterRes | null> {
  try {
    return await limiter(what).consume(key.slice(0, 120));
  } catch (refused) {
    if (refused instanceof RateLimiterRes) return null;
    throw refused;
  }
}

/** The address a request came from, as the server's front door found it. */
export function addressOf(request: NextRequest): string {
  return (request.headers.get('x-pelvik-address') ?? 'unknown').slice(0, 64);
}

const tooMany = () =>
  new UserError(429, 'Too many attempts within a minute.', 'Wait a minute, then try again.');

/** Counts a sign-in. `locked`: its password must not be believed. `last`: it is the one that locks. */
export async function limitSignIn(
  name: string,
  address: string,
): Promise<{ locked: boolean; last: boolean }> {
  if (!(await consume('address', address))) throw tooMany();
  const here = await consume('name-at-address', `${name} ${address}`);
  const everywhere = await consume('name', name);
  return {
    locked: !here || !everywhere,
    last: here?.remainingPoints === 0 || everywhere?.remainingPoints === 0,
  };
}

/** A right password wipes out the failures before it from the same address, and was no attempt at guessing itself. */
export async function forgetAttempts(name: string, address: string): Promise<void> {
  await limiter('name-at-address').delete(`${name} ${address}`.slice(0, 120));
  await limiter('name').reward(name.slice(0, 120), 1);
  await limiter('address').reward(address.slice(0, 120), 1);
}

/** Counts a customer's answer. Throws a UserError 429. */
export async function limitAnswer(request: NextRequest, link: string): Promise<void> {
  if (!(await consume('answer', addressOf(request))) || !(await consume('link', link))) throw tooMany();
}
