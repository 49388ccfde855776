import { closePool, inTransaction } from '@/server/db';
import { loadDemo } from './demo-shop';

/** Loads the demo shop when the database holds no people yet. */
export async function seedDemo(databaseUrl: string): Promise<void> {
  process.env.DATABASE_URL = databaseUrl;
  try {
    await inTransaction((client) => loadDemo(client));
  } finally {
    await closePool();
  }
}
