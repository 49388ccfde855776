import { solveGear } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';

export const HEIGHT = 236;
export const PAD = 14;
/** Height of a name. */
export const LABEL = 18;

/** A member's speed and where its name is written. */
export interface Rung {
  id: string;
  name: string;
  speed: number;
  main: boolean;
  /** First of those at one speed: it writes the figure. */
  first: boolean;
  label: number;
}

/** Places all members whose speed is known; names keep their order and stand apart. */
export function ladder(unit: UnitDefinition, gear: string, faults: Fault[]) {
  const { speeds } = solveGear(unit, gear, faults);
  const known = unit.members.flatMap((m) => {
    const speed = speeds[m.id];
    return speed === null || speed === undefined
      ? []
      : [{ ...m, speed, main: m.id === unit.input || m.id === unit.output }];
  });
  const low = Math.min(0, ...known.map((k) => k.speed));
  const high = Math.max(1, ...known.map((k) => k.speed));
  const y = (speed: number) => PAD + ((high - speed) / (high - low)) * HEIGHT;
  const sorted = known.sort((a, b) => b.speed - a.speed || Number(b.main) - Number(a.main));
  // Labels keep their order and their distance: pushed down from the top, then back up from the bottom.
  const places: number[] = [];
  sorted.forEach((k, i) => places.push(Math.max(y(k.speed), i ? places[i - 1]! + LABEL : PAD)));
  for (let i = places.length - 1, most = HEIGHT + PAD; i >= 0; i--) {
    places[i] = Math.min(places[i]!, most);
    most = places[i]! - LABEL;
  }
  const rungs = sorted.map(
    (k, i): Rung => ({
      ...k,
      first: i === 0 || Math.abs(sorted[i - 1]!.speed - k.speed) > (high - low) * 0.05,
      label: places[i]!,
    }),
  );
  const floating = unit.members.filter((m) => speeds[m.id] === null).map((m) => m.name);
  return { rungs, floating, y };
}
