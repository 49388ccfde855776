import equal from 'fast-deep-equal';
import type { Entry, Json, Source } from './entry';
import type { ValueAt, ValueBelow } from './slots';

/** Raise when the fold's meaning changes: stored snapshots of other versions are folded anew. */
export const FOLD_VERSION = 3;

export interface SlotState {
  value: Json;
  seq: number;
  by: string;
  at: string;
  source?: Source;
}

/** A job's state: the last write of every slot that is not cleared. */
export type JobState = Readonly<Record<string, SlotState>>;

export const EMPTY_STATE: JobState = Object.freeze({});

/**
 * A state that entries may still reach in any order: it remembers when a slot was cleared, and up to where nothing is
 * missing.
 */
export interface JobRecord {
  readonly state: JobState;
  /** Every entry up to this sequence number is in. */
  readonly lastSeq: number;
  /** Slot → sequence number of the write that cleared it, for those after the record was begun. */
  readonly cleared: Readonly<Record<string, number>>;
  /** Entries beyond a gap that are in already. */
  readonly ahead: readonly number[];
}

/** A record from a snapshot that holds everything up to `lastSeq`. */
export function recordOf(state: JobState, lastSeq: number): JobRecord {
  return { state, lastSeq, cleared: {}, ahead: [] };
}

/**
 * Takes entries into a record, in any order and with repeats: per slot the highest sequence number wins, whether it
 * wrote or cleared; what the record holds already changes nothing.
 */
export function takeIn(record: JobRecord, entries: readonly Entry[]): JobRecord {
  const known = new Set(record.ahead);
  const news = entries.filter((e) => e.seq > record.lastSeq && !known.has(e.seq));
  if (news.length === 0) return record;
  const state: Record<string, SlotState> = { ...record.state };
  const cleared: Record<string, number> = { ...record.cleared };
  for (const { slot, value, seq, by, at, source } of news) {
    known.add(seq);
    if (seq <= Math.max(state[slot]?.seq ?? 0, cleared[slot] ?? 0)) continue;
    if (value === null) {
      delete state[slot];
      cleared[slot] = seq;
    } else {
      state[slot] = { value, seq, by, at, ...(source ? { source } : {}) };
      delete cleared[slot];
    }
  }
  let lastSeq = record.lastSeq;
  while (known.delete(lastSeq + 1)) lastSeq++;
  return { state, lastSeq, cleared, ahead: [...known].filter((seq) => seq > lastSeq) };
}

/** Folds entries, in any order and with repeats, onto a state that holds none of them. */
export function fold(state: JobState, entries: readonly Entry[]): JobState {
  return takeIn(recordOf(state, 0), entries).state;
}

/** A state from plain values, for hand-written cases. */
export function stateFromValues(values: Record<string, Json>): JobState {
  return Object.fromEntries(
    Object.entries(values)
      .filter(([, value]) => value !== null)
      .map(([slot, value], k) => [slot, { value, seq: k + 1, by: 'case', at: '1970-01-01T00:00:00.000Z' }]),
  );
}

/** The value of a slot, or undefined. Its type is its schema's: what is in a state has been checked by it. */
export function valueOf<S extends string>(state: JobState, slot: S): ValueAt<S> | undefined {
  return state[slot]?.value as ValueAt<S> | undefined;
}

/** Slots below a prefix (`grid.`), as [rest of the name, value]. */
export function below<P extends string>(state: JobState, prefix: P): [string, ValueBelow<P>][] {
  return Object.keys(state)
    .filter((slot) => slot.startsWith(prefix))
    .sort()
    .map((slot) => [slot.slice(prefix.length), state[slot]!.value as ValueBelow<P>]);
}

/** True when two states hold the same values, whoever wrote them and when. */
export function sameValues(a: JobState, b: JobState): boolean {
  const slots = Object.keys(a);
  if (a === b) return true;
  if (slots.length !== Object.keys(b).length) return false;
  return slots.every((slot) => b[slot] !== undefined && sameValue(a[slot]!.value, b[slot].value));
}

/** True when two values are the same JSON, in whatever order their fields were written. */
export function sameValue(a: Json, b: Json): boolean {
  return equal(a, b);
}
