import { DatabaseError, Pool } from 'pg';
import type { PoolClient } from 'pg';
import { log } from './log';
import { UserError } from './problem';

export type Client = PoolClient;

const shared = globalThis as { pelvikPool?: Pool };

/** Nothing a person waits for may hold a connection or a lock longer than this, in ms. */
const STATEMENT_LIMIT = 8_000;
const LOCK_LIMIT = 3_000;

export function pool(): Pool {
  if (!shared.pelvikPool) {
    const connectionString = process.env.DATABASE_URL;
    if (!connectionString) throw new Error('DATABASE_URL is not set: start Pelvik with ./pelvik demo.');
    shared.pelvikPool = new Pool({
      connectionString,
      max: 10,
      connectionTimeoutMillis: 4000,
      statement_timeout: STATEMENT_LIMIT,
      lock_timeout: LOCK_LIMIT,
      idle_in_transaction_session_timeout: 20_000,
      application_name: 'pelvik',
    });
    // A killed database drops idle connections; the next query opens new ones.
    shared.pelvikPool.on('error', sayLost);
    // The pool listens only to connections that are idle: one lost in the middle of work would end the process.
    shared.pelvikPool.on('connect', (client) => client.on('error', sayLost));
  }
  return shared.pelvikPool;
}

const sayLost = (error: Error) => log.warn({ error: error.message }, 'database connection lost');

/** Runs `work` on one connection. Throws a UserError 503 when the database is away or too busy. */
export async function withClient<T>(work: (client: Client) => Promise<T>): Promise<T> {
  let client: Client;
  try {
    client = await pool().connect();
  } catch (error) {
    throw away(error);
  }
  let broken = false;
  try {
    return await work(client);
  } catch (error) {
    broken = isLost(error);
    throw broken || isBusy(error) ? away(error) : told(error);
  } finally {
    client.release(broken);
  }
}

/** Runs `work` in a transaction: all of it or nothing. */
export async function inTransaction<T>(work: (client: Client) => Promise<T>): Promise<T> {
  return withClient(async (client) => {
    await client.query('BEGIN');
    try {
      const result = await work(client);
      await client.query('COMMIT');
      return result;
    } catch (error) {
      await client.query('ROLLBACK').catch(() => undefined);
      throw error;
    }
  });
}

/** How long the database may take to say that it is there, ms: longer than the pages take that are drawn meanwhile. */
const ANSWER_LIMIT = 3000;

/** True when the database answers. */
export async function databaseAnswers(): Promise<boolean> {
  const late = new Promise<false>((resolve) => setTimeout(() => resolve(false), ANSWER_LIMIT).unref());
  return Promise.race([
    pool()
      .query('SELECT 1')
      .then(() => true)
      .catch(() => false),
    late,
  ]);
}

export async function closePool(): Promise<void> {
  await shared.pelvikPool?.end();
  shared.pelvikPool = undefined;
}

/** What another request, or the disk, has come in between: told in words, by PostgreSQL's codes. */
const TOLD: Record<string, () => UserError> = {
  '23503': () =>
    new UserError(409, 'What this belongs to was deleted meanwhile.', 'Reload the page and choose again.'),
  '23505': () =>
    new UserError(
      409,
      'Somebody did the same a moment before.',
      'Reload the page and look at what is there.',
    ),
  '53100': () =>
    new UserError(
      503,
      'The disk of the shop’s server is full.',
      'What you typed is kept on this device. Make room on the server’s disk; it goes on by itself.',
    ),
};

function told(error: unknown): unknown {
  const words = error instanceof DatabaseError ? TOLD[error.code ?? ''] : undefined;
  if (!words) return error;
  log.warn({ error: (error as Error).message }, 'refused by the database');
  return words();
}

/** Timeouts and deadlocks, by PostgreSQL's codes: the same request may well succeed a moment later. */
const BUSY = new Set(['57014', '55P03', '40P01', '40001', '53300']);

function isBusy(error: unknown): boolean {
  return error instanceof DatabaseError && BUSY.has(error.code ?? '');
}

/** The connection is gone: the server was stopped, or the socket was. */
function isLost(error: unknown): boolean {
  if (error instanceof DatabaseError) return /^(57P0[1-5]|08)/.test(error.code ?? '');
  const { code, message } = error as NodeJS.ErrnoException;
  return (
    ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ENOENT', 'ETIMEDOUT'].includes(code ?? '') ||
    /Connection terminated|Client has encountered a connection error|not queryable/.test(message ?? '')
  );
}

function away(error: unknown): UserError {
  log.warn({ error: error instanceof Error ? error.message : String(error) }, 'database away or busy');
  return new UserError(
    503,
    isBusy(error) ? 'The shop’s database is busy.' : 'The shop’s database does not answer just now.',
    'What you typed is kept; it goes on by itself as soon as the database is back.',
  );
}
