import { solutionSpace, TOLERANCE } from './linear';
import type { Row, SolutionSpace } from './linear';
import { contains, rangeOver } from './range';
import type { System } from './system';

export interface Torques {
  elements: Record<string, number | null>;
  holding: string[];
  /** Elements that share a torque with a part beside them: how much each takes is not determined. */
  split: string[];
  /** Torque on `a` and against `b` of each element, with its sign; and the load on the output. */
  signed: Map<string, number | null>;
  loadNm: number | null;
}

/**
 * Torque on every element per unit of input torque: the transposed speed equations, Σ λ·row + e_in + t·e_out = 0
 * (virtual power), with the output load t as reaction. A one-way clutch that holds carries λ ≥ 0. States are tried
 * with the fewest one-way clutches holding first, so where a friction element stands beside one it carries all.
 * `space` holds the speeds of the gear.
 */
export function elementTorques(system: System, space: SolutionSpace): Torques {
  // Only a one-way clutch whose two sides may turn alike can hold.
  const able = system.oneWays.flatMap((element, k) => {
    const row = system.oneWayRows[k]!;
    const range = rangeOver(space, system.oneWayRows, row);
    return range && contains(range, 0) ? [{ element, row }] : [];
  });
  for (const holding of subsetsBySize(able)) {
    const found = reactions(system, [...system.rows, ...holding.map((o) => o.row)]);
    if (!found) continue;
    const oneWayTorques = found.lambda.slice(system.rows.length);
    if (oneWayTorques.some((t) => t !== null && t < TOLERANCE)) continue;
    const owners = [...system.owners, ...holding.map((o) => o.element)];
    const elements: Record<string, number | null> = {};
    const signed = new Map<string, number | null>();
    owners.forEach((owner, k) => {
      const torque = found.lambda[k]!;
      elements[owner] = torque === null ? null : Math.abs(torque) < TOLERANCE ? 0 : Math.abs(torque);
      signed.set(owner, torque);
    });
    return {
      elements,
      holding: holding.map((o) => o.element),
      split: splitAmong(system, able),
      signed,
      loadNm: found.load,
    };
  }
  return { elements: {}, holding: [], split: [], signed: new Map(), loadNm: null };
}

/** With every one-way clutch that could hold taken as holding: whose torque is then not determined. */
function splitAmong(system: System, able: { element: string; row: Row }[]): string[] {
  const lambda = reactions(system, [...system.rows, ...able.map((o) => o.row)])?.lambda ?? [];
  return [...system.owners, ...able.map((o) => o.element)].filter((_, k) => lambda[k] === null);
}

interface Reactions {
  /** λ per row, null where not determined. */
  lambda: (number | null)[];
  load: number | null;
}

/** Null when no reaction balances the input. */
function reactions(system: System, rows: Row[]): Reactions | null {
  // Unknowns: λ per row, the output load, and the input torque, which is fixed at 1.
  const [load, drive] = [rows.length, rows.length + 1];
  const { input, output, coordinates } = system.unit;
  const equations = Array.from({ length: coordinates }, (_, z) => {
    const equation = new Float64Array(rows.length + 2);
    rows.forEach((row, k) => (equation[k] = row[z]!));
    equation[load] = output[z]!;
    equation[drive] = input[z]!;
    return equation;
  });
  const driven = new Float64Array(rows.length + 2);
  driven[drive] = 1;
  const space = solutionSpace(equations, [[driven, 1]], rows.length + 2);
  if (!space) return null;
  const determined = (k: number) =>
    space.directions.some((d) => Math.abs(d[k]!) > TOLERANCE) ? null : space.origin[k]!;
  return { lambda: rows.map((_, k) => determined(k)), load: determined(load) };
}

function subsetsBySize<T>(items: T[]): T[][] {
  const subsets: T[][] = [];
  for (let mask = 0; mask < 1 << items.length; mask++) subsets.push(items.filter((_, k) => mask & (1 << k)));
  return subsets.sort((a, b) => a.length - b.length);
}
