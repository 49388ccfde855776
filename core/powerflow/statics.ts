import { solutionSpace, TOLERANCE } from './linear';
import type { Row } from './linear';
import type { System } from './system';

export interface Torques {
  elements: Record<string, number | null>;
  holding: string[];
}

/**
 * Torque on every element per unit of input torque: the transposed speed equations, Σ λ·row + e_in + t·e_out = 0
 * (virtual power), with the output load t as reaction. A one-way clutch that holds carries λ ≥ 0. States are tried
 * with the fewest one-way clutches holding first, so where a friction element stands beside one it carries all.
 */
export function elementTorques(system: System, speeds: Record<string, number | null>): Torques {
  // Only a one-way clutch whose two sides may turn alike can hold.
  const able = system.oneWays.flatMap((element, k) => {
    const row = system.oneWayRows[k]!;
    let difference = 0;
    for (let m = 0; m < system.members.length; m++) {
      if (row[m] === 0) continue;
      const speed = speeds[system.members[m]!];
      if (speed === null || speed === undefined) return [{ element, row }];
      difference += row[m]! * speed;
    }
    return Math.abs(difference) < 1e-7 ? [{ element, row }] : [];
  });
  for (const holding of subsetsBySize(able)) {
    const lambda = reactions(system, [...system.rows, ...holding.map((o) => o.row)]);
    if (!lambda) continue;
    const oneWayTorques = lambda.slice(system.rows.length);
    if (oneWayTorques.some((t) => t !== null && t < TOLERANCE)) continue;
    const owners = [...system.owners, ...holding.map((o) => o.element)];
    const elements: Record<string, number | null> = {};
    owners.forEach((owner, k) => {
      if (owner === null) return;
      const torque = lambda[k]!;
      elements[owner] = torque === null ? null : Math.abs(torque) < TOLERANCE ? 0 : Math.abs(torque);
    });
    return { elements, holding: holding.map((o) => o.element) };
  }
  return { elements: {}, holding: [] };
}

/** λ per row, null where not determined; the whole null when no reaction balances the input. */
function reactions(system: System, rows: Row[]): (number | null)[] | null {
  // Unknowns: λ per row, the output load, and the input torque, which is fixed at 1.
  const [load, drive] = [rows.length, rows.length + 1];
  const equations = system.members.map((_, m) => {
    const equation = new Float64Array(rows.length + 2);
    rows.forEach((row, k) => (equation[k] = row[m]!));
    if (m === system.output) equation[load] = 1;
    if (m === system.input) equation[drive] = 1;
    return equation;
  });
  const space = solutionSpace(equations, [[drive, 1]], rows.length + 2);
  if (!space) return null;
  return rows.map((_, k) =>
    space.directions.some((d) => Math.abs(d[k]!) > TOLERANCE) ? null : space.origin[k]!,
  );
}

function subsetsBySize<T>(items: T[]): T[][] {
  const subsets: T[][] = [];
  for (let mask = 0; mask < 1 << items.length; mask++) subsets.push(items.filter((_, k) => mask & (1 << k)));
  return subsets.sort((a, b) => a.length - b.length);
}
