import { randomUUID } from 'node:crypto';
import { EMPTY_STATE, fold, FOLD_VERSION, stageReached, summaryOf } from '@/core/case';
import type { BoardCard, Entry, JobState, Quoted, Stage } from '@/core/case';
import type { Client } from './db';
import type { UnitDefinition } from '@/core/unit';
import { notFound } from './problem';
import { newestUnit, unitOf } from './units';

export interface Job {
  id: string;
  number: number;
  /** In the version the job began with. */
  unit: UnitDefinition;
  lastSeq: number;
  state: JobState;
  stage: Stage;
  quoted: Quoted | null;
}

export async function createJob(client: Client, unitId: string, by: string): Promise<Job> {
  const key = await newestUnit(client, unitId);
  const { rows } = await client.query(
    `INSERT INTO jobs (id, unit_id, unit_version, fold_version, stage, summary, created_by)
     VALUES ($1, $2, $3, $4, 'intake', $5, $6) RETURNING id, number`,
    [randomUUID(), key.id, key.version, FOLD_VERSION, JSON.stringify(summaryOf(EMPTY_STATE)), by],
  );
  return {
    id: rows[0].id,
    number: rows[0].number,
    unit: await unitOf(client, key),
    lastSeq: 0,
    state: EMPTY_STATE,
    stage: 'intake',
    quoted: null,
  };
}

/** A job by number. A snapshot of another fold version is folded anew from the entries. Throws a UserError 404. */
export async function jobByNumber(client: Client, number: number): Promise<Job> {
  const { rows } = await client.query(
    `SELECT j.id, j.number, j.unit_id, j.unit_version, j.last_seq, j.snapshot, j.fold_version, j.stage, ${QUOTED} AS quoted
     FROM jobs j WHERE j.number = $1`,
    [Number.isSafeInteger(number) && number < 2 ** 31 ? number : -1],
  );
  const row = rows[0];
  if (!row) throw notFound('job');
  return {
    id: row.id,
    number: row.number,
    unit: await unitOf(client, { id: row.unit_id, version: row.unit_version }),
    lastSeq: row.last_seq,
    state:
      row.fold_version === FOLD_VERSION ? row.snapshot : fold(EMPTY_STATE, await entriesOf(client, row.id)),
    stage: row.stage,
    quoted: row.quoted,
  };
}

export async function entriesOf(client: Client, jobId: string, after = 0): Promise<Entry[]> {
  const { rows } = await client.query(
    'SELECT id, seq, by_name, at, slot, value FROM entries WHERE job_id = $1 AND seq > $2 ORDER BY seq',
    [jobId, after],
  );
  return rows.map(toEntry);
}

interface EntryRow extends Omit<Entry, 'by' | 'at'> {
  by_name: string;
  at: Date;
}

/** An entry from its row. */
export function toEntry(row: EntryRow): Entry {
  const { id, seq, by_name: by, at, slot, value } = row;
  return { id, seq, by, at: at.toISOString(), slot, value };
}

/** Stores a new state with what the board shows of it. The caller holds the job's row lock. */
export async function saveState(
  client: Client,
  jobId: string,
  unit: UnitDefinition,
  state: JobState,
  lastSeq: number,
): Promise<void> {
  const summary = summaryOf(state);
  const search = [
    summary.customer,
    summary.vehicle,
    summary.complaint,
    unit.name,
    state['vehicle.plate']?.value ?? '',
  ]
    .join(' ')
    .toLowerCase();
  await client.query(
    `UPDATE jobs SET snapshot = $2, fold_version = $3, last_seq = $4, summary = $5, search = $6, stage = $7, updated_at = now() WHERE id = $1`,
    [
      jobId,
      JSON.stringify(state),
      FOLD_VERSION,
      lastSeq,
      JSON.stringify(summary),
      search,
      await reached(client, jobId, unit, state),
    ],
  );
}

async function reached(client: Client, jobId: string, unit: UnitDefinition, state: JobState): Promise<Stage> {
  const { rows } = await client.query(
    `SELECT bool_or(status = 'accepted') AS accepted, count(*)::int AS n FROM quotes WHERE job_id = $1`,
    [jobId],
  );
  const quote = rows[0].accepted ? 'accepted' : rows[0].n > 0 ? 'open' : 'none';
  return stageReached(state, unit.stations.length, quote);
}

/** Works the stage out anew after a quote was made or answered. */
export async function refreshStage(client: Client, jobId: string): Promise<void> {
  const { rows } = await client.query(
    'SELECT unit_id, unit_version, snapshot FROM jobs WHERE id = $1 FOR UPDATE',
    [jobId],
  );
  const unit = await unitOf(client, { id: rows[0].unit_id, version: rows[0].unit_version });
  const stage = await reached(client, jobId, unit, rows[0].snapshot);
  await client.query('UPDATE jobs SET stage = $2, updated_at = now() WHERE id = $1', [jobId, stage]);
}

/** The quote that counts of the job `j`: the accepted one, else the newest. */
const QUOTED = `(
  SELECT json_build_object('accepted', q.status = 'accepted', 'total', (
    SELECT (o ->> 'total')::bigint FROM jsonb_array_elements(q.content -> 'options') WITH ORDINALITY AS t (o, n)
    WHERE n = 1 OR o ->> 'id' = a.option ORDER BY (o ->> 'id' = a.option) DESC NULLS LAST LIMIT 1))
  FROM quotes q LEFT JOIN quote_answers a ON a.quote_id = q.id AND a.kind = 'accept'
  WHERE q.job_id = j.id AND q.status <> 'superseded'
  ORDER BY (q.status = 'accepted') DESC, q.version DESC LIMIT 1)`;

/** Open jobs, the newest change first; `words` must all occur in the job. */
export async function board(client: Client, words: string[] = [], limit = 200): Promise<BoardCard[]> {
  const patterns = words.map((w) => `%${w.toLowerCase().replace(/[\\%_]/g, '\\$&')}%`);
  const { rows } = await client.query(
    `SELECT j.number, u.name AS unit, u.stations, j.stage, j.summary, j.updated_at, ${QUOTED} AS quoted
     FROM jobs j JOIN units u ON u.id = j.unit_id AND u.version = j.unit_version
     WHERE NOT j.closed AND (j.search || ' ' || j.number) LIKE ALL ($1::text[])
     ORDER BY j.updated_at DESC LIMIT $2`,
    [patterns, limit],
  );
  return rows.map((r) => ({
    number: r.number,
    unit: r.unit,
    stage: r.stage,
    summary: r.summary,
    stations: r.stations,
    quoted: r.quoted,
    updatedAt: r.updated_at.toISOString(),
  }));
}
