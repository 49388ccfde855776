import { randomUUID } from 'node:crypto';
import {
  EMPTY_STATE,
  fold,
  FOLD_VERSION,
  stageReached,
  summaryOf,
  upgradeEntries,
  valueOf,
} from '@/core/case';
import type { Entry, JobState, Quoted } from '@/core/case';
import type { Stage } from '@/core/stage';
import { isConfirmed } from '@/core/diagnosis';
import type { QuoteOption } from '@/core/quote';
import type { UnitDefinition, UnitKey } from '@/core/unit';
import { audit } from './audit';
import type { Client } from './db';
import { diagnoseJob } from './experience';
import { stageOf } from './library';
import { notFound } from './problem';
import { newestUnit, unitOf, unitsOf } from './units';
import type { User } from './users';

export interface Job {
  id: string;
  number: number;
  /** In the version the job began with. */
  unit: UnitDefinition;
  unitVersion: number;
  lastSeq: number;
  state: JobState;
  stage: Stage;
  quoted: Quoted | null;
  closed: boolean;
  /** What its record weighs. */
  recordBytes: number;
}

export async function createJob(client: Client, unitId: string, by: string): Promise<Job> {
  const key = await newestUnit(client, unitId);
  const { rows } = await client.query(
    `INSERT INTO jobs (id, unit_id, unit_version, fold_version, stage, summary, created_by, search)
     VALUES ($1, $2, $3, $4, 'intake', $5, $6, '') RETURNING id, number`,
    [randomUUID(), key.id, key.version, FOLD_VERSION, JSON.stringify(summaryOf(EMPTY_STATE)), by],
  );
  const job: Job = {
    id: rows[0].id,
    number: rows[0].number,
    unit: await unitOf(client, key),
    unitVersion: key.version,
    lastSeq: 0,
    state: EMPTY_STATE,
    stage: 'intake',
    quoted: null,
    closed: false,
    recordBytes: 0,
  };
  // The number is the database's to give: only now are there words to find the job by.
  await client.query('UPDATE jobs SET search = $2 WHERE id = $1', [job.id, searchOf(job, job.state)]);
  return job;
}

/**
 * A job by number, with `lock` under its row lock. A snapshot of another fold version is folded anew from the entries.
 * Throws a UserError 404.
 */
export async function jobByNumber(client: Client, number: number, lock = false): Promise<Job> {
  const known = Number.isSafeInteger(number) && number < 2 ** 31 ? number : -1;
  const { rows } = await client.query(`${JOBS} WHERE number = $1 ${lock ? 'FOR UPDATE' : ''}`, [known]);
  if (!rows[0]) throw notFound('job');
  return (await jobsOf(client, rows))[0]!;
}

/** Several jobs at one visit, in the order of their numbers; those that are not there are left out. */
export async function jobsByNumber(client: Client, numbers: readonly number[]): Promise<Job[]> {
  const { rows } = await client.query(`${JOBS} WHERE number = ANY($1) ORDER BY number`, [numbers]);
  return jobsOf(client, rows);
}

const JOBS = `SELECT id, number, unit_id, unit_version, last_seq, snapshot, fold_version, stage, quoted, closed, record_bytes FROM jobs`;

interface JobRow {
  id: string;
  number: number;
  unit_id: string;
  unit_version: number;
  last_seq: number;
  snapshot: JobState;
  fold_version: number;
  stage: Stage;
  quoted: Quoted | null;
  closed: boolean;
  record_bytes: string;
}

async function jobsOf(client: Client, rows: readonly JobRow[]): Promise<Job[]> {
  const units = await unitsOf(
    client,
    rows.map((row) => ({ id: row.unit_id, version: row.unit_version })),
  );
  const jobs: Job[] = [];
  for (const [k, row] of rows.entries()) jobs.push(await jobOf(client, row, units[k]!));
  return jobs;
}

async function jobOf(client: Client, row: JobRow, unit: UnitDefinition): Promise<Job> {
  return {
    id: row.id,
    number: row.number,
    unit,
    unitVersion: row.unit_version,
    lastSeq: row.last_seq,
    state:
      row.fold_version === FOLD_VERSION
        ? row.snapshot
        : fold(EMPTY_STATE, await entriesOf(client, { id: row.id, unit })),
    stage: row.stage,
    quoted: row.quoted,
    closed: row.closed,
    recordBytes: Number(row.record_bytes),
  };
}

/** How far a job's record has come, without reading it: what a page asks that only listens. Throws a UserError 404. */
export async function markOf(
  client: Client,
  number: number,
): Promise<{ id: string; unit: UnitKey; lastSeq: number; stage: Stage }> {
  const { rows } = await client.query(
    'SELECT id, unit_id, unit_version, last_seq, stage FROM jobs WHERE number = $1',
    [number],
  );
  if (!rows[0]) throw notFound('job');
  const { id, unit_id, unit_version, last_seq, stage } = rows[0];
  return { id, unit: { id: unit_id, version: unit_version }, lastSeq: last_seq, stage };
}

/** A job's entries after a sequence number, in order, as this version writes them; of those stored at most `most`. */
export async function entriesOf(
  client: Client,
  job: Pick<Job, 'id' | 'unit'>,
  after = 0,
  most: number | null = null,
): Promise<Entry[]> {
  const { rows } = await client.query(
    `SELECT id, seq, by_name, at, slot, value, source, seen FROM entries
     WHERE job_id = $1 AND seq > $2 ORDER BY seq LIMIT $3`,
    [job.id, after, most],
  );
  return upgradeEntries(rows.map(toEntry), job.unit);
}

