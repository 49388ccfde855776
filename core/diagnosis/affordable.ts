import { stateFromValues } from '@/core/case';
import type { JobState } from '@/core/case';
import { TooLarge } from '@/core/inference';
import type { UnitDefinition } from '@/core/unit';
import type { Knowledge } from './knowledge';
import { linker } from './link';
import { buildModel } from './model';
import { knownOf, networksOf } from './posterior';

/**
 * Table entries a unit's model may need before anybody complained of anything: a verdict asks it some thirty times. Six times
 * what the widest unit that ships needs.
 */
const USUAL = 2 ** 17;

/** Why a unit cannot be reasoned about, as a problem of its definition; null when it can. Compiles its model: heavy. */
export function whyTooLarge(
  unit: UnitDefinition,
  knowledge: Knowledge,
): { pointer: string; message: string; remedy: string } | null {
  try {
    const model = buildModel(unit, knowledge);
    const networks = networksOf(model);
    const usual = networks([]).size;
    // A complaint ties together what its gears share: the worst is one about all of them.
    knownOf(model, linker(model), networks, everyGear(unit, 'slips'));
    if (usual <= USUAL) return null;
  } catch (error) {
    if (!(error instanceof TooLarge)) throw error;
  }
  const { elements, gears, parts } = unit;
  return {
    pointer: '/elements',
    message: `makes the unit larger than Pelvik can reason about (${elements.length} elements, ${gears.length} gears, ${parts.length} parts)`,
    remedy: 'Describe fewer elements, or fewer parts that several elements share.',
  };
}

/** A complaint about every range and gear. */
const everyGear = ({ gears }: UnitDefinition, behaviour: string): JobState =>
  stateFromValues(
    Object.fromEntries(gears.map((g) => [`grid.${g.key}.shop`, { any: { behaviours: [behaviour] } }])),
  );
