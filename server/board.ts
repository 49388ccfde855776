import { STAGES } from '@/core/stage';
import type { BoardCard, BoardColumn, JobSummary } from '@/core/case';
import type { Stage } from '@/core/stage';
import { validator } from '@/core/validation';
import type { Client } from './db';

/** What the board is asked for. */
export interface BoardQuery {
  /** Must all occur in the job. */
  words?: string[];
  /** What the job waits for. */
  waitsFor?: string;
  /** Promised for today or earlier, and not done. */
  due?: boolean;
  closed?: boolean;
  /** One column only, from this card on. */
  stage?: Stage;
  from?: number;
  /** YYYY-MM-DD. */
  today: string;
}

/** Cards of a column shown at once. */
const COLUMN = 15;
const MOST_FROM = 100_000;

/** The columns of the board, the newest change first: so many cards of each, and how many there are in all. */
export async function board(client: Client, query: BoardQuery): Promise<BoardColumn[]> {
  const patterns = (query.words ?? []).map((w) => `%${w.toLowerCase().replace(/[\\%_]/g, '\\$&')}%`);
  const stages = query.stage ? [query.stage] : STAGES;
  const filter = `j.closed = $1 AND j.search LIKE ALL ($2::text[])
    AND ($3::text IS NULL OR j.summary ->> 'waitsFor' = $3)
    AND ($4::text IS NULL OR (j.summary ->> 'promised' <= $4 AND j.stage <> 'release'))`;
  const given = [query.closed ?? false, patterns, query.waitsFor ?? null, query.due ? query.today : null];
  const counts = await client.query(
    `SELECT j.stage, count(*)::int AS n FROM jobs j WHERE ${filter} GROUP BY j.stage`,
    given,
  );
  const { rows } = await client.query(
    `SELECT s.stage, j.* FROM unnest($5::text[]) AS s (stage), LATERAL (
       SELECT j.number, j.closed, j.summary, j.quoted, j.updated_at, j.reopened_at, j.unit_id, j.unit_version FROM jobs j
       WHERE ${filter} AND j.stage = s.stage ORDER BY j.updated_at DESC LIMIT ${COLUMN} OFFSET $6) AS c
     JOIN LATERAL (SELECT c.number, c.closed, c.summary, c.quoted, c.updated_at, c.reopened_at, u.name AS unit, u.stations
       FROM units u WHERE u.id = c.unit_id AND u.version = c.unit_version) AS j ON true
     ORDER BY j.updated_at DESC`,
    [...given, stages, Math.min(query.from ?? 0, MOST_FROM)],
  );
  const total = new Map(counts.rows.map((r) => [r.stage, r.n as number]));
  return stages.map((stage) => ({
    stage,
    total: total.get(stage) ?? 0,
    cards: rows.filter((r) => r.stage === stage).map(toCard),
  }));
}

/** Jobs promised for today, and for earlier, that are not done. */
export async function dueOn(client: Client, today: string): Promise<{ today: number; late: number }> {
  const { rows } = await client.query(
    `SELECT count(*) FILTER (WHERE summary ->> 'promised' = $1)::int AS today,
            count(*) FILTER (WHERE summary ->> 'promised' < $1)::int AS late
     FROM jobs WHERE NOT closed AND stage <> 'release' AND summary ->> 'promised' <= $1`,
    [today],
  );
  return rows[0];
}

const readable = validator<JobSummary>({
  type: 'object',
  required: ['customer', 'vehicle', 'complaint', 'promised', 'waitsFor', 'stationsOut'],
  properties: {
    customer: { type: 'string' },
    vehicle: { type: 'string' },
    complaint: { type: 'string' },
    promised: { type: ['string', 'null'] },
    waitsFor: { type: ['string', 'null'] },
    stationsOut: { type: 'integer' },
  },
});

const UNREADABLE: JobSummary = {
  customer: '',
  vehicle: 'This card cannot be read',
  complaint: 'Open the job; its record is what counts.',
  promised: null,
  waitsFor: null,
  stationsOut: 0,
};

/** Of jobs that were priced before dates were kept with the money. */
const NOT_SAID = { readyAt: null, hours: null };

/** One bad row is shown as such and spoils nothing for the others. */
function toCard(row: Record<string, unknown> & { stage: Stage; updated_at: Date }): BoardCard {
  const quoted = row.quoted as BoardCard['quoted'];
  return {
    number: row.number as number,
    unit: row.unit as string,
    stage: row.stage,
    summary: readable()(row.summary) ? row.summary : UNREADABLE,
    stations: row.stations as number,
    quoted: Number.isSafeInteger(quoted?.total) ? { ...NOT_SAID, ...quoted! } : null,
    closed: row.closed as boolean,
    reopened: row.reopened_at !== null,
    updatedAt: row.updated_at.toISOString(),
  };
}
