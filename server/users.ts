import { hash, verify } from '@node-rs/argon2';
import type { Client } from './db';
import { UserError } from './problem';

export type Role = 'technician' | 'counter' | 'owner';

export interface User {
  id: string;
  name: string;
  role: Role;
}

const FAILURES_ALLOWED = 5;
const LOCK_MINUTES = 15;

export async function createUser(client: Client, user: User, password: string): Promise<void> {
  if (password.length < 10)
    throw new UserError(400, 'The password is too short.', 'Use at least 10 characters.');
  await client.query('INSERT INTO users (id, name, role, password_hash) VALUES ($1, $2, $3, $4)', [
    user.id,
    user.name,
    user.role,
    await hash(password),
  ]);
}

export async function listUsers(client: Client): Promise<(User & { active: boolean; sessions: number })[]> {
  const { rows } = await client.query(
    `SELECT u.id, u.name, u.role, u.active,
            (SELECT count(*)::int FROM sessions s WHERE s.user_id = u.id AND s.revoked_at IS NULL AND s.expires_at > now()) AS sessions
     FROM users u ORDER BY u.name`,
  );
  return rows;
}

const WRONG = () =>
  new UserError(
    401,
    'Name or password is wrong.',
    'Try again; after five failures the name is locked for 15 minutes.',
  );

// Checked when a name is unknown, so that an unknown name takes as long as a wrong password.
const NOBODY = hash('nobody has this password');

/** The user behind a name and password. Throws a UserError: 401 wrong, 429 locked. */
export async function authenticate(client: Client, id: string, password: string): Promise<User> {
  const { rows } = await client.query(
    'SELECT id, name, role, password_hash, active, locked_until > now() AS locked FROM users WHERE id = $1',
    [id],
  );
  const row = rows[0];
  if (row?.locked) {
    throw new UserError(
      429,
      'This name is locked after too many failures.',
      `Wait ${LOCK_MINUTES} minutes, or ask the owner.`,
    );
  }
  const right = await verify(row?.password_hash ?? (await NOBODY), password);
  if (!row?.active || !right) {
    if (row) {
      await client.query(
        `UPDATE users SET failures = CASE WHEN failures + 1 >= $2 THEN 0 ELSE failures + 1 END,
           locked_until = CASE WHEN failures + 1 >= $2 THEN now() + make_interval(mins => $3) END WHERE id = $1`,
        [id, FAILURES_ALLOWED, LOCK_MINUTES],
      );
    }
    throw WRONG();
  }
  await client.query('UPDATE users SET failures = 0, locked_until = NULL WHERE id = $1', [id]);
  return { id: row.id, name: row.name, role: row.role };
}
