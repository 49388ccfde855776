import type { UnitDefinition } from '@/core/unit';
import type { Placed } from './axes';
import { endsOf } from './device';
import type { End, Role } from './device';

/** A member's run along an axis: every end with the column it is at, and the level its sleeve takes. */
export interface Run {
  member: string;
  ends: { end: End; at: Placed; side: -1 | 0 | 1 }[];
  from: number;
  to: number;
  outer: boolean;
  level: number;
  isOutput: boolean;
}

/** The runs of all members about one axis, with how many levels they take inside and outside. */
export function runsOf(
  unit: UnitDefinition,
  placed: Placed[],
  axisOf: Map<string, number>,
  axis: number,
  width: number,
): { runs: Run[]; inner: number; outer: number } {
  const runs = unit.members
    .filter((m) => axisOf.get(m.id) === axis)
    .map((m): Run => {
      const ends = placed.flatMap((at) =>
        endsOf(unit, at.device)
          .filter((end) => end.member === m.id)
          .map((end) => ({ end, at, side: 0 as const })),
      );
      const centres = ends.map(({ at }) => at.x + at.width / 2);
      const isOutput = m.id === unit.output;
      if (isOutput) centres.push(width);
      return {
        member: m.id,
        ends: ends.map((e) => ({ ...e, side: sideOf(e.end.role, e.at.x + e.at.width / 2, centres) })),
        from: Math.min(...centres),
        to: Math.max(...centres),
        // A ring's member goes round the outside when nothing of it has to reach the shafts.
        outer:
          m.id !== unit.input &&
          !isOutput &&
          ends.some((e) => e.end.role === 'ring') &&
          ends.every((e) => e.end.role !== 'sun' && e.end.role !== 'gear'),
        level: 0,
        isOutput,
      };
    })
    .filter((run) => run.ends.length > 0);
  const rank = (r: Run) => (r.member === unit.input ? 0 : r.isOutput ? 1 : 2);
  const pack = (list: Run[]) => {
    const levels: [number, number][][] = [];
    for (const run of [...list].sort((a, b) => rank(a) - rank(b) || b.to - b.from - (a.to - a.from))) {
      const [from, to] = [run.from - 40, run.to + 40];
      let level = levels.findIndex((taken) => taken.every(([f, t]) => t < from || f > to));
      if (level < 0) level = levels.push([]) - 1;
      levels[level]!.push([from, to]);
      run.level = level;
    }
    return levels.length;
  };
  const inner = pack(runs.filter((r) => !r.outer));
  const outer = pack(runs.filter((r) => r.outer));
  return { runs, inner, outer };
}

/** The side of a device on which a member leaves: where most of the member is. Drums are open to the right. */
function sideOf(role: Role, here: number, centres: number[]): -1 | 0 | 1 {
  if (role === 'drum' || role === 'band-drum' || role === 'outer-race' || role === 'dog-left') return -1;
  if (role === 'hub' || role === 'inner-race' || role === 'dog-right') return 1;
  if (role !== 'ring' && role !== 'carrier') return 0;
  const right = centres.filter((c) => c > here).length;
  const left = centres.filter((c) => c < here).length;
  if (right === left) return role === 'ring' ? -1 : 1;
  return right > left ? 1 : -1;
}
