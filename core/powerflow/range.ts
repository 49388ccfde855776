import { TOLERANCE } from './linear';
import type { Row, SolutionSpace } from './linear';

/** A unit so entangled that its one-way clutches cannot be resolved in reasonable time. */
export class Entangled extends RangeError {}

/** Constraints at one step of the elimination; real units stay below a hundred. */
const MOST_CONSTRAINTS = 3000;

/** Closed range of values; an open side is ±Infinity. */
export interface Range {
  low: number;
  high: number;
}

/**
 * Range of the linear form `form·x` over a solution space under inequalities `g·x ≥ 0`, or null when nothing satisfies them.
 * Fourier–Motzkin elimination of the free directions: exact, and small because a unit has few one-way clutches.
 * Throws `Entangled` when it is not small.
 */
export function rangeOver(space: SolutionSpace, inequalities: readonly Row[], form: Row): Range | null {
  if (space.directions.length === 0) {
    if (inequalities.some((g) => dot(g, space.origin) < -TOLERANCE)) return null;
    return pointAt(dot(form, space.origin));
  }
  // Without inequalities a form is either the same in every solution or free.
  if (inequalities.length === 0) {
    const free = space.directions.some((d) => Math.abs(dot(form, d)) > TOLERANCE);
    return free ? { low: -Infinity, high: Infinity } : pointAt(dot(form, space.origin));
  }
  // Unknowns: the free directions, then y = form·x. A constraint is [coefficients…, y, constant] and means "≥ 0".
  const width = space.directions.length + 2;
  const constraint = (row: Row, sign: number, y: number): Float64Array => {
    const made = new Float64Array(width);
    space.directions.forEach((d, k) => (made[k] = sign * dot(row, d)));
    made[width - 2] = y;
    made[width - 1] = sign * dot(row, space.origin);
    return made;
  };
  let constraints = inequalities.map((g) => constraint(g, 1, 0));
  constraints.push(constraint(form, -1, 1), constraint(form, 1, -1));
  for (let k = 0; k < space.directions.length; k++) constraints = eliminate(constraints, k);
  const y = space.directions.length;
  const range: Range = { low: -Infinity, high: Infinity };
  for (const c of constraints) {
    const slope = c[y]!;
    const constant = c[y + 1]!;
    if (Math.abs(slope) < TOLERANCE) {
      if (constant < -TOLERANCE) return null;
    } else if (slope > 0) range.low = Math.max(range.low, -constant / slope);
    else range.high = Math.min(range.high, -constant / slope);
  }
  return range.low > range.high + TOLERANCE ? null : range;
}

function pointAt(value: number): Range {
  return { low: value, high: value };
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

function eliminate(constraints: Float64Array[], column: number): Float64Array[] {
  const kept: Float64Array[] = [];
  const positive: Float64Array[] = [];
  const negative: Float64Array[] = [];
  for (const c of constraints) {
    const v = c[column]!;
    (Math.abs(v) < TOLERANCE ? kept : v > 0 ? positive : negative).push(c);
  }
  if (kept.length + positive.length * negative.length > MOST_CONSTRAINTS)
    throw new Entangled('Too many free members hang on too many one-way clutches to tell what they do.');
  for (const p of positive) {
    for (const n of negative) kept.push(p.map((v, k) => v / p[column]! - n[k]! / n[column]!));
  }
  return kept;
}

function dot(a: Row, b: Row): number {
  let sum = 0;
  for (let k = 0; k < a.length; k++) sum += a[k]! * b[k]!;
  return sum;
}
