import { CASE, gearOf } from '@/core/unit';
import type { Gearset, PlanetarySet, UnitDefinition } from '@/core/unit';
import type { Fault } from './fault';
import { solutionSpace, TOLERANCE } from './linear';
import { gearOutcome, solveGear, speedSpace } from './solve';
import { elementTorques } from './statics';
import { buildSystem } from './system';

/** Something that may turn against what holds it, and so may whine, rumble or wear. */
export interface Turning {
  id: string;
  name: string;
  kind: 'pinion' | 'bearing' | 'element' | 'idler';
  station: string;
  gearset?: string;
  part?: string;
  /** Speed against its own pin, race or other side, per unit of input speed; null where it floats. */
  speed: number | null;
}

/**
 * Relative speed of every pinion on its pin, every idler, every bearing and every element that is not applied, in one
 * gear. A pinion turns at (ω_sun − ω_carrier)·Z_sun ÷ Z_pinion against its carrier, an outer pinion of a pair at the
 * inner one's times Z_inner ÷ Z_outer; signs alternate from mesh to mesh.
 */
export function turning(unit: UnitDefinition, gearKey: string, faults: Fault[] = []): Turning[] {
  const { speeds } = solveGear(unit, gearKey, faults);
  const speed = (member: string): number | null => (member === CASE ? 0 : (speeds[member] ?? null));
  const between = (a: string, b: string): number | null => {
    const [x, y] = [speed(a), speed(b)];
    return x === null || y === null ? null : settle(x - y);
  };
  return [
    ...unit.gearsets.flatMap((set) =>
      set.kind === 'planetary' ? pinions(set, between) : idlers(set, speed),
    ),
    ...unit.bearings.map(
      ({ id, name, a, b, station, part }): Turning => ({
        id,
        name,
        kind: 'bearing',
        station,
        ...(part ? { part } : {}),
        speed: between(a, b),
      }),
    ),
    ...unit.elements.map(
      ({ id, name, a, b, station }): Turning => ({
        id,
        name,
        kind: 'element',
        station,
        speed: between(a, b),
      }),
    ),
  ];
}

/** Teeth of the pinions, inner first. A single pinion's follow from sun and ring; a pair's must be stated. */
export function pinionTeeth(set: PlanetarySet): number[] | null {
  if (set.pinions?.teeth) return set.pinions.teeth;
  return set.planets === 'single' ? [(set.ring.teeth - set.sun.teeth) / 2] : null;
}

function pinions(set: PlanetarySet, between: (a: string, b: string) => number | null): Turning[] {
  const relative = between(set.sun.member, set.carrier);
  // Without stated teeth a pair's speed is given as the sun's against the carrier: where it stands, they stand.
  const teeth = pinionTeeth(set) ?? [set.sun.teeth];
  return teeth.map((count, k) => ({
    id: teeth.length > 1 ? `${set.id}-pinion-${k === 0 ? 'inner' : 'outer'}` : `${set.id}-pinion`,
    name: `${set.name}, ${teeth.length > 1 ? (k === 0 ? 'inner pinions' : 'outer pinions') : 'pinions'}`,
    kind: 'pinion',
    station: set.station,
    gearset: set.id,
    speed: relative === null ? null : settle(((k % 2 ? 1 : -1) * relative * set.sun.teeth) / count),
  }));
}

function idlers(set: Extract<Gearset, { kind: 'mesh' }>, speed: (m: string) => number | null): Turning[] {
  if (set.mesh !== 'idler' || !set.idlerTeeth) return [];
  const first = speed(set.first.member);
  return [
    {
      id: `${set.id}-idler`,
      name: `${set.name}, idler`,
      kind: 'idler',
      station: set.station,
      gearset: set.id,
      speed: first === null ? null : settle((-first * set.first.teeth) / set.idlerTeeth),
    },
  ];
}

/**
 * Torque through the teeth of each gearset per unit of input torque, as it acts on its sun or first gear; null where it
 * is not determined, and {} in a gear that does not drive. Σ over gearsets λ·row balances what the elements, the input
 * and the load put on every member.
 */
export function meshTorques(
  unit: UnitDefinition,
  gearKey: string,
  faults: Fault[] = [],
): Record<string, number | null> {
  const gear = gearOf(unit, gearKey);
  const { ratio } = gearOutcome(unit, gearKey, faults);
  if (ratio === null) return {};
  const system = buildSystem(unit, gear, faults);
  const space = speedSpace(system, 1 / ratio);
  if (!space) return {};
  const { signed } = elementTorques(system, space);
  const { gearsets, elements, members, ends } = system.unit;
  // Unknowns: λ per gearset, λ per element whose share is open, the load, and a constant 1 for all that is known.
  const open = elements.filter((e) => signed.get(e.id) === null);
  const [load, constant] = [gearsets.length + open.length, gearsets.length + open.length + 1];
  const equations = members.map((_, m) => {
    const row = new Float64Array(constant + 1);
    gearsets.forEach((g, k) => (row[k] = g.row[m]!));
    open.forEach((e, k) => (row[gearsets.length + k] = e.overMembers[m]!));
    if (m === ends.output) row[load] = 1;
    row[constant] = m === ends.input ? 1 : 0;
    for (const e of elements) row[constant]! += (signed.get(e.id) ?? 0) * e.overMembers[m]!;
    return row;
  });
  const one = new Float64Array(constant + 1);
  one[constant] = 1;
  const solved = solutionSpace(equations, [[one, 1]], constant + 1);
  if (!solved) return {};
  return Object.fromEntries(
    gearsets.map((g, k) => {
      const undetermined = solved.directions.some((d) => Math.abs(d[k]!) > TOLERANCE);
      return [g.id, undetermined ? null : settle(solved.origin[k]! * firstWeight(unit, g.id))];
    }),
  );
}

function firstWeight(unit: UnitDefinition, id: string): number {
  const set = unit.gearsets.find((g) => g.id === id)!;
  return set.kind === 'planetary' ? set.sun.teeth : set.first.teeth;
}

function settle(value: number): number {
  return Math.abs(value) < TOLERANCE ? 0 : value;
}
