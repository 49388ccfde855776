import { DEBRIS_KINDS, familyGrades, familyOf } from '@/core/case';
import type { Json, Target } from '@/core/case';
import type { Element, UnitDefinition } from '@/core/unit';
import type { Problem } from './problem';

/** The free parts of a slot's name, in order, and what was written there. */
interface Aim {
  unit: UnitDefinition;
  names: readonly string[];
  value: Json;
}

/**
 * Problems of a slot whose name points at something the unit does not have, or whose value does not go with what it
 * points at (a lining's grade on a steel). `pointer` is into the value, empty for the slot itself.
 */
export function checkTarget(unit: UnitDefinition, slot: string, value: Json): Problem[] {
  const targets = familyOf(slot)?.targets;
  if (!targets) return [];
  const stars = familyOf(slot)!.pattern.split('.');
  const names = slot.split('.').filter((_, k) => stars[k] === '*');
  const problem = AIMS[targets]({ unit, names, value });
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

/** The pack of an element and one of its plates. */
function plateOf({ unit, names }: Aim): { kind: string } | Problem {
  const packs = unit.elements.filter((e): e is Element & { pack: NonNullable<Element['pack']> } =>
    Boolean(e.pack),
  );
  const element = packs.find((e) => e.id === names[0]);
  if (!element) return missing(unit, 'clutch or brake pack', names[0]!, ids(packs));
  const kind = /^\d{1,2}$/.test(names[1]!) ? element.pack.order[Number(names[1])] : undefined;
  if (!kind || String(Number(names[1])) !== names[1])
    return {
      pointer: '',
      message: `${element.name} has no plate ${names[1]}`,
      remedy: `Its plates are numbered 0 to ${element.pack.order.length - 1}, from the piston.`,
    };
  return { kind };
}

const AIMS: Record<Target, (aim: Aim) => Problem | null> = {
  gear: among('gear', (unit) => unit.gears.map((g) => g.key)),
  station: among('station', (unit) => ids(unit.stations)),
  part: among('part', (unit) => ids(unit.parts)),
  solenoid: among('solenoid', (unit) => ids(unit.solenoids)),
  band: among('band', (unit) => ids(unit.elements.filter((e) => e.band))),
  'fed-element': among('element fed by oil', (unit) => ids(unit.elements.filter((e) => e.pack || e.band))),
  plate: (aim) => {
    const found = plateOf(aim);
    return 'message' in found ? found : null;
  },
  face: (aim) => {
    const found = plateOf(aim);
    if ('message' in found) return found;
    if (!['a', 'b'].includes(aim.names[2]!))
      return {
        pointer: '',
        message: `there is no face "${aim.names[2]}"`,
        remedy: 'Use a (piston side) or b (backing side).',
      };
    return faceProblem(found.kind, aim.value);
  },
  debris: among('kind of debris', () => DEBRIS_KINDS),
  'scope-line': ({ unit, value }) => {
    const { part, operation } = (value ?? {}) as { part?: string; operation?: string };
    if (part !== undefined && !ids(unit.parts).includes(part))
      return { ...missing(unit, 'part', part, ids(unit.parts)), pointer: '/part' };
    if (operation !== undefined && !ids(unit.labour).includes(operation))
      return { ...missing(unit, 'operation', operation, ids(unit.labour)), pointer: '/operation' };
    return null;
  },
};

function faceProblem(kind: string, value: Json): Problem | null {
  const grades = familyGrades(kind);
  if (value === null || grades.includes(value as string)) return null;
  return {
    pointer: '',
    message:
      kind === 'wave'
        ? 'a wave spring has no face to grade'
        : `"${String(value)}" is not said of a ${kind} plate`,
    remedy: kind === 'wave' ? 'Leave it out.' : `Use one of: ${grades.join(', ')}.`,
  };
}
