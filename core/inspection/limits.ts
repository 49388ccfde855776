import { elementOf } from '@/core/unit';
import type { Limits, Spec, UnitDefinition } from '@/core/unit';
import type { Subject } from './subjects';
import type { LimitKind, MeasureUnit } from './schema';

/** What a reading is held against, SI: at least one side; `nominal` where a new one has a size of its own. */
export type Limit = Partial<Limits> & { nominal?: number };

/** SI per shown unit. Temperatures stay in °C. */
export const IN_SI: Record<MeasureUnit, number> = {
  mm: 1e-3,
  Ω: 1,
  kPa: 1e3,
  'l/min': 1 / 60_000,
  N·m: 1,
  s: 1,
  '°C': 1,
  l: 1e-3,
  '': 1,
};

type LimitOf = (unit: UnitDefinition, subject: Subject) => Limit | null;

const pack = (unit: UnitDefinition, { element }: Subject) =>
  element === null ? undefined : elementOf(unit, element).pack;

/** Line pressure at a load, in a range that has its own. */
const pressureOf = (unit: UnitDefinition, load: 'idle' | 'full', range?: string) =>
  unit.specs.find((s) => s.kind === 'pressure' && s.load === load && s.range === range) ?? null;

/** Limits that stand with what they belong to; all others are specs. */
const OWN: Partial<Record<LimitKind, LimitOf>> = {
  'pack-clearance': (unit, subject) => pack(unit, subject)?.clearance ?? null,
  'pin-travel': (unit, { element }) =>
    element === null ? null : (elementOf(unit, element).band?.pinTravel ?? null),
  resistance: (unit, { ids }) => unit.solenoids.find((s) => s.id === ids[0])?.ohm ?? null,
  'friction-thickness': (unit, subject) => {
    const own = pack(unit, subject);
    return own ? { nominal: own.frictionThickness, min: own.worn?.friction } : null;
  },
  'steel-thickness': (unit, subject) => {
    const own = pack(unit, subject);
    return own ? { nominal: own.steelThickness, min: own.worn?.steel } : null;
  },
  'pressure-idle': (unit) => pressureOf(unit, 'idle'),
  'pressure-full': (unit) => pressureOf(unit, 'full'),
  'pressure-reverse': (unit) => pressureOf(unit, 'full', 'R'),
  'plate-count': (unit, subject) => {
    const own = pack(unit, subject);
    return own ? { min: own.frictions, max: own.frictions } : null;
  },
  'pinion-count': (unit, { gearset }) => {
    const set = unit.gearsets.find((g) => g.id === gearset);
    const count = set?.kind === 'planetary' ? set.pinions?.count : undefined;
    return count === undefined ? null : { min: count, max: count };
  },
};

/** The unit's limit of a kind for a subject, or null where it states none. */
export function limitOf(unit: UnitDefinition, subject: Subject, kind: LimitKind): Limit | null {
  const own = OWN[kind];
  return own ? own(unit, subject) : (unit.specs.find((s) => s.kind === kind && isOf(s, subject)) ?? null);
}

/** A spec belongs to what it names; one that names nothing belongs to its station. */
function isOf(spec: Spec, { head, ids: [id] }: Subject): boolean {
  if (head === 'station') return !spec.part && !spec.gearset && !spec.element && spec.station === id;
  return (head === 'part' || head === 'gearset' || head === 'element') && spec[head] === id;
}
