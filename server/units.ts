import { currentUnit } from '@/core/unit';
import type { UnitDefinition, UnitKey, UnitSummary } from '@/core/unit';
import { outOfBounds, UNIT_BOUNDS } from '@/core/validation';
import { shippedUnits } from '@/data/shipped';
import { audit } from './audit';
import { inBackground } from './background';
import type { UnitReview } from './background-tasks';
import type { Client } from './db';
import { notFound, UserError } from './problem';
import type { User } from './users';

/** A definition is a few tens of kB; this is room for a very large one. */
export const UNIT_LIMIT = 2 * 1024 * 1024;

// Versions never change and their numbers are never used again: what was read once stays true for the process's life.
const read = new Map<string, UnitDefinition>();
const nameOf = ({ id, version }: UnitKey) => `${id} ${version}`;

/** A unit's definition in the version given. Throws a UserError 404 for one there is not. */
export async function unitOf(client: Client, key: UnitKey): Promise<UnitDefinition> {
  return (await unitsOf(client, [key]))[0]!;
}

/** Definitions in the versions given, in that order, at one visit. Throws a UserError 404 for one there is not. */
export async function unitsOf(client: Client, keys: readonly UnitKey[]): Promise<UnitDefinition[]> {
  const unread = keys.filter((key) => !read.has(nameOf(key)));
  if (unread.length) {
    const { rows } = await client.query(
      `SELECT u.id, u.version, u.definition FROM units u
       JOIN unnest($1::text[], $2::int[]) AS asked (id, version) ON u.id = asked.id AND u.version = asked.version`,
      [unread.map((k) => k.id), unread.map((k) => k.version)],
    );
    for (const { id, version, definition } of rows)
      read.set(nameOf({ id, version }), currentUnit(definition));
  }
  return keys.map((key) => {
    const unit = read.get(nameOf(key));
    if (!unit) throw notFound('unit');
    return unit;
  });
}

/** The newest version of a family. Throws a UserError 400 that names what there is. */
export async function newestUnit(client: Client, id: string): Promise<UnitKey> {
  const { rows } = await client.query(
    'SELECT id, max(version) AS version FROM units WHERE id = $1 GROUP BY id',
    [id],
  );
  if (rows[0]) return rows[0];
  const known = await client.query('SELECT DISTINCT id FROM units ORDER BY id LIMIT 30');
  throw new UserError(
    400,
    `Pelvik has no unit "${id}".`,
    `Use one of: ${known.rows.map((r) => r.id).join(', ')}.`,
  );
}

/** Every family, by name. */
export async function listUnits(client: Client): Promise<UnitSummary[]> {
  const { rows } = await client.query(
    `SELECT DISTINCT ON (u.id) u.id, u.version, u.name, u.layout, u.origin, u.created_at, u.created_by,
            (SELECT count(*)::int FROM jobs j WHERE j.unit_id = u.id) AS jobs
     FROM units u ORDER BY u.id, u.version DESC`,
  );
  return rows.map(toSummary).sort((a, b) => a.name.localeCompare(b.name));
}

/** All versions of a family, the newest first; `jobs` counts those of each version. */
export async function unitVersions(client: Client, id: string): Promise<UnitSummary[]> {
  const { rows } = await client.query(
    `SELECT u.id, u.version, u.name, u.layout, u.origin, u.created_at, u.created_by,
            (SELECT count(*)::int FROM jobs j WHERE j.unit_id = u.id AND j.unit_version = u.version) AS jobs
     FROM units u WHERE u.id = $1 ORDER BY u.version DESC`,
    [id],
  );
  return rows.map(toSummary);
}

function toSummary(row: Record<string, unknown>): UnitSummary {
  const { created_at: at, created_by: by, ...rest } = row;
  return { ...rest, createdAt: (at as Date).toISOString(), createdBy: by } as UnitSummary;
}

/** A definition that was sent, checked away from the server's own thread. Throws a UserError 400 with pointers. */
export async function checkedUnit(value: unknown): Promise<UnitDefinition> {
  const { problems } = await reviewUnit(value);
  if (problems.length)
    throw new UserError(400, 'This is not a unit definition Pelvik can use.', problems[0]!.remedy, problems);
  return value as UnitDefinition;
}

/** What is wrong and what is odd about a definition. */
export async function reviewUnit(value: unknown): Promise<UnitReview> {
  // Too large to be looked at is too large to be handed over.
  const size = outOfBounds(value, UNIT_BOUNDS);
  return size ? { problems: [size], warnings: [] } : inBackground('reviewUnit', value);
}