interface EntryRow extends Omit<Entry, 'by' | 'at' | 'source' | 'seen'> {
  by_name: string;
  at: Date;
  source: Entry['source'] | null;
  seen: number | null;
}

function toEntry(row: EntryRow): Entry {
  const { id, seq, by_name: by, at, slot, value, source, seen } = row;
  return {
    id,
    seq,
    by,
    at: at.toISOString(),
    slot,
    value,
    ...(source ? { source } : {}),
    ...(seen === null ? {} : { seen }),
  };
}

/** Stores a new state with what the board shows of it. The caller holds the job's row lock. */
export async function saveState(
  client: Client,
  job: Pick<Job, 'id' | 'number' | 'unit'>,
  state: JobState,
  lastSeq: number,
): Promise<void> {
  await client.query(
    `UPDATE jobs SET snapshot = $2, fold_version = $3, last_seq = $4, summary = $5, search = $6, stage = $7, updated_at = now() WHERE id = $1`,
    [
      job.id,
      JSON.stringify(state),
      FOLD_VERSION,
      lastSeq,
      JSON.stringify(summaryOf(state)),
      searchOf(job, state),
      await reached(client, job, state),
    ],
  );
}

/** The words a job is found by. */
function searchOf(job: Pick<Job, 'number' | 'unit'>, state: JobState): string {
  const { customer, vehicle, complaint } = summaryOf(state);
  const plate = state['vehicle.plate']?.value ?? '';
  return [customer, vehicle, complaint, job.unit.name, plate, job.number].join(' ').toLowerCase();
}

async function reached(client: Client, job: Pick<Job, 'id' | 'unit'>, state: JobState): Promise<Stage> {
  const { rows } = await client.query(
    `SELECT bool_or(q.status = 'accepted' AND a.option <> 'no-repair') AS accepted, count(*)::int AS n
     FROM quotes q LEFT JOIN quote_answers a ON a.quote_id = q.id AND a.kind = 'accept'
     WHERE q.job_id = $1 AND NOT q.imported`,
    [job.id],
  );
  const quote = rows[0].accepted ? 'accepted' : rows[0].n > 0 ? 'open' : 'none';
  return stageReached(state, job.unit.stations, quote, stageOf);
}

/** Works stage and money out anew after a quote was made or answered. The caller holds the job's row lock. */
export async function refreshStage(client: Client, job: Pick<Job, 'id' | 'unit' | 'state'>): Promise<void> {
  const { rows } = await client.query(
    `SELECT q.status = 'accepted' AS accepted, q.content -> 'options' AS options, q.content -> 'recommended' AS recommended, a.option
     FROM quotes q LEFT JOIN quote_answers a ON a.quote_id = q.id AND a.kind = 'accept'
     WHERE q.job_id = $1 AND q.status <> 'superseded' AND NOT q.imported
     ORDER BY (q.status = 'accepted') DESC, q.version DESC LIMIT 1`,
    [job.id],
  );
  await client.query('UPDATE jobs SET stage = $2, quoted = $3, updated_at = now() WHERE id = $1', [
    job.id,
    await reached(client, job, job.state),
    rows[0] ? JSON.stringify(quotedOf(rows[0])) : null,
  ]);
}

function quotedOf(row: {
  accepted: boolean;
  options: (Pick<QuoteOption, 'id' | 'total'> & Partial<Pick<QuoteOption, 'ready' | 'inner'>>)[];
  recommended: { option: string } | null;
  option: string | null;
}): Quoted | null {
  if (!Array.isArray(row.options)) return null;
  const by = (id: string | undefined | null) => row.options.find((o) => o.id === id);
  const option = by(row.option) ?? by(row.recommended?.option) ?? row.options[0];
  if (!option) return null;
  return {
    total: option.total,
    accepted: row.accepted,
    readyAt: option.ready?.at ?? null,
    hours: option.inner?.hoursLeft ?? null,
  };
}

/** Closes a job or opens it again. Closed jobs leave the board and are found by asking for them. */
export async function setClosed(
  client: Client,
  number: number,
  closed: boolean,
  user: User,
  reason = '',
): Promise<void> {
  const job = await jobByNumber(client, number, true);
  if (job.closed === closed) return;
  const commit = valueOf(job.state, 'cause.commit');
  const confirmed = closed && commit && isConfirmed(job.state, await diagnoseJob(client, job));
  await client.query(
    `UPDATE jobs SET closed = $2, closed_at = CASE WHEN $2 THEN now() END, updated_at = now(), confirmed_cause = $3,
       reopened_at = CASE WHEN NOT $2 THEN reopened_at END
     WHERE id = $1`,
    [job.id, closed, confirmed ? commit.cause : null],
  );
  await audit(client, user.name, closed ? 'job closed' : 'job reopened', {
    job: number,
    ...(reason ? { reason } : {}),
  });
}

/**
 * Takes the customer out of a job for good: name, telephone and plate out of its record, quotes and answers. What was
 * found and done stays, numbered as it was. Throws a UserError 404.
 */
export async function eraseCustomer(client: Client, number: number, user: User): Promise<void> {
  const job = await jobByNumber(client, number, true);
  await client.query('SELECT erase_customer($1)', [job.id]);
  const entries = await entriesOf(client, job);
  await saveState(client, job, fold(EMPTY_STATE, entries), job.lastSeq);
  await audit(client, user.name, 'customer erased', { job: number });
}

/** How many entries of a job stood when the present generation began: what came after them no older device can know. */
export async function keptEntries(client: Client, jobId: string): Promise<number> {
  const { rows } = await client.query(
    'SELECT count(*)::int AS kept FROM entries e, generation g WHERE e.job_id = $1 AND e.at <= g.since',
    [jobId],
  );
  return rows[0].kept;
}
