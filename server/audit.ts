import type { Client } from './db';

/** Notes who did what; the table cannot be changed afterwards. */
export async function audit(
  client: Client,
  who: string,
  what: string,
  about: Record<string, unknown> = {},
): Promise<void> {
  await client.query('INSERT INTO audit (who, what, about) VALUES ($1, $2, $3)', [
    who,
    what,
    JSON.stringify(about),
  ]);
}

export async function recentAudit(client: Client, limit = 40) {
  const { rows } = await client.query('SELECT at, who, what, about FROM audit ORDER BY id DESC LIMIT $1', [
    limit,
  ]);
  return rows as { at: Date; who: string; what: string; about: Record<string, unknown> }[];
}
