import { fold, upgradeEntries } from '@/core/case';
import type { Entry, NewEntry } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { checkSlot, outOfBounds } from '@/core/validation';
import type { Client } from './db';
import { entriesOf, jobByNumber, saveState } from './jobs';
import { inspect } from './library';
import { mayWrite } from './permissions';
import { UserError } from './problem';
import { roomIn, takeRoom } from './room';
import type { User } from './users';

/** Entries of one answer; what is beyond is fetched with the next question. */
const MOST_ANSWERED = 1000;
const MOST_SENT = 500;
const MOST_SEQ = 2 ** 31 - 1;

/** What a client sends: its writes, and how far it knows the job's record. */
export interface Batch {
  entries: NewEntry[];
  after: number;
}

export interface Refused {
  id: string;
  slot: string;
  message: string;
}

/** Reads a batch as a client sent it. Throws a UserError 400 that says which entry is not one. */
export function readBatch(body: unknown): Batch {
  const wrong = (pointer: string, message: string) =>
    new UserError(400, 'These entries cannot be read.', 'Reload the page; what you typed is kept.', [
      { pointer, message, remedy: 'Send {"entries": [{"id", "slot", "value"}], "after"}.' },
    ]);
  const { entries, after = 0 } = (body ?? {}) as { entries?: unknown; after?: unknown };
  if (!Array.isArray(entries) || entries.length < 1 || entries.length > MOST_SENT)
    throw wrong('/entries', `must be a list of 1 to ${MOST_SENT}`);
  if (!isCount(after)) throw wrong('/after', 'must be a whole number');
  entries.forEach((entry, k) => {
    const what = whyNoEntry(entry);
    if (what) throw wrong(`/entries/${k}`, what);
  });
  return { entries, after };
}

const isCount = (value: unknown): value is number =>
  typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= MOST_SEQ;

/** Checked by hand: the cost is bounded whatever is sent, and the value is looked at once, by its slot's own schema. */
function whyNoEntry(entry: unknown): string | null {
  if (typeof entry !== 'object' || entry === null || Array.isArray(entry)) return 'must be an object';
  const { id, slot, value, seen, ...rest } = entry as Record<string, unknown>;
  if (typeof id !== 'string' || !/^[\w-]{8,64}$/.test(id))
    return 'needs an id of 8 to 64 letters, digits or hyphens';
  if (typeof slot !== 'string' || slot.length < 1 || slot.length > 200)
    return 'needs a slot of 1 to 200 characters';
  if (value === undefined) return 'needs a value; null clears the slot';
  if (seen !== undefined && !isCount(seen)) return 'has a "seen" that is no whole number';
  return Object.keys(rest).length
    ? `has a "${Object.keys(rest)[0]!.slice(0, 40)}" that is not known here`
    : null;
}

/**
 * Appends writes to a job, in order, under its row lock. An id the job already has is skipped, so sending twice is
 * harmless. A write that cannot stand is refused by itself and named; the others are kept. The answer holds everything
 * the client did not know yet, its own entries and those of others in between.
 */
export async function appendEntries(
  client: Client,
  jobNumber: number,
  user: User,
  batch: NewEntry[],
  after?: number,
): Promise<{ entries: Entry[]; refused: Refused[]; lastSeq: number }> {
  const job = await jobByNumber(client, jobNumber, true);
  const known = await client.query('SELECT id FROM entries WHERE job_id = $1 AND id = ANY ($2)', [
    job.id,
    batch.map((e) => e.id),
  ]);
  const seen = new Set(known.rows.map((r) => r.id));
  const refused: Refused[] = [];
  const room = roomIn(job);
  const fresh = batch.filter((entry) => {
    if (seen.has(entry.id)) return false;
    seen.add(entry.id);
    // A device that has been away may still write as the version before did.
    const message = upgradeEntries([entry], job.unit).flatMap(
      (e) => whyNot(user, job.unit, e) ?? room.refuse(e) ?? [],
    )[0];
    if (message) refused.push({ id: entry.id, slot: entry.slot.slice(0, 200), message });
    return !message;
  });
  const written = upgradeEntries(fresh, job.unit);
  await insertEntries(
    client,
    job.id,
    user,
    written.map((e, k) => ({ ...e, seq: job.lastSeq + k + 1 })),
  );
  const lastSeq = job.lastSeq + written.length;
  if (written.length) await takeRoom(client, job.id, room);
  if (written.length)
    await saveState(client, job, fold(job.state, await entriesOf(client, job, job.lastSeq)), lastSeq);
  const from = Math.min(after ?? job.lastSeq, lastSeq);
  return { entries: await entriesOf(client, job, from, MOST_ANSWERED), refused, lastSeq };
}

function whyNot(user: User, unit: UnitDefinition, entry: NewEntry): string | null {
  if (!mayWrite(user.role, entry.slot))
    return `A ${user.role} may not write findings: ask the technician or the owner.`;
  const name = outOfBounds(entry.slot, { values: 1, depth: 1, text: 200 });
  const [problem] = name ? [name] : checkSlot(inspect(unit), entry.slot, entry.value);
  if (!problem) return null;
  const message = `${problem.pointer ? `${problem.pointer}: ` : ''}${problem.message}`;
  return `${message.charAt(0).toUpperCase()}${message.slice(1)}. ${problem.remedy}`;
}

/** An entry with its place in the job's order. */
export type Numbered = NewEntry & Pick<Entry, 'seq' | 'source'> & { at?: string };

/** Writes numbered entries in one statement; the writer is who is signed in. */
export async function insertEntries(
  client: Client,
  jobId: string,
  by: User,
  entries: readonly Numbered[],
): Promise<void> {
  if (entries.length === 0) return;
  await client.query(
    `INSERT INTO entries (job_id, seq, id, by_name, by_user, at, slot, value, source, seen)
     SELECT $1, t.seq, t.id, $2, $3, COALESCE(t.at, now()), t.slot, t.value, t.source, t.seen
     FROM unnest($4::int[], $5::text[], $6::timestamptz[], $7::text[], $8::jsonb[], $9::jsonb[], $10::int[])
       AS t (seq, id, at, slot, value, source, seen)`,
    [
      jobId,
      by.name,
      by.id,
      entries.map((e) => e.seq),
      entries.map((e) => e.id),
      entries.map((e) => e.at ?? null),
      entries.map((e) => e.slot),
      entries.map((e) => JSON.stringify(e.value)),
      entries.map((e) => (e.source ? JSON.stringify(e.source) : null)),
      // A client that claims to have seen what is not there yet has seen nothing newer than its own entry.
      entries.map((e) => (e.seen === undefined ? null : Math.min(e.seen, e.seq - 1))),
    ],
  );
}
