import { createHash, randomBytes } from 'node:crypto';
import type { Client } from './db';
import type { User } from './users';

export const SESSION_COOKIE = 'pelvik_session';
export const SESSION_HOURS = 14;

export function hashToken(token: string): Buffer {
  return createHash('sha256').update(token).digest();
}

/** 256 random bits, URL-safe. */
export function newToken(): string {
  return randomBytes(32).toString('base64url');
}

/** Opens a session and returns its token: the only copy there is. */
export async function openSession(client: Client, userId: string): Promise<string> {
  const token = newToken();
  await client.query(
    `INSERT INTO sessions (token_hash, user_id, expires_at) VALUES ($1, $2, now() + make_interval(hours => $3))`,
    [hashToken(token), userId, SESSION_HOURS],
  );
  return token;
}

export async function sessionUser(client: Client, token: string | undefined): Promise<User | null> {
  if (!token || token.length > 100) return null;
  const { rows } = await client.query(
    `SELECT u.id, u.name, u.role FROM sessions s JOIN users u ON u.id = s.user_id
     WHERE s.token_hash = $1 AND s.revoked_at IS NULL AND s.expires_at > now() AND u.active`,
    [hashToken(token)],
  );
  return rows[0] ?? null;
}

export async function closeSession(client: Client, token: string): Promise<void> {
  await client.query('UPDATE sessions SET revoked_at = now() WHERE token_hash = $1 AND revoked_at IS NULL', [
    hashToken(token),
  ]);
}

/** Ends every session of a user, e.g. when a tablet is lost. */
export async function revokeSessions(client: Client, userId: string): Promise<number> {
  const { rowCount } = await client.query(
    'UPDATE sessions SET revoked_at = now() WHERE user_id = $1 AND revoked_at IS NULL',
    [userId],
  );
  return rowCount ?? 0;
}
