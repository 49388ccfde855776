import { hash, verify } from '@node-rs/argon2';
import type { Role } from '@/core/stage';
import { audit } from './audit';
import { withClient } from './db';
import type { Client } from './db';
import { forgetAttempts, limitSignIn } from './limits';
import { checkPassword } from './passwords';
import { UserError } from './problem';

export interface User {
  id: string;
  name: string;
  role: Role;
}

export async function createUser(client: Client, user: User, password: string): Promise<void> {
  checkPassword(password, [user.id, user.name]);
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

// The same words for a wrong password, an unknown name and a locked one: nobody learns which names there are.
const WRONG = () =>
  new UserError(
    401,
    'Name or password is wrong.',
    'Try again; after five failures from one place the name is locked there for 15 minutes.',
  );

// Checked when a name is unknown or locked, so that it takes as long as a wrong password.
const NOBODY = hash('nobody has this password');

/**
 * The user behind a name and password, tried from an address. Every attempt is counted before the password is looked at,
 * so that attempts made at once are all counted; no connection is held while it is. Throws a UserError 401, the same for
 * wrong, unknown and locked.
 */
export async function authenticate(id: string, password: string, address: string): Promise<User> {
  const attempt = await limitSignIn(id, address);
  const row = await withClient(async (client) => {
    const { rows } = await client.query(
      'SELECT id, name, role, password_hash FROM users WHERE id = $1 AND active',
      [id],
    );
    return rows[0];
  });
  const right = await verify(attempt.locked || !row ? await NOBODY : row.password_hash, password);
  if (attempt.locked || !row || !right) {
    if (row)
      await withClient((client) =>
        audit(client, row.name, attempt.last ? 'locked out' : 'sign-in failed', { address }),
      );
    throw WRONG();
  }
  await forgetAttempts(id, address);
  return { id: row.id, name: row.name, role: row.role };
}

/** What locks this person's unsent changes on a shared device, 32 bytes in base64. For that person alone. */
export async function deviceKey(client: Client, userId: string): Promise<string> {
  const { rows } = await client.query('SELECT device_key FROM users WHERE id = $1', [userId]);
  return (rows[0].device_key as Buffer).toString('base64');
}

/** Changes a person's own password. Throws a UserError: 400 too weak, 403 the present one is wrong. */
export async function changePassword(
  user: User,
  present: string,
  next: string,
  address: string,
): Promise<void> {
  const attempt = await limitSignIn(user.id, address);
  const kept = await withClient(async (client) => {
    const { rows } = await client.query('SELECT password_hash FROM users WHERE id = $1', [user.id]);
    return rows[0].password_hash as string;
  });
  if (attempt.locked || !(await verify(kept, present)))
    throw new UserError(
      403,
      'The present password is not right.',
      'Type it again; after five failures it is locked for 15 minutes.',
    );
  await forgetAttempts(user.id, address);
  checkPassword(next, [user.id, user.name]);
  const fresh = await hash(next);
  await withClient((client) =>
    client.query('UPDATE users SET password_hash = $2 WHERE id = $1', [user.id, fresh]),
  );
}
