import { randomUUID } from 'node:crypto';
import { hash } from '@node-rs/argon2';
import { Client as Connection } from 'pg';
import type { Json } from '@/core/case';
import { closeBackground } from '@/server/background';
import { closePool as close, inTransaction, withClient } from '@/server/db';
import type { Client } from '@/server/db';
import { appendEntries } from '@/server/entries';
import { createJob } from '@/server/jobs';
import type { Role } from '@/core/stage';
import type { User } from '@/server/users';

/** Helpers for tests that need the real database named by DATABASE_URL. */
export const PASSWORD = 'gantry-otter-77-linen';

// Made to take long: once for all who are needed.
let hashed: Promise<string> | null = null;

/** A user of a role, with a name no other test has. */
export async function someone(role: Role): Promise<User> {
  const mark = randomUUID().slice(0, 8);
  const user: User = { id: `${role}-${mark}`, name: `${role} ${mark}`, role };
  hashed ??= hash(PASSWORD);
  const row = [user.id, user.name, role, await hashed];
  await withClient((client) =>
    client.query('INSERT INTO users (id, name, role, password_hash) VALUES ($1, $2, $3, $4)', row),
  );
  return user;
}

export async function someJob(user: User) {
  return inTransaction((client) => createJob(client, 'ostrel-four', user.id));
}

/** A job with entries of a technician's. */
export async function jobWith(values: Record<string, Json>): Promise<{ number: number; who: User }> {
  const who = await someone('technician');
  const { number } = await someJob(who);
  const batch = Object.entries(values).map(([slot, value]) => ({ id: randomUUID(), slot, value }));
  await inTransaction((c) => appendEntries(c, number, who, batch));
  return { number, who };
}

export function inDatabase<T>(work: (client: Client) => Promise<T>): Promise<T> {
  return withClient(work);
}

/** Runs a statement as the owner of the tables, who may do what the application may not. */
export async function asOwner<T>(work: (client: Client) => Promise<T>): Promise<T> {
  const client = new Connection({ connectionString: process.env.PELVIK_OWNER_URL });
  await client.connect();
  try {
    // A connection of no pool: it is ended here, not released.
    return await work(client as unknown as Client);
  } finally {
    await client.end();
  }
}

/** For the end of a test file. */
export async function closePool(): Promise<void> {
  await close();
  await closeBackground();
}
