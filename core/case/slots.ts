import type { Json } from './entry';
import type { Finding, SubjectHead } from './finding';
import type { JobState } from './fold';
import { day, integer, list, number, object, oneOf, text, words, yesNo } from '@/core/format';
import type { Of, Schema } from '@/core/format';
import { POLICY_SLOTS } from './policies';
import type { Stage, StageOf } from '@/core/stage';
import { BEHAVIOURS, CONDITIONS, GRADES, NOISES, REPAIR_EFFECTS, SCOPE_ACTIONS } from './vocabulary';

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

/** What a gear does at one heat. */
const told = object(
  {
    behaviours: list(oneOf(BEHAVIOURS), 6),
    noises: list(oneOf(NOISES), 5),
    when: list(oneOf(CONDITIONS), 2),
    /** The electronics had fallen back to a limp gear. */
    limp: yesNo,
    actsLike: text(8),
    delayS: number(0, 60),
  },
  ['behaviours'],
);

/** The scope of a repair as somebody stood by it, line by line: KEY ACTION QUANTITY. */
const made = object({ lines: list(text(160), 400) }, ['lines']);

/** What one side says of a gear: cold and hot apart. */
const gear = object({ any: told, cold: told, hot: told }, []);

/** Every slot of a job's record but its findings, by the stage it belongs to. A new kind of record is one line here. */
const SLOTS = {
  intake: {
    'customer.name': text(120),
    'customer.phone': text(40),
    'vehicle.bare': yesNo,
    'vehicle.make': text(60),
    'vehicle.model': text(60),
    'vehicle.year': integer(1950, 2100),
    'vehicle.plate': text(20),
    'vehicle.serial': text(40),
    'vehicle.engine': text(60),
    'vehicle.drive': oneOf(['front', 'rear', 'all']),
    /** Of a bare unit or core: where it came from, and what it cost, minor units. */
    'unit-source.from': text(120),
    'unit-source.cost': integer(0, 100_000_000),
    'vehicle.odometerKm': number(0, 3_000_000),
    'vehicle.value': integer(0, 100_000_000),
    'job.promised': day,
    'job.waitsFor': oneOf(['customer', 'part', 'bench', 'measurement']),
    'complaint.words': text(4000),
    'complaint.after': text(120),
    'complaint.onset': oneOf(['sudden', 'gradual', 'after-work', 'unknown']),
    'grid.*.customer': gear,
    'grid.*.shop': gear,
    'history.rebuilt': object(
      { by: oneOf(['never', 'here', 'elsewhere', 'unknown']), monthsAgo: integer(0, 600), what: text(1000) },
      ['by'],
    ),
    'history.converter': oneOf(['original', 'new', 'rebuilt-here', 'bought-rebuilt', 'unknown']),
    'history.fluid': oneOf(['not-recent', 'recent', 'unknown']),
    'history.towing': oneOf(['none', 'light', 'heavy', 'unknown']),
    'history.powerFactor': number(0.5, 4),
    'history.tyres': oneOf(['stock', 'larger', 'unknown']),
    'history.mud': oneOf(['none', 'mud', 'water', 'unknown']),
    'history.parkRolling': oneOf(['no', 'yes', 'unknown']),
    /** The earlier job it comes back from. */
    'history.comeback': integer(1, 100_000_000),
    'history.repair.*': object(
      { done: text(300), changed: text(300), part: text(80), effect: oneOf(REPAIR_EFFECTS) },
      ['done'],
    ),
    'history.opinion.*': object(
      { by: text(120), said: text(600), part: text(80), effect: oneOf(REPAIR_EFFECTS) },
      ['said'],
    ),
    'roadtest.*': object(
      {
        km: number(0, 2000),
        temperature: oneOf(['cold', 'warm', 'hot']),
        pattern: text(300),
        driver: text(80),
        result: oneOf(['reproduced', 'partly', 'not-reproduced']),
      },
      ['temperature', 'result'],
    ),
    /** One drive with the gear asked for, and what was measured: what gear it really is follows. */
    'speeds.*': object(
      {
        gear: text(8),
        engineRpm: number(0, 12_000),
        inputRpm: number(0, 20_000),
        outputRpm: number(0, 20_000),
        warmth: oneOf(['cold', 'warm', 'hot']),
      },
      ['gear', 'inputRpm', 'outputRpm'],
    ),
    'codes.scan': oneOf(['none', 'these', 'not-scanned']),
    'codes.list.*': object(
      {
        kind: oneOf(['electrical', 'rationality']),
        gear: text(8),
        /** What the computer kept of the moment. */
        freeze: text(300),
        /** When it was cleared, and by whom; absent: it stands. */
        cleared: text(120),
        note: text(300),
      },
      ['kind'],
    ),
  },
  teardown: {
    'station.*.out': yesNo,
    'photo.*': object(
      {
        /** A finding, or a subject: `part.sun-shell.crack`, `element.K2`. */
        about: text(200),
        caption: words(300),
        marker: object({ x: number(0, 1), y: number(0, 1) }, ['x', 'y']),
      },
      ['about'],
    ),
  },
  cause: {
    'cause.commit': object({ cause: text(120), contributing: list(text(120), 8), reason: words(2000) }, [
      'cause',
      'reason',
    ]),
    'cause.words': text(4000),
    /** The shop's own closed jobs are not counted into the base rates of this one. */
    'cause.experience': oneOf(['off']),
  },
  scope: {
    ...POLICY_SLOTS,
    /** Why the shop's way is left in this job. */
    'scope.why.*': text(300),
    /** The identifying measurement of a variant, m. */
    'scope.variant.*': number(0, 2),
    /** Where a part is bought, by the part: an offer that was taken, or a piece of the shop's own shelf. */
    'scope.source.*': object(
      {
        grade: oneOf(GRADES),
        supplier: text(80),
        /** What the customer pays, minor units: nothing is sold for nothing. */
        price: integer(0, 100_000_000),
        leadDays: integer(0, 400),
        coreDeposit: integer(0, 100_000_000),
        returnDays: integer(0, 400),
        /** What the old part must come back in. */
        packaging: text(200),
        /** The piece of the shelf that is held for this job. */
        shelf: text(60),
        /** The day it was offered. */
        on: day,
      },
      ['grade', 'supplier', 'price', 'leadDays', 'on'],
    ),
    'scope.made.targeted': made,
    'scope.made.full': made,
    'scope.made.upgrade': made,
    'scope.made.exchange': made,
    /** Somebody signs for what speaks against the scope. */
    'scope.waiver.*': object({ words: words(500) }, ['words']),
    'scope.line.*': object(
      {
        change: oneOf(['add', 'change', 'remove']),
        part: text(80),
        operation: text(80),
        name: text(160),
        action: oneOf(SCOPE_ACTIONS),
        /** Pieces, or litres of fluid. */
        quantity: number(0.1, 99),
        price: integer(0, 100_000_000),
        hours: number(0, 200),
        reason: text(500),
      },
      ['change', 'reason'],
    ),
  },
  quote: {
    /** Taken off before tax: a share, or an amount in minor units. */
    'quote.discount': object({ share: number(0, 1), amount: integer(0, 100_000_000), words: words(200) }, [
      'words',
    ]),
    /** What the customer is told besides. */
    'quote.note': text(2000),
    /** A short clip that goes along with the quote. */
    'clip.*': object({ caption: words(300) }, ['caption']),
    /** Photos and findings that are left out of the quote. */
    'quote.without.*': yesNo,
  },
  build: {
    /** What was ordered for the agreed version, by its line: when, for when, and how it stands. */
    'order.*': object(
      {
        state: oneOf(['ordered', 'arrived', 'fitted']),
        on: day,
        due: day,
        /** The old part went back for its deposit. */
        coreBack: day,
      },
      ['state'],
    ),
  },
} as const satisfies Partial<Record<Stage, Record<string, Schema>>>;

/** The families of slots with their stage. */
export const SLOT_FAMILIES: readonly SlotFamily[] = Object.entries(SLOTS).flatMap(([stage, slots]) =>
  Object.entries(slots).map(([pattern, schema]) => ({
    pattern,
    stage: stage as Stage,
    schema,
    targets: TARGETS[pattern],
  })),
);

type Union<T> = (T extends unknown ? (x: T) => void : never) extends (x: infer I) => void ? I : never;
type Slots = Union<(typeof SLOTS)[keyof typeof SLOTS]> & {
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

/** The stage of a slot of the record; undefined for what is none, findings among it. */
export function recordStage(slot: string): Stage | undefined {
  return familyOf(slot)?.stage;
}

/** The state without anything that belongs to a stage after `stage`. */
export function until(state: JobState, stage: Stage, order: readonly Stage[], stageOf: StageOf): JobState {
  const last = order.indexOf(stage);
  return Object.fromEntries(Object.entries(state).filter(([slot]) => order.indexOf(stageOf(slot)) <= last));
}
