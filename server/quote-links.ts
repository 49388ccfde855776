import { audit } from './audit';
import type { Client } from './db';
import { UserError, notFound } from './problem';
import { QUOTE_COLUMNS, toQuote } from './quotes';
import type { Quote } from './quotes';
import { hashToken, newToken } from './sessions';
import type { User } from './users';

const LINK_DAYS = 30;

/**
 * Makes a customer link for the newest version and returns its token: it is not stored and cannot be shown again. A link
 * is not yet sent.
 */
export async function linkQuote(
  client: Client,
  jobNumber: number,
  version: number,
  user: User,
): Promise<string> {
  const { rows } = await client.query(
    'SELECT q.id, q.status, q.imported FROM quotes q JOIN jobs j ON j.id = q.job_id WHERE j.number = $1 AND q.version = $2 FOR UPDATE OF q',
    [jobNumber, version],
  );
  const quote = rows[0];
  if (!quote) throw notFound('quote');
  if (quote.imported)
    throw new UserError(409, 'This quote came in with a file.', 'Make a quote of this shop, and send that.');
  if (quote.status === 'superseded')
    throw new UserError(409, 'A newer version replaced this quote.', 'Send the newest version.');
  const token = newToken();
  await client.query(
    `INSERT INTO quote_links (token_hash, quote_id, expires_at) VALUES ($1, $2, now() + make_interval(days => $3))`,
    [hashToken(token), quote.id, LINK_DAYS],
  );
  await audit(client, user.name, 'quote link made', { job: jobNumber, version });
  return token;
}

/** Revokes one link, which nobody was given. */
export async function revokeLink(client: Client, token: string): Promise<void> {
  await client.query(
    'UPDATE quote_links SET revoked_at = now() WHERE token_hash = $1 AND revoked_at IS NULL',
    [hashToken(token)],
  );
}

/** Revokes every link of a quote. */
export async function revokeLinks(
  client: Client,
  jobNumber: number,
  version: number,
  user: User,
): Promise<number> {
  const { rowCount } = await client.query(
    `UPDATE quote_links l SET revoked_at = now() FROM quotes q JOIN jobs j ON j.id = q.job_id
     WHERE l.quote_id = q.id AND j.number = $1 AND q.version = $2 AND l.revoked_at IS NULL`,
    [jobNumber, version],
  );
  await audit(client, user.name, 'quote links revoked', { job: jobNumber, version });
  return rowCount ?? 0;
}

/** The quote behind a customer's link. Throws a UserError: 404 unknown, 410 expired or revoked. */
export async function quoteByToken(client: Client, token: string): Promise<Quote> {
  const { rows } = await client.query(
    `SELECT ${QUOTE_COLUMNS}, l.expires_at <= now() OR l.revoked_at IS NOT NULL AS stale
     FROM quote_links l JOIN quotes q ON q.id = l.quote_id JOIN jobs j ON j.id = q.job_id WHERE l.token_hash = $1`,
    [hashToken(token.slice(0, 100))],
  );
  if (!rows[0])
    throw new UserError(
      404,
      'This link is not known.',
      'Check that the whole address was copied, or call the shop.',
    );
  if (rows[0].stale)
    throw new UserError(
      410,
      'This link is no longer valid.',
      'Please call the shop: they will send a new one.',
    );
  return toQuote(rows[0]);
}
