import type { UnitDefinition } from '@/core/unit';
import { moveUp } from '@/core/format';
import type { Format } from '@/core/format';
import type { CaseDocument, CaseFinding } from './schema';
import type { Entry, Json, NewEntry } from './entry';
import { CANNOT_TELL } from './finding';

/**
 * Version 1 of the record, read as version 2. Then a slot was a kind of finding with a shape of its own; now it names
 * subject and point. Nothing is lost or guessed: every write of version 1 becomes the writes that mean the same.
 */

/** One write: a slot and what it then holds. */
export type Write = readonly [slot: string, value: Json];

type Fields = { [key: string]: Json };
interface Former {
  /** `*` stands for one free part. */
  pattern: string;
  /** True for what version 1 let stand there; anything else is left as it is, and refused by its name. */
  fits: (value: Json) => boolean;
  /** The writes that mean the same; `value` is never null here. */
  to: (names: string[], value: Json, unit: UnitDefinition) => Write[];
  /** The slots that are cleared where the former one is. */
  slots: (names: string[], unit: UnitDefinition) => string[];
}

const isFields = (value: Json): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isPlain = (value: Json) => typeof value !== 'object';
const isWords = (value: Json | undefined) =>
  Array.isArray(value) && value.every((v) => typeof v === 'string');

/** A former slot that became one slot. */
const one = (
  pattern: string,
  slot: (names: string[], unit: UnitDefinition) => string,
  value: (value: Json) => Json,
  fits: Former['fits'] = isPlain,
): Former => ({
  pattern,
  fits,
  to: (names, v, unit) => [[slot(names, unit), value(v)]],
  slots: (names, unit) => [slot(names, unit)],
});

const level = (value: Json): Json => (value === 'not-assessable' ? CANNOT_TELL : value);
const is = (value: Json): Json => ({ is: level(value) });
const fields = (value: Json): Fields => value as Fields;

/** The first part of a role, or its usual name where a unit has none: it is then refused, and says so. */
const partOfRole = (unit: UnitDefinition, role: string) =>
  `part.${unit.parts.find((p) => p.role === role)?.id ?? role}`;
const converter = (unit: UnitDefinition) => `part.${unit.converter.part}`;

const FORMER: readonly Former[] = [
  ...['level', 'colour', 'smell'].map((k) => one(`fluid.${k}`, () => `unit.fluid.${k}`, is)),
  one('filter.state', (_, unit) => `${partOfRole(unit, 'filter')}.pleats`, is),
  one(
    'filter.opened',
    (_, unit) => `${partOfRole(unit, 'filter')}.opened`,
    (v) => ({ is: v === true ? 'cut' : 'outside' }),
  ),
  ...['hub', 'lining', 'face', 'leak'].map((k) =>
    one(`converter.${k}`, (_, unit) => `${converter(unit)}.${k}`, is),
  ),
  one('converter.endPlayMm', (_, unit) => `${converter(unit)}.end-play`, is),
  one(
    'solenoid.*',
    ([id]) => `solenoid.${id}.resistance`,
    (v) => {
      const { ohm, ...rest } = fields(v);
      return { is: ohm ?? CANNOT_TELL, ...rest };
    },
    isFields,
  ),
  one('plate.*.*.a', ([e, k]) => `face.${e}.${k}.a.heat`, is),
  one('plate.*.*.b', ([e, k]) => `face.${e}.${k}.b.heat`, is),
  one('thickness.*.*', ([e, k]) => `plate.${e}.${k}.thickness`, is),
  one('band.*.lining', ([e]) => `element.${e}.lining`, is),
  one('band.*.drum', ([e]) => `element.${e}.drum`, is),
  one('band.*.travelMm', ([e]) => `element.${e}.travel`, is),
  one(
    'airtest.*',
    ([e]) => `element.${e}.air-test`,
    (v) => {
      const { result, ...rest } = fields(v);
      return { is: result ?? null, ...rest };
    },
    isFields,
  ),
  one(
    'part.*',
    ([id]) => `part.${id}.condition`,
    (v) => {
      const { grade, ...rest } = fields(v);
      return { is: level(grade ?? null), ...rest };
    },
    isFields,
  ),
  one(
    'debris.*',
    ([kind]) => `unit.debris.${kind}`,
    (v) => {
      const { amount, where } = fields(v);
      return { is: { [FORMER_PLACES[String(where)] ?? 'sump']: amount ?? null } };
    },
    isFields,
  ),
  {
    pattern: 'grid.*',
    fits: (v) =>
      isFields(v) &&
      isWords(v.behaviours) &&
      isWords(v.when) &&
      (v.source === 'shop' || v.source === 'customer'),
    // A gear was told by one side only: whoever told it last stands alone.
    to: ([gear], v) => {
      const { source, ...cell } = fields(v);
      const other = source === 'shop' ? 'customer' : 'shop';
      return [
        [`grid.${gear}.${String(source)}`, gearTold(cell)],
        [`grid.${gear}.${other}`, null],
      ];
    },
    slots: ([gear]) => [`grid.${gear}.customer`, `grid.${gear}.shop`],
  },
];

