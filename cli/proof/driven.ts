import type { Behaviour } from '@/core/case';
import { buildModel } from '@/core/diagnosis';
import type { Knowledge } from '@/core/diagnosis';
import { noiseTable } from '@/core/suspects';
import type { Prediction, PredictionKind } from '@/core/suspects';
import type { UnitDefinition } from '@/core/unit';
import type { Dice } from '../dice';
import { weighted } from '../dice';
import { bench } from './bench';
import { HARMS } from './damage';
import { carOf, does, drive } from './drive';
import { soundWreck } from './wreck';
import type { Told, World } from './world';

/** What people say of what a gear does; in the simulator's own shares, and some of it wrong. */
const SAYS: Record<PredictionKind, [Behaviour, number][]> = {
  normal: [['normal', 1]],
  neutral: [
    ['no-drive', 6],
    ['flares', 2],
    ['slips', 1],
  ],
  lower: [
    ['wrong-gear', 4],
    ['flares', 3],
    ['skipped', 2],
  ],
  higher: [
    ['wrong-gear', 4],
    ['bogs', 4],
    ['skipped', 1],
  ],
  'tie-up': [
    ['binds', 6],
    ['bogs', 3],
    ['slips', 1],
  ],
  slip: [
    ['slips', 6],
    ['flares', 4],
    ['delayed', 1],
  ],
  moves: [['moves', 1]],
  'no-braking': [
    ['normal', 5],
    ['no-engine-braking', 4],
  ],
  shudder: [
    ['shudder', 6],
    ['normal', 3],
  ],
  late: [
    ['delayed', 7],
    ['normal', 3],
  ],
  stall: [
    ['stalls-at-stops', 6],
    ['bogs', 2],
    ['normal', 2],
  ],
  'wind-up': [
    ['binds-in-turns', 7],
    ['normal', 3],
  ],
};
const WRONG_WORD = 0.05;
const WRONG: readonly Behaviour[] = ['slips', 'flares', 'no-drive', 'delayed', 'binds'];
const MISSED = 0.06;
/** P(a fault of one heat only is told with that heat). */
const HEAT_TOLD = 0.6;
/** From this on a worn or dry set or bearing is heard, where it works. */
const HEARD = 0.4;
/** P(a second cause is there). */
const SECOND = 0.05;

/** Drives failures to their end in the simulator. Which cause is how frequent is the one thing it takes from the knowledge. */
export function driving(unit: UnitDefinition, knowledge: Knowledge): (dice: Dice) => World {
  const { roots } = buildModel(unit, knowledge);
  const car = carOf(unit);
  const noises = noiseTable(unit);
  const can = roots.filter((r) => r.mode in HARMS).map((r) => [r, r.prior] as const);
  return (dice) => {
    const w = soundWreck(unit);
    const first = weighted(can, dice);
    const present = [first];
    if (dice.chance(SECOND))
      present.push(
        weighted(
          can.filter(([r]) => r !== first),
          dice,
        ),
      );
    for (const root of present) HARMS[root.mode]!(w, root, 0.2 + 0.8 * (dice.below(1e6) / 1e6), dice, unit);
    // No unit is new: linings have darkened here and there, and something has rubbed off.
    for (const e of car.friction) if (dice.chance(0.15)) w.burnt[e] = 0.1 + dice.below(25) / 100;
    w.paste += dice.below(40) / 100;
    w.fibre += dice.below(20) / 100;
    drive(car, w, dice);
    const behaves = { cold: does(car, w, 'cold'), hot: does(car, w, 'hot') };
    const bad = (id: string | null) => id !== null && Math.max(w.dry[id] ?? 0, w.worn[id] ?? 0) > HEARD;
    const noisy = new Set(noises.filter((n) => bad(n.gearset) || bad(n.part)).flatMap((n) => n.worksIn));
    const says = (did: Prediction) => {
      const word = dice.chance(MISSED)
        ? 'normal'
        : dice.chance(WRONG_WORD)
          ? dice.pick(WRONG)
          : weighted(SAYS[did.kind], dice);
      const named = did.actsLike !== null && (word === 'wrong-gear' || word === 'flares') && dice.chance(0.4);
      return {
        behaviours: [word],
        ...(named ? { actsLike: did.actsLike! } : {}),
        ...(noisy.has(did.gear) ? { noises: ['whine' as const] } : {}),
      };
    };
    const told = new Map<string, Told | null>();
    const tell = (gear: string): Told | null => {
      const at = unit.gears.findIndex((g) => g.key === gear);
      const [cold, hot] = [behaves.cold[at]!, behaves.hot[at]!];
      if (cold.kind === hot.kind) return { any: says(hot) };
      const worse = cold.kind === 'normal' ? hot : hot.kind === 'normal' ? cold : null;
      if (worse && !dice.chance(HEAT_TOLD)) return { any: says(worse) };
      return { cold: says(cold), hot: says(hot) };
    };
    return {
      unit,
      first: first.id,
      present: present.map((r) => r.id),
      tells: (gear) => {
        if (!told.has(gear)) told.set(gear, tell(gear));
        return told.get(gear)!;
      },
      ...bench(w, present, dice),
    };
  };
}
