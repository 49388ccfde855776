import { familyOf } from '@/core/case';
import type { Json, Target } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import type { Problem } from './problem';

/** The free parts of a slot's name, in order, and what was written there. */
interface Aim {
  unit: UnitDefinition;
  names: readonly string[];
  value: Json;
}

/**
 * Problems of a slot of the record whose name or value points at something the unit does not have. `pointer` is into the
 * value, empty for the slot itself.
 */
export function checkTarget(unit: UnitDefinition, slot: string, value: Json): Problem[] {
  const family = familyOf(slot);
  if (!family?.targets) return [];
  const stars = family.pattern.split('.');
  const names = slot.split('.').filter((_, k) => stars[k] === '*');
  const problem = AIMS[family.targets]({ unit, names, value });
  return problem ? [problem] : [];
}

const missing = (unit: UnitDefinition, what: string, name: string, known: readonly string[]): Problem => ({
  pointer: '',
  message: `${unit.name} has no ${what} "${name}"`,
  remedy: known.length
    ? `Use one of: ${known.slice(0, 24).join(', ')}${known.length > 24 ? ', …' : ''}.`
    : `This unit has no ${what} at all.`,
});

const among = (what: string, list: (unit: UnitDefinition) => readonly string[]) => (aim: Aim) => {
  const known = list(aim.unit);
  return known.includes(aim.names[0]!) ? null : missing(aim.unit, what, aim.names[0]!, known);
};

const ids = (list: readonly { id: string }[]) => list.map((item) => item.id);

const AIMS: Record<Target, (aim: Aim) => Problem | null> = {
  gear: among('gear', (unit) => unit.gears.map((g) => g.key)),
  station: among('station', (unit) => ids(unit.stations)),
  variant: among('variant', (unit) => ids(unit.variants)),
  part: among('part', (unit) => ids(unit.parts)),
  'scope-line': ({ unit, value }) => {
    const { part, operation } = (value ?? {}) as { part?: string; operation?: string };
    if (part !== undefined && !ids(unit.parts).includes(part))
      return { ...missing(unit, 'part', part, ids(unit.parts)), pointer: '/part' };
    if (operation !== undefined && !ids(unit.labour).includes(operation))
      return { ...missing(unit, 'operation', operation, ids(unit.labour)), pointer: '/operation' };
    return null;
  },
};
