import { createHash, randomBytes } from 'node:crypto';
import type { Client } from './db';
import type { User } from './users';

/** A signed-in person, and the course of the shop's history the database is in: a restored backup begins another. */
export interface SignedIn extends User {
  generation: string;
}

export const SESSION_HOURS = 14;
/** A session nobody has used for this long has ended. */
const IDLE_HOURS = 4;

/** Behind TLS the name itself keeps other hosts and paths from setting it. */
export function cookieName(secure: boolean): string {
  return secure ? '__Host-pelvik_session' : 'pelvik_session';
}

export function hashToken(token: string): Buffer {
  return createHash('sha256').update(token).digest();
}

/** 256 random bits, URL-safe. */
export function newToken(): string {
  return randomBytes(32).toString('base64url');
}

const OPEN = `s.revoked_at IS NULL AND s.expires_at > now() AND s.seen_at > now() - interval '${IDLE_HOURS} hours'`;

/** Opens a session and returns its token: the only copy there is. */
export async function openSession(client: Client, userId: string, device = ''): Promise<string> {
  const token = newToken();
  await client.query(
    `INSERT INTO sessions (token_hash, user_id, expires_at, device) VALUES ($1, $2, now() + make_interval(hours => $3), $4)`,
    [hashToken(token), userId, SESSION_HOURS, device],
  );
  return token;
}

/** The person behind a token, or null. `active` notes that the session is in use, once a minute. */
export async function sessionUser(
  client: Client,
  token: string | undefined,
  active = true,
): Promise<SignedIn | null> {
  if (!token || token.length > 100) return null;
  const hash = hashToken(token);
  const { rows } = await client.query(
    `SELECT u.id, u.name, u.role, g.id AS generation, s.seen_at < now() - interval '1 minute' AS quiet
     FROM sessions s JOIN users u ON u.id = s.user_id CROSS JOIN generation g WHERE s.token_hash = $1 AND ${OPEN} AND u.active`,
    [hash],
  );
  if (!rows[0]) return null;
  const { quiet, ...user } = rows[0];
  if (active && quiet)
    await client.query('UPDATE sessions SET seen_at = now() WHERE token_hash = $1', [hash]);
  return user;
}

export async function closeSession(client: Client, token: string): Promise<void> {
  await client.query('UPDATE sessions SET revoked_at = now() WHERE token_hash = $1 AND revoked_at IS NULL', [
    hashToken(token),
  ]);
}

/** Ends every session of a user, e.g. when a tablet is lost; but for the one given. */
export async function revokeSessions(client: Client, userId: string, but?: string): Promise<number> {
  const { rowCount } = await client.query(
    'UPDATE sessions SET revoked_at = now() WHERE user_id = $1 AND revoked_at IS NULL AND token_hash <> $2',
    [userId, but ? hashToken(but) : Buffer.alloc(0)],
  );
  return rowCount ?? 0;
}

export interface OpenSession {
  id: string;
  device: string;
  createdAt: string;
  seenAt: string;
  /** The one that asks. */
  own: boolean;
}

/** A person's open sessions, the last used first. */
export async function sessionsOf(
  client: Client,
  userId: string,
  token: string | undefined,
): Promise<OpenSession[]> {
  const { rows } = await client.query(
    `SELECT s.id, s.device, s.created_at, s.seen_at, s.token_hash = $2 AS own FROM sessions s
     WHERE s.user_id = $1 AND ${OPEN} ORDER BY s.seen_at DESC LIMIT 100`,
    [userId, token ? hashToken(token) : Buffer.alloc(0)],
  );
  return rows.map((r) => ({
    id: r.id,
    device: r.device,
    createdAt: r.created_at.toISOString(),
    seenAt: r.seen_at.toISOString(),
    own: r.own,
  }));
}

/** Ends one session of a person's own. False when there is no such open one. */
export async function endSession(client: Client, userId: string, id: string): Promise<boolean> {
  const { rowCount } = await client.query(
    'UPDATE sessions SET revoked_at = now() WHERE user_id = $1 AND id = $2 AND revoked_at IS NULL',
    [userId, id],
  );
  return rowCount === 1;
}
