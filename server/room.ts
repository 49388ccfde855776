import type { JobState, NewEntry } from '@/core/case';
import type { Client } from './db';

/**
 * What a job may hold: a record that one case file carries, and a state that every page of it reads in one go. The fullest
 * teardown there is fills a tenth of it.
 */
export const MOST_ENTRIES = 50_000;
const MOST_BYTES = 24 * 1024 * 1024;
const MOST_SLOTS = 6_000;
/** Of one list: photos, repairs, codes, order lines. */
const MOST_SIBLINGS = 500;

/** Room in a job's record; each write that is let in takes some of it. */
export interface Room {
  /** Why a write does not fit any more; null when it does, and is counted. */
  refuse(entry: Pick<NewEntry, 'slot' | 'value'>): string | null;
  /** What was let in weighs, bytes. */
  taken(): number;
}

export function roomIn(job: { lastSeq: number; state: JobState; recordBytes: number }): Room {
  const slots = new Set(Object.keys(job.state));
  const siblings = new Map<string, number>();
  for (const slot of slots) count(siblings, slot, 1);
  let [entries, taken] = [job.lastSeq, 0];
  return {
    refuse({ slot, value }) {
      const size = weightOf({ slot, value });
      if (entries + 1 > MOST_ENTRIES)
        return `A job’s record holds at most ${MOST_ENTRIES} entries. Close this job and go on in a new one.`;
      if (job.recordBytes + taken + size > MOST_BYTES)
        return `A job’s record holds at most ${MOST_BYTES / 2 ** 20} MB. Close this job and go on in a new one.`;
      if (value !== null && !slots.has(slot)) {
        if (slots.size >= MOST_SLOTS)
          return `A job holds at most ${MOST_SLOTS} findings. Clear what is not needed.`;
        if ((siblings.get(listOf(slot)) ?? 0) >= MOST_SIBLINGS)
          return `A job holds at most ${MOST_SIBLINGS} of these. Clear what is not needed.`;
      }
      if (value === null && slots.delete(slot)) count(siblings, slot, -1);
      else if (value !== null && !slots.has(slot)) {
        slots.add(slot);
        count(siblings, slot, 1);
      }
      entries++;
      taken += size;
      return null;
    },
    taken: () => taken,
  };
}

/** Notes what was let in, under the job's row lock. */
export async function takeRoom(client: Client, jobId: string, room: Room): Promise<void> {
  await client.query('UPDATE jobs SET record_bytes = record_bytes + $2 WHERE id = $1', [jobId, room.taken()]);
}

const weightOf = ({ slot, value }: Pick<NewEntry, 'slot' | 'value'>) =>
  Buffer.byteLength(JSON.stringify(value)) + slot.length;

/** A slot without its last part: `photo.7f3a` is one of `photo`. */
const listOf = (slot: string) => slot.slice(0, Math.max(0, slot.lastIndexOf('.')));

function count(siblings: Map<string, number>, slot: string, by: number): void {
  siblings.set(listOf(slot), (siblings.get(listOf(slot)) ?? 0) + by);
}