/** Takes in a family of its own. Throws a UserError 409 when the id is taken. */
export async function addUnit(client: Client, unit: UnitDefinition, user: User): Promise<UnitKey> {
  await lockFamily(client, unit.id);
  if ((await unitVersions(client, unit.id)).length)
    throw new UserError(
      409,
      `There is already a unit "${unit.id}".`,
      'Give it another id, or save it as a new version from that unit’s page.',
    );
  const made = await insert(client, unit, 'shop', user.name);
  await audit(client, user.name, 'unit added', { ...made });
  return made;
}

/**
 * Saves a changed definition as the family's next version. `basedOn` is the version that was edited: when somebody saved
 * another in the meantime, nothing is written and a UserError 409 says so.
 */
export async function saveUnit(
  client: Client,
  id: string,
  basedOn: number,
  unit: UnitDefinition,
  user: User,
): Promise<UnitKey> {
  if (unit.id !== id)
    throw new UserError(
      400,
      `The definition says "${unit.id}", this is "${id}".`,
      'Keep the id, or import it as a unit of its own.',
    );
  await lockFamily(client, id);
  const [newest] = await unitVersions(client, id);
  if (!newest) throw notFound('unit');
  if (newest.version !== basedOn)
    throw new UserError(
      409,
      `${newest.createdBy} saved version ${newest.version} while you worked on version ${basedOn}.`,
      'Export yours, look at the newest version, and bring your changes in there.',
    );
  const made = await insert(client, unit, 'shop', user.name);
  await audit(client, user.name, 'unit version saved', { ...made });
  return made;
}

/** Removes a family no job uses. Throws a UserError 409 for one that is in use or ships with Pelvik. */
export async function deleteUnit(client: Client, id: string, user: User): Promise<void> {
  await lockFamily(client, id);
  const versions = await unitVersions(client, id);
  if (!versions.length) throw notFound('unit');
  const jobs = versions.reduce((sum, v) => sum + v.jobs, 0);
  if (jobs)
    throw new UserError(
      409,
      `${jobs === 1 ? 'A job uses' : `${jobs} jobs use`} this unit.`,
      'It stays as long as they do.',
    );
  if (versions.some((v) => v.origin === 'shipped'))
    throw new UserError(
      409,
      'This unit ships with Pelvik.',
      'It would come back at the next start; leave it unused.',
    );
  await client.query('DELETE FROM units WHERE id = $1', [id]);
  for (const { version } of versions) read.delete(`${id} ${version}`);
  await audit(client, user.name, 'unit deleted', { id });
}

/** Puts the shipped families in, and a new version where what ships has changed and the shop has not made its own. */
export async function installShippedUnits(client: Pick<Client, 'query'>): Promise<void> {
  for (const unit of shippedUnits) {
    const { rows } = await client.query(
      `SELECT version, origin, definition::jsonb = $2::jsonb AS same, definition::text = '{}' AS blank
       FROM units WHERE id = $1 ORDER BY version DESC LIMIT 1`,
      [unit.id, JSON.stringify(unit)],
    );
    const newest = rows[0];
    if (newest?.blank)
      await client.query(
        'UPDATE units SET name = $3, layout = $4, stations = $5, definition = $6 WHERE id = $1 AND version = $2',
        [unit.id, newest.version, unit.name, unit.layout, unit.stations.length, JSON.stringify(unit)],
      );
    else if (!newest || (newest.origin === 'shipped' && !newest.same))
      await insert(client, unit, 'shipped', 'Pelvik');
  }
}

/** Two people saving one family wait for each other. */
async function lockFamily(client: Client, id: string): Promise<void> {
  await client.query('SELECT pg_advisory_xact_lock(hashtext($1))', [`unit ${id}`]);
}

async function insert(
  client: Pick<Client, 'query'>,
  unit: UnitDefinition,
  origin: 'shipped' | 'shop',
  by: string,
): Promise<UnitKey> {
  // A family that was deleted and comes again goes on counting: no other process takes the new for the old.
  const { rows } = await client.query(
    `INSERT INTO unit_families AS f (id, last_version) VALUES ($1, 1)
     ON CONFLICT (id) DO UPDATE SET last_version = f.last_version + 1 RETURNING last_version`,
    [unit.id],
  );
  const version = rows[0].last_version as number;
  await client.query(
    'INSERT INTO units (id, version, name, layout, stations, origin, definition, created_by) VALUES ($1, $2, $3, $4, $5, $6, $7, $8)',
    [unit.id, version, unit.name, unit.layout, unit.stations.length, origin, JSON.stringify(unit), by],
  );
  return { id: unit.id, version };
}
