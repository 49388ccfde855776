import type { Json } from './entry';
import type { Finding, SubjectHead } from './finding';
import type { JobState } from './fold';
import type { Of, Schema } from '@/core/format';
import { recordStage } from './slot-stage';
import { SLOTS } from './slot-table';
import type { Stage, StageOf } from '@/core/stage';

export interface SlotFamily {
  /** Slot name; `*` stands for one free part (a gear, a station, a client-made id). */
  pattern: string;
  stage: Stage;
  schema: Schema;
  /** What the free parts of the name must be in the unit; absent where they are free indeed. */
  targets?: Target;
}

/** What a slot's name, or its value, can point at in a unit. */
export type Target = 'gear' | 'station' | 'scope-line' | 'variant' | 'part';

const TARGETS: Record<string, Target> = {
  'grid.*.customer': 'gear',
  'grid.*.shop': 'gear',
  'station.*.out': 'station',
  'scope.line.*': 'scope-line',
  'scope.variant.*': 'variant',
  'scope.source.*': 'part',
};

/** The families of slots with their stage. */
export const SLOT_FAMILIES: readonly SlotFamily[] = Object.entries(SLOTS).map(([pattern, schema]) => ({
  pattern,
  stage: recordStage(pattern)!,
  schema,
  targets: TARGETS[pattern],
}));

type Slots = typeof SLOTS & {
  // Findings at a station share their shape with `station.*.out`, and are read as findings where they are known to be.
  [P in Exclude<SubjectHead, 'station'> as `${P}.*.*`]: Schema<Finding>;
};
/** A pattern as a type: `grid.*` is `grid.${string}`. */
type Glob<P> = P extends `${infer A}*${infer B}` ? `${A}${string}${Glob<B>}` : P;
type OrJson<T> = [T] extends [never] ? Json : T;

/** What a slot holds, by its schema; any JSON for a slot known only as text. */
export type ValueAt<S extends string> = string extends S
  ? Json
  : OrJson<{ [P in keyof Slots]: S extends Glob<P> ? Of<Slots[P]> : never }[keyof Slots]>;

/** What the slots below a prefix (`grid.`) hold. */
export type ValueBelow<P extends string> = string extends P
  ? Json
  : OrJson<{ [K in keyof Slots]: Glob<K> extends `${P}${string}` ? Of<Slots[K]> : never }[keyof Slots]>;

/** What one side says of a gear, and at one heat. */
export type GridGear = ValueAt<'grid.D1.shop'>;
export type GridCell = NonNullable<GridGear['any']>;

interface Compiled {
  family: SlotFamily;
  parts: string[];
}
/** By length and first part: a long record is read in one look-up a slot. */
const COMPILED = new Map<string, Compiled[]>();
for (const family of SLOT_FAMILIES) {
  const parts = family.pattern.split('.');
  const key = `${parts.length} ${parts[0]}`;
  COMPILED.set(key, [...(COMPILED.get(key) ?? []), { family, parts }]);
}

/** The family a slot belongs to, or null when no family knows it. Free parts are 1–80 characters without a dot. */
export function familyOf(slot: string): SlotFamily | null {
  const parts = slot.split('.');
  const match = COMPILED.get(`${parts.length} ${parts[0]}`)?.find((c) =>
    c.parts.every((p, k) => (p === '*' ? /^[\w#-]{1,80}$/.test(parts[k]!) : p === parts[k])),
  );
  return match?.family ?? null;
}

/** The state without anything that belongs to a stage after `stage`. */
export function until(state: JobState, stage: Stage, order: readonly Stage[], stageOf: StageOf): JobState {
  const last = order.indexOf(stage);
  return Object.fromEntries(Object.entries(state).filter(([slot]) => order.indexOf(stageOf(slot)) <= last));
}
