import { Pool } from 'pg';
import type { PoolClient } from 'pg';
import { log } from './log';

export type Client = PoolClient;

const shared = globalThis as { pelvikPool?: Pool };

function pool(): Pool {
  if (!shared.pelvikPool) {
    const connectionString = process.env.DATABASE_URL;
    if (!connectionString) throw new Error('DATABASE_URL is not set: start Pelvik with ./pelvik demo.');
    shared.pelvikPool = new Pool({ connectionString, max: 10, connectionTimeoutMillis: 5000 });
    // A killed database drops idle connections; the next query opens new ones.
    shared.pelvikPool.on('error', (error) => log.warn({ error: error.message }, 'database connection lost'));
  }
  return shared.pelvikPool;
}

/** Runs `work` on one connection. */
export async function withClient<T>(work: (client: Client) => Promise<T>): Promise<T> {
  const client = await pool().connect();
  try {
    return await work(client);
  } finally {
    client.release();
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

export async function closePool(): Promise<void> {
  await shared.pelvikPool?.end();
  shared.pelvikPool = undefined;
}
