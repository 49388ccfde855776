import { currentTerms } from '@/core/shop';
import type { ShopTerms } from '@/core/shop';
import { momentIn } from '@/core/schedule';
import type { Moment } from '@/core/schedule';
import { checkTerms } from '@/core/validation';
import shop from '@/data/prices/shop.json';
import { audit } from './audit';
import type { Client } from './db';
import { UserError } from './problem';
import type { User } from './users';

/** The shop's terms as they stand, with the version a change is made on. */
export interface Shop {
  /** 0: nobody has set them yet, the shipped defaults stand. */
  version: number;
  terms: ShopTerms;
}

/** What ships: sane defaults, checked by the tests. */
export const DEFAULT_TERMS = currentTerms(shop);

/** Where nobody has set anything yet: the defaults under nobody's name. */
export const UNSET_TERMS: ShopTerms = {
  ...DEFAULT_TERMS,
  name: 'A new shop',
  address: 'Address not set yet',
  phone: 'not set yet',
  letterhead: '',
};

let known: Shop = { version: 0, terms: UNSET_TERMS };

/** What the shop charges and promises today. */
export async function shopOf(client: Client): Promise<Shop> {
  const { rows } = await client.query('SELECT max(version) AS version FROM shop_terms');
  const version = rows[0].version as number | null;
  if (version === null) return { version: 0, terms: UNSET_TERMS };
  if (known.version === version) return known;
  const found = await client.query('SELECT terms FROM shop_terms WHERE version = $1', [version]);
  known = { version, terms: currentTerms(found.rows[0].terms) };
  return known;
}

/** Now by the server's clock, in the shop's own time. */
export const shopNow = ({ timeZone }: Pick<ShopTerms, 'timeZone'>): Moment => momentIn(new Date(), timeZone);

/** The shop's own day. */
export async function shopToday(client: Client): Promise<string> {
  return shopNow((await shopOf(client)).terms).slice(0, 10);
}

/** Keeps a new version of the terms. Throws a UserError: 400 wrong, 409 somebody was quicker. */
export async function saveShop(client: Client, on: number, terms: unknown, user: User): Promise<Shop> {
  const problems = checkTerms(terms);
  if (problems.length)
    throw new UserError(
      400,
      `The settings are not right: ${problems[0]!.pointer} ${problems[0]!.message}.`,
      problems[0]!.remedy,
      problems,
    );
  await client.query(`SELECT pg_advisory_xact_lock(hashtext('shop_terms'))`);
  const { version } = await shopOf(client);
  if (version !== on)
    throw new UserError(
      409,
      'Somebody changed the settings in the meantime.',
      'Open the page anew and make your change again.',
    );
  await client.query(
    'INSERT INTO shop_terms (version, terms, created_by, created_by_user) VALUES ($1, $2, $3, $4)',
    [version + 1, JSON.stringify(terms), user.name, user.id],
  );
  await audit(client, user.name, 'shop settings changed', { version: version + 1 });
  return shopOf(client);
}

/** The versions there were, the newest first. */
export async function shopVersions(client: Client): Promise<{ version: number; at: string; by: string }[]> {
  const { rows } = await client.query(
    'SELECT version, created_at, created_by FROM shop_terms ORDER BY version DESC LIMIT 50',
  );
  return rows.map((r) => ({ version: r.version, at: r.created_at.toISOString(), by: r.created_by }));
}

/** The terms as every browser of the shop may hold them: one unit's prices, and nothing of what things cost the shop. */
export function openTerms(terms: ShopTerms, unit: string): ShopTerms {
  return {
    ...terms,
    costPerHour: 0,
    partsMarkup: 0,
    times: terms.times.filter((t) => t.unit === unit),
    prices: terms.prices.filter((p) => p.unit === unit).map(({ cost: _, ...price }) => price),
  };
}