/** Where debris lay, by the names of version 1. */
const FORMER_PLACES: Record<string, string> = {
  pan: 'sump',
  magnets: 'magnets',
  filter: 'filter',
  sensors: 'sensors',
  lines: 'lines',
};

/** Cold and hot were marks of a cell; noise was something a gear does. */
function gearTold(cell: Fields): Json {
  const [behaviours, when] = [cell.behaviours as string[], cell.when as string[]];
  const heats = (['cold', 'hot'] as const).filter((h) => when.includes(h));
  const rest = Object.fromEntries(Object.entries(cell).filter(([k]) => k !== 'behaviours' && k !== 'when'));
  const circumstances = when.filter((w) => w !== 'cold' && w !== 'hot');
  const told: Json = {
    ...rest,
    behaviours: behaviours.filter((b) => b !== 'noise'),
    ...(behaviours.includes('noise') ? { noises: ['other'] } : {}),
    ...(circumstances.length ? { when: circumstances } : {}),
  };
  return Object.fromEntries((heats.length === 1 ? heats : (['any'] as const)).map((h) => [h, told]));
}

const PATTERNS = FORMER.map((former) => ({ former, parts: former.pattern.split('.') }));

/** What a former slot has become, or null for one that is no former slot. Shapes tell where names alone do not. */
function formerOf(slot: string): { former: Former; names: string[] } | null {
  const names = slot.split('.');
  const match = PATTERNS.find(
    ({ parts }) => parts.length === names.length && parts.every((p, k) => p === '*' || p === names[k]),
  );
  return match ? { former: match.former, names: names.filter((_, k) => match.parts[k] === '*') } : null;
}

/** What a write means in this version: itself, unless it is one of the former version. */
export function upgradeWrites(slot: string, value: Json, unit: UnitDefinition): Write[] {
  if (slot.startsWith('photo.') && isFields(value) && typeof value.about === 'string')
    return [[slot, { ...value, about: aboutNow(value.about, unit) }]];
  const found = formerOf(slot);
  if (!found) return [[slot, value]];
  if (value === null) return found.former.slots(found.names, unit).map((s) => [s, null]);
  return found.former.fits(value) ? found.former.to(found.names, value, unit) : [[slot, value]];
}

/** What a photo is about, by subjects of this version. */
function aboutNow(about: string, unit: UnitDefinition): string {
  const [head, id] = about.split('.');
  if (about === 'debris') return 'unit.debris';
  if (about === 'converter') return converter(unit);
  if (about === 'filter.state') return partOfRole(unit, 'filter');
  // `plate.<element>.<n>` is a plate in this version too; the other lengths were a pack and a face.
  const former = head === 'band' || (head === 'plate' && about.split('.').length !== 3);
  return former ? `element.${id}` : about;
}

/** Entries as this version writes them. An entry that became two keeps its number; the second has an id of its own. */
export function upgradeEntries<E extends NewEntry>(entries: readonly E[], unit: UnitDefinition): E[] {
  return entries.flatMap((entry) =>
    upgradeWrites(entry.slot, entry.value, unit).map(([slot, value], k) =>
      k === 0 && slot === entry.slot && value === entry.value
        ? entry
        : { ...entry, id: k ? `${entry.id}-${k + 1}` : entry.id, slot, value },
    ),
  );
}

const CASE_STEPS: Format<UnitDefinition> = {
  name: 'pelvik-case',
  steps: [(document, unit) => ({ ...fromFirst(document as unknown as CaseDocument, unit) })],
};

/** A document of either version as one of this version. Its history is numbered anew where entries became two. */
export const upgradeCase = (
  document: Omit<CaseDocument, 'format'> & { format: string },
  unit: UnitDefinition,
): CaseDocument => moveUp(CASE_STEPS, document, unit);

function fromFirst(document: CaseDocument, unit: UnitDefinition): CaseDocument {
  const findings = document.findings.flatMap((f): CaseFinding[] =>
    upgradeWrites(f.slot, f.value, unit)
      .filter(([, value]) => value !== null || f.value === null)
      .map(([slot, value]) => ({ ...f, slot, value })),
  );
  const history = document.history && upgradeEntries(bySeq(document.history), unit);
  return {
    ...document,
    findings,
    ...(history ? { history: history.map((e, k) => ({ ...e, seq: k + 1 })) } : {}),
  };
}

const bySeq = (history: readonly Entry[]) => [...history].sort((a, b) => a.seq - b.seq);
