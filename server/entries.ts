import { EMPTY_STATE, fold, FOLD_VERSION } from '@/core/case';
import type { Entry, JobState, NewEntry } from '@/core/case';
import { ajv, checkSlot, problemsOf } from '@/core/validation';
import type { Client } from './db';
import { entriesOf, saveState, toEntry } from './jobs';
import { mayWrite } from './permissions';
import { notFound, UserError } from './problem';
import type { User } from './users';
import { unitOf } from './units';

const batchSchema = ajv.compile({
  type: 'object',
  additionalProperties: false,
  required: ['entries'],
  properties: {
    entries: {
      type: 'array',
      minItems: 1,
      maxItems: 500,
      items: {
        type: 'object',
        additionalProperties: false,
        required: ['id', 'slot', 'value'],
        properties: {
          id: { type: 'string', pattern: '^[\\w-]{8,64}$' },
          slot: { type: 'string', minLength: 1, maxLength: 200 },
          value: {},
        },
      },
    },
  },
});

/** Reads a batch of writes as a client sent it. Throws a UserError 400 with every problem. */
export function readBatch(body: unknown): NewEntry[] {
  const shape = problemsOf(batchSchema, body);
  if (shape.length) throw new UserError(400, 'These entries cannot be read.', shape[0]!.remedy, shape);
  return (body as { entries: NewEntry[] }).entries;
}

export interface Refused {
  id: string;
  slot: string;
  message: string;
}

/**
 * Appends writes to a job, in order, under its row lock. An id the job already has is skipped, so sending twice is
 * harmless. A write that cannot stand is refused by itself and named; the others are kept.
 */
export async function appendEntries(
  client: Client,
  jobNumber: number,
  user: User,
  batch: NewEntry[],
): Promise<{ entries: Entry[]; refused: Refused[]; lastSeq: number }> {
  const { rows } = await client.query(
    'SELECT id, unit_id, unit_version, last_seq, snapshot, fold_version FROM jobs WHERE number = $1 FOR UPDATE',
    [jobNumber],
  );
  const job = rows[0];
  if (!job) throw notFound('job');
  const known = await client.query('SELECT id FROM entries WHERE job_id = $1 AND id = ANY ($2)', [
    job.id,
    batch.map((e) => e.id),
  ]);
  const seen = new Set(known.rows.map((r) => r.id));
  const refused: Refused[] = [];
  const fresh = batch.filter((entry) => {
    if (seen.has(entry.id)) return false;
    seen.add(entry.id);
    const message = whyNot(user, entry);
    if (message) refused.push({ id: entry.id, slot: entry.slot, message });
    return !message;
  });
  const before: JobState =
    job.fold_version === FOLD_VERSION ? job.snapshot : fold(EMPTY_STATE, await entriesOf(client, job.id));
  const entries = await insert(client, job.id, job.last_seq, user.name, fresh);
  if (entries.length) {
    const unit = await unitOf(client, { id: job.unit_id, version: job.unit_version });
    await saveState(client, job.id, unit, fold(before, entries), entries.at(-1)!.seq);
  }
  return { entries, refused, lastSeq: entries.at(-1)?.seq ?? job.last_seq };
}

function whyNot(user: User, entry: NewEntry): string | null {
  if (!mayWrite(user.role, entry.slot))
    return `A ${user.role} may not write findings: ask the technician or the owner.`;
  const [problem] = checkSlot(entry.slot, entry.value);
  return problem ? `${problem.message}. ${problem.remedy}` : null;
}

async function insert(
  client: Client,
  jobId: string,
  lastSeq: number,
  by: string,
  fresh: NewEntry[],
): Promise<Entry[]> {
  if (fresh.length === 0) return [];
  const { rows } = await client.query(
    `INSERT INTO entries (job_id, seq, id, by_name, slot, value)
     SELECT $1, $2 + n, id, $3, slot, value FROM unnest($4::text[], $5::text[], $6::jsonb[]) WITH ORDINALITY AS t (id, slot, value, n)
     RETURNING id, seq, by_name, at, slot, value`,
    [
      jobId,
      lastSeq,
      by,
      fresh.map((e) => e.id),
      fresh.map((e) => e.slot),
      fresh.map((e) => JSON.stringify(e.value)),
    ],
  );
  return rows.map(toEntry);
}
