import { randomUUID } from 'node:crypto';
import { closePool, inTransaction, withClient } from './db';
import type { Client } from './db';
import { createJob } from './jobs';
import { createUser } from './users';
import type { Role, User } from './users';

/** Helpers for tests that need the real database named by DATABASE_URL. */
export const PASSWORD = 'a long enough password';

/** A user of a role, with a name no other test has. */
export async function someone(role: Role): Promise<User> {
  const mark = randomUUID().slice(0, 8);
  const user: User = { id: `${role}-${mark}`, name: `${role} ${mark}`, role };
  await inTransaction((client) => createUser(client, user, PASSWORD));
  return user;
}

export async function someJob(user: User) {
  return inTransaction((client) => createJob(client, 'ostrel-four', user.id));
}

export function inDatabase<T>(work: (client: Client) => Promise<T>): Promise<T> {
  return withClient(work);
}

export { closePool };
