import type { Entry, Json } from './entry';

/** Raise when the fold's meaning changes: stored snapshots of other versions are folded anew. */
export const FOLD_VERSION = 1;

export interface SlotState {
  value: Json;
  seq: number;
  by: string;
  at: string;
}

/** A job's state: the last write of every slot that is not cleared. */
export type JobState = Readonly<Record<string, SlotState>>;

export const EMPTY_STATE: JobState = Object.freeze({});

/** Folds entries, in any order and with repeats, onto a state: per slot the highest sequence number wins. */
export function fold(state: JobState, entries: readonly Entry[]): JobState {
  const next: Record<string, SlotState> = { ...state };
  const cleared = new Map<string, number>();
  for (const entry of entries) {
    const before = Math.max(next[entry.slot]?.seq ?? -1, cleared.get(entry.slot) ?? -1);
    if (entry.seq <= before) continue;
    if (entry.value === null) {
      delete next[entry.slot];
      cleared.set(entry.slot, entry.seq);
    } else {
      next[entry.slot] = { value: entry.value, seq: entry.seq, by: entry.by, at: entry.at };
      cleared.delete(entry.slot);
    }
  }
  return next;
}

/** A state from plain values, for hand-written cases. */
export function stateFromValues(values: Record<string, Json>): JobState {
  return Object.fromEntries(
    Object.entries(values)
      .filter(([, value]) => value !== null)
      .map(([slot, value], k) => [slot, { value, seq: k + 1, by: 'case', at: '1970-01-01T00:00:00.000Z' }]),
  );
}

/** The value of a slot, or undefined. The caller names the type its schema guarantees. */
export function valueOf<T extends Json>(state: JobState, slot: string): T | undefined {
  return state[slot]?.value as T | undefined;
}

/** Slots below a prefix (`grid.`), as [rest of the name, value]. */
export function below<T extends Json>(state: JobState, prefix: string): [string, T][] {
  return Object.keys(state)
    .filter((slot) => slot.startsWith(prefix))
    .sort()
    .map((slot) => [slot.slice(prefix.length), state[slot]!.value as T]);
}

/** True when two states hold the same values, whoever wrote them and when. */
export function sameValues(a: JobState, b: JobState): boolean {
  const slots = Object.keys(a);
  if (a === b) return true;
  if (slots.length !== Object.keys(b).length) return false;
  return slots.every((slot) => {
    const [x, y] = [a[slot]!.value, b[slot]?.value];
    return x === y || (typeof x === 'object' && JSON.stringify(x) === JSON.stringify(y));
  });
}
