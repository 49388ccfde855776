import { randomUUID } from 'node:crypto';
import { isDonor, valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import { policiesOf, scoper } from '@/core/scope';
import { donorParts } from '@/core/shelf';
import type { Donor, DonorCore, ShelfGrade, ShelfPiece } from '@/core/shelf';
import type { UnitDefinition } from '@/core/unit';
import { MOST_MONEY } from '@/core/shop';
import { validator, problemsOf } from '@/core/validation';
import { audit } from './audit';
import type { Client } from './db';
import { jobByNumber, jobsByNumber } from './jobs';
import { inspect, knowledge, rules } from './library';
import { notFound, UserError } from './problem';
import { shopOf } from './shop';
import type { User } from './users';

const PIECE = `s.id, s.unit_id, s.part, s.name, s.grade, s.seen, s.origin, f.number AS from_job, s.price, s.added_at,
  s.added_by, h.number AS held_by, s.gone`;
const FROM = 'shelf s JOIN jobs f ON f.id = s.from_job LEFT JOIN jobs h ON h.id = s.held_by';
/** More pieces than any shop's shelf holds. */
const MOST = 2000;

function toPiece(r: Record<string, unknown>): ShelfPiece {
  return {
    id: r.id as string,
    unit: r.unit_id as string,
    part: r.part as string,
    name: r.name as string,
    grade: r.grade as ShelfGrade,
    seen: r.seen as string,
    origin: r.origin as string,
    fromJob: r.from_job as number,
    price: r.price as number,
    addedAt: (r.added_at as Date).toISOString(),
    addedBy: r.added_by as string,
    heldBy: (r.held_by as number | null) ?? null,
  };
}

/** What lies on the shelf, of one unit or of all, held pieces among it. */
export async function shelfOf(client: Client, unit: string | null): Promise<ShelfPiece[]> {
  const { rows } = await client.query(
    `SELECT ${PIECE} FROM ${FROM} WHERE s.gone IS NULL AND ($1::text IS NULL OR s.unit_id = $1)
     ORDER BY s.unit_id, s.name, s.price, s.added_at LIMIT ${MOST}`,
    [unit],
  );
  return rows.map(toPiece);
}

/** What of a job's unit is worth keeping, by the rules of this shop. */
function donorOf(unit: UnitDefinition, state: JobState, terms: Parameters<typeof policiesOf>[1]): Donor {
  const situation = { state, policies: policiesOf(state, terms), causes: [] };
  const scope = scoper(unit, { rules, knowledge }, situation).scope('full');
  return donorParts(rules, inspect(unit), scope, state);
}

const asked = validator({
  type: 'object',
  additionalProperties: false,
  required: ['job', 'part', 'price'],
  properties: {
    job: { type: 'integer', minimum: 1, maximum: 999_999_999 },
    part: { type: 'string', minLength: 1, maxLength: 80 },
    price: { type: 'integer', minimum: 0, maximum: MOST_MONEY },
  },
});

/** Puts a part of a donor core on the shelf, as far as its inspection allows it. Throws a UserError 400, 404 or 409. */
export async function addToShelf(client: Client, body: unknown, user: User): Promise<ShelfPiece> {
  const problems = problemsOf(asked, body);
  if (problems.length)
    throw new UserError(400, 'That is no part with a price.', 'Type a price; 0 gives it away.', problems);
  const { job: number, part, price } = body as { job: number; part: string; price: number };
  const job = await jobByNumber(client, number, true);
  if (!isDonor(job.state))
    throw new UserError(
      409,
      'This unit is a customer’s.',
      'Only parts of a core the shop bought go on the shelf: say at Intake where it came from.',
    );
  const { terms } = await shopOf(client);
  const donor = donorOf(job.unit, job.state, terms.policies).parts.find((p) => p.part === part);
  if (!donor) throw notFound('part');
  if (donor.grade === null)
    throw new UserError(409, `${donor.name} does not go on the shelf: ${donor.words}.`, 'Inspect it first.');
  const seen = `${donor.words}; ${donor.seen} of ${donor.points} points looked at`;
  const origin = valueOf(job.state, 'unit-source.from')!;
  const { rows } = await client.query(
    `INSERT INTO shelf (id, unit_id, part, name, grade, seen, origin, from_job, price, added_by)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) ON CONFLICT (from_job, part) DO NOTHING RETURNING id`,
    [randomUUID(), job.unit.id, part, donor.name, donor.grade, seen, origin, job.id, price, user.name],
  );
  if (!rows[0])
    throw new UserError(409, `${donor.name} of job ${number} is on the shelf already.`, 'Look at the shelf.');
  await audit(client, user.name, 'part put on the shelf', { part: donor.name, job: number });
  return (await pieceOf(client, rows[0].id)).piece;
}

/** Reads a piece, and keeps others from it until the transaction ends. Throws a UserError 404. */
async function pieceOf(client: Client, id: string): Promise<{ piece: ShelfPiece; gone: string | null }> {
  if (!/^[0-9a-f-]{36}$/.test(id)) throw notFound('part on the shelf');
  // Locked alone, then read: a row that is joined while the lock is waited for may be of before.
  await client.query('SELECT 1 FROM shelf WHERE id = $1 FOR UPDATE', [id]);
  const { rows } = await client.query(`SELECT ${PIECE} FROM ${FROM} WHERE s.id = $1`, [id]);
  if (!rows[0]) throw notFound('part on the shelf');
  return { piece: toPiece(rows[0]), gone: rows[0].gone as string | null };
}

const change = validator({
  type: 'object',
  additionalProperties: false,
  properties: {
    /** Said by whoever was told that a quote that was sent counts on it. */
    anyway: { const: true },
    /** The job that takes it. */
    hold: { type: 'integer', minimum: 1, maximum: 999_999_999 },
    /** It lies on the shelf again. */
    putBack: { const: true },
    price: { type: 'integer', minimum: 0, maximum: MOST_MONEY },
    /** It is no longer there, and why. */
    gone: { type: 'string', minLength: 1, maxLength: 300 },
  },
});

/** One of them at a time. */
interface Change {
  hold?: number;
  putBack?: true;
  price?: number;
  gone?: string;
}

/** Takes a piece for a job, puts it back, prices it anew or takes it off the shelf. Throws a UserError 400, 404 or 409. */
export async function changePiece(
  client: Client,
  id: string,
  body: unknown,
  user: User,
): Promise<ShelfPiece> {
  const problems = problemsOf(change, body);
  const { anyway, ...asks } = (body ?? {}) as Change & { anyway?: true };
  if (problems.length || Object.keys(asks).length !== 1)
    throw new UserError(400, 'That cannot be done with a part.', 'Reload the page.', problems);
  const { piece, gone } = await pieceOf(client, id);
  if (gone !== null)
    throw new UserError(409, `${piece.name} is no longer on the shelf: ${gone}.`, 'Choose another part.');
  if (asks.hold === undefined && asks.price === undefined) await refuseCountedOn(client, piece, anyway);
  if (asks.hold !== undefined) await hold(client, piece, asks.hold);
  else if (asks.putBack)
    await client.query('UPDATE shelf SET held_by = NULL, held_at = NULL WHERE id = $1', [id]);
  else if (asks.price !== undefined)
    await client.query('UPDATE shelf SET price = $2 WHERE id = $1', [id, asks.price]);
  else
    await client.query('UPDATE shelf SET gone = $2, held_by = NULL, held_at = NULL WHERE id = $1', [
      id,
      asks.gone!,
    ]);
  await audit(client, user.name, 'shelf changed', { part: piece.name, ...asks });
  return (await pieceOf(client, id)).piece;
}

/**
 * Throws a UserError 409 for a piece that a customer's accepted quote is built on, and, until it is asked for `anyway`, for
 * one in a quote a customer has a link to.
 */
async function refuseCountedOn(
  client: Client,
  { id, name, heldBy }: ShelfPiece,
  anyway = false,
): Promise<void> {
  if (heldBy === null) return;
  const { rows } = await client.query<{ version: number; status: string }>(
    `SELECT q.version, q.status FROM quotes q JOIN jobs j ON j.id = q.job_id
     WHERE j.number = $1 AND NOT q.imported AND (q.status = 'accepted' OR q.status <> 'superseded' AND EXISTS (
       SELECT 1 FROM quote_links l WHERE l.quote_id = q.id AND l.revoked_at IS NULL AND l.expires_at > now()))
     AND EXISTS (SELECT 1 FROM jsonb_path_query(q.content, '$.options[*].lines[*].order.shelf') AS shelf WHERE shelf = to_jsonb($2::text))
     ORDER BY q.status = 'accepted' DESC, q.version DESC`,
    [heldBy, id],
  );
  const [first] = rows;
  if (first && first.status !== 'accepted' && !anyway)
    throw new UserError(
      409,
      `${name} is part of quote version ${first.version} for job ${heldBy}, and the customer has that quote.`,
      'If you take the part away, the customer cannot approve that version: make a new version, or call the customer.',
      [],
      'quoted',
    );
  if (first?.status === 'accepted')
    throw new UserError(
      409,
      `${name} is sold: the customer of job ${heldBy} has accepted a quote with it.`,
      'Make a new quote for that job first, without this part.',
    );
}

async function hold(client: Client, piece: ShelfPiece, number: number): Promise<void> {
  if (piece.heldBy === number) return;
  if (piece.heldBy !== null)
    throw new UserError(
      409,
      `${piece.name} is held for job ${piece.heldBy}.`,
      'Choose another part, or put it back on the shelf first.',
    );
  const job = await jobByNumber(client, number);
  if (job.unit.id !== piece.unit)
    throw new UserError(409, `${piece.name} fits another unit.`, 'Choose a part of the same unit.');
  await client.query('UPDATE shelf SET held_by = $2, held_at = now() WHERE id = $1', [piece.id, job.id]);
}

/**
 * Which of the pieces a job counts on are held for it no longer; the others are locked until the transaction ends,
 * unless they are only to be shown, so that what is there when a quote is made or accepted stays there.
 */
export async function lostPieces(
  client: Client,
  jobId: string,
  ids: readonly string[],
  lock = true,
): Promise<string[]> {
  if (ids.length === 0) return [];
  const { rows } = await client.query(
    `SELECT id FROM shelf WHERE held_by = $1 AND gone IS NULL ORDER BY id ${lock ? 'FOR UPDATE' : ''}`,
    [jobId],
  );
  const held = new Set(rows.map((r) => r.id as string));
  return ids.filter((id) => !held.has(id));
}

/** More cores no shop takes apart at once. */
const MOST_CORES = 30;

/** The open jobs of bare units whose origin is told, the newest first. */
export async function donorCores(client: Client): Promise<DonorCore[]> {
  const { rows } = await client.query(
    `SELECT j.number, (SELECT count(*)::int FROM shelf s WHERE s.from_job = j.id) AS shelved FROM jobs j
     WHERE NOT j.closed AND j.snapshot ? 'unit-source.from'
     ORDER BY j.number DESC LIMIT ${MOST_CORES}`,
  );
  const { terms } = await shopOf(client);
  const cores: DonorCore[] = [];
  const shelved = new Map(rows.map((row) => [row.number, row.shelved]));
  const jobs = await jobsByNumber(client, [...shelved.keys()]);
  for (const job of jobs.toReversed()) {
    if (!isDonor(job.state)) continue;
    const { water, parts } = donorOf(job.unit, job.state, terms.policies);
    cores.push({
      job: job.number,
      unitName: job.unit.name,
      origin: valueOf(job.state, 'unit-source.from')!,
      water,
      good: parts.filter((p) => p.grade !== null).length,
      shelved: shelved.get(job.number)!,
    });
  }
  return cores;
}
