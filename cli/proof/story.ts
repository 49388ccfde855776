import { stateFromValues } from '@/core/case';
import type { Json, JobState } from '@/core/case';
import type { CausalKnowledge } from '@/core/diagnosis';
import type { UnitDefinition } from '@/core/unit';
import type { Dice } from '../dice';
import { recorder } from './recorder';
import type { Values } from './recorder';
import type { World } from './world';

/** A job as a bench would have recorded it: as long as the unit was in the vehicle, and with it taken apart. */
export interface Story {
  world: World;
  before: Values;
  after: Values;
  /** Answers a check as the bench would: null when nothing comes of it. */
  answer(point: string): Values | null;
}

/** Asked while the unit is in the vehicle. */
const EARLY = /^(history-|fluid\.|pressure\.|checks\.|codes$|milky$|grey$)/;
/** P(somebody tells of a gear). */
const GEAR_TOLD = 0.85;

export function stories(unit: UnitDefinition, causal: CausalKnowledge): (world: World, dice: Dice) => Story {
  const record = recorder(unit);
  const points = pointsOf(unit, causal);
  return (world, dice) => {
    const made = new Map<string, Values | null>();
    const answer = (point: string) => {
      const known = made.get(point);
      if (known !== undefined) return known;
      const level = world.look(point);
      const values =
        level === null ? null : point === 'codes' ? codesOf(level) : whole(record, world, point, level);
      made.set(point, values);
      return values;
    };
    const grid: Values = {};
    for (const { key } of unit.gears) {
      const told = dice.chance(GEAR_TOLD) ? world.tells(key) : null;
      if (told) grid[`grid.${key}.shop`] = told as Json;
    }
    const gather = (early: boolean) =>
      Object.assign(
        {},
        ...points
          .filter((p) => EARLY.test(p) === early && dice.chance(world.noticed(p)))
          .map((p) => answer(p) ?? {}),
      ) as Values;
    const before = { ...gather(true), ...grid };
    return { world, before, after: { ...before, ...gather(false) }, answer };
  };
}

export const stateOf = (values: Values): JobState => stateFromValues(values);

/** A lining that has fused is graded so, whatever else it looks like. */
function whole(
  record: ReturnType<typeof recorder>,
  world: World,
  point: string,
  level: string,
): Values | null {
  const [key, target] = point.split(':') as [string, string?];
  if (key !== 'lining') return record(point, level);
  return record(point, world.look(`fused:${target}`) === 'yes' ? 'welded' : level);
}

/** A code of its kind that names no gear. */
function codesOf(level: string): Values {
  if (level === 'none') return { 'codes.scan': 'none' };
  const code = level === 'electrical' ? 'P0750' : 'P0730';
  return { 'codes.scan': 'these', [`codes.list.${code}`]: { kind: level } };
}

/** Every point of the knowledge the unit has, told apart by what it is asked of. */
function pointsOf(unit: UnitDefinition, { observations }: CausalKnowledge): string[] {
  const all: Record<string, { id: string }[]> = {
    $e: unit.elements.filter((e) => e.pack || e.band),
    $g: unit.gearsets,
    $p: unit.parts,
    $s: unit.solenoids,
    $t: unit.stations,
  };
  const record = recorder(unit);
  return observations.flatMap(({ point, levels }) => {
    const hole = /\$[epgst]$/.exec(point)?.[0];
    const names = hole ? all[hole]!.map(({ id }) => point.replace(hole, id)) : [point];
    const [some] = Object.keys(levels);
    return names.filter((name) => name === 'codes' || record(name, some!) !== null);
  });
}
