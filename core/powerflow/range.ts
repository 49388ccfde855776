import { TOLERANCE } from './linear';
import type { SolutionSpace } from './linear';

/** Closed range of values; an open side is ±Infinity. */
export interface Range {
  low: number;
  high: number;
}

/**
 * Range of the linear form `form·x` over a solution space under inequalities `g·x ≥ 0`, or null when nothing satisfies them.
 * Fourier–Motzkin elimination of the free directions: exact, and small because a unit has few one-way clutches.
 */
export function rangeOver(space: SolutionSpace, inequalities: number[][], form: number[]): Range | null {
  if (space.directions.length === 0) {
    if (inequalities.some((g) => dot(g, space.origin) < -TOLERANCE)) return null;
    const value = dot(form, space.origin);
    return { low: value, high: value };
  }
  const along = (row: number[]) => space.directions.map((d) => dot(row, d));
  // Unknowns: the free directions, then y = form·x. A constraint is [coefficients…, y, constant] and means "≥ 0".
  const spread = along(form);
  const base = dot(form, space.origin);
  let constraints = inequalities.map((g) => [...along(g), 0, dot(g, space.origin)]);
  constraints.push([...spread.map((v) => -v), 1, -base], [...spread, -1, base]);
  for (let k = 0; k < space.directions.length; k++) constraints = eliminate(constraints, k);
  const y = space.directions.length;
  const range: Range = { low: -Infinity, high: Infinity };
  for (const constraint of constraints) {
    const slope = constraint[y]!;
    const constant = constraint[y + 1]!;
    if (Math.abs(slope) < TOLERANCE) {
      if (constant < -TOLERANCE) return null;
    } else if (slope > 0) range.low = Math.max(range.low, -constant / slope);
    else range.high = Math.min(range.high, -constant / slope);
  }
  return range.low > range.high + TOLERANCE ? null : range;
}

export function isPoint(range: Range): boolean {
  return range.high - range.low < TOLERANCE;
}

export function contains(range: Range, value: number): boolean {
  return range.low <= value + TOLERANCE && range.high >= value - TOLERANCE;
}

/** The value of the range nearest to zero. */
export function nearestToZero(range: Range): number {
  if (contains(range, 0)) return 0;
  return range.low > 0 ? range.low : range.high;
}

function eliminate(constraints: number[][], column: number): number[][] {
  const kept: number[][] = [];
  const positive: number[][] = [];
  const negative: number[][] = [];
  for (const c of constraints) {
    const v = c[column]!;
    (Math.abs(v) < TOLERANCE ? kept : v > 0 ? positive : negative).push(c);
  }
  for (const p of positive) {
    for (const n of negative) {
      kept.push(p.map((v, k) => v / p[column]! - n[k]! / n[column]!));
    }
  }
  return kept;
}

function dot(a: number[], b: number[]): number {
  let sum = 0;
  for (let k = 0; k < a.length; k++) sum += a[k]! * b[k]!;
  return sum;
}
