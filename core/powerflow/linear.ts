/** Values below this count as zero. Rows are integer tooth counts scaled to at most 1, so rounding stays near 1e-15. */
export const TOLERANCE = 1e-9;

export type Row = ArrayLike<number>;

/** A linear form set to a value: `form·x = value`. */
export type Fixed = readonly [form: Row, value: number];

/** Every solution of a linear system: a particular one plus any combination of `directions`. */
export interface SolutionSpace {
  origin: Float64Array;
  directions: Float64Array[];
}

/**
 * All solutions of `rows·x = 0` with some forms fixed; null when that contradicts itself.
 *
 * Gauss–Jordan elimination with partial pivoting on one flat buffer. Rows are scaled by their largest entry first, so
 * one tolerance serves all. `x` has `size` entries.
 */
export function solutionSpace(
  rows: readonly Row[],
  fixed: readonly Fixed[],
  size: number,
): SolutionSpace | null {
  const stride = size + 1;
  const count = rows.length + fixed.length;
  const m = new Float64Array(count * stride);
  for (let r = 0; r < rows.length; r++) copyScaled(rows[r]!, 0, m, r * stride, size);
  for (let k = 0; k < fixed.length; k++) {
    const [form, value] = fixed[k]!;
    copyScaled(form, value, m, (rows.length + k) * stride, size);
  }
  const pivots = eliminate(m, count, stride);
  for (let r = pivots.length; r < count; r++) {
    if (Math.abs(m[r * stride + size]!) >= TOLERANCE) return null;
  }
  return readSpace(m, pivots, stride);
}

function copyScaled(row: Row, value: number, m: Float64Array, at: number, size: number): void {
  let largest = 0;
  for (let k = 0; k < size; k++) {
    // Not Math.abs: looking a global up here is dear where scripts run in a context of their own.
    const entry = row[k]!;
    if (entry > largest) largest = entry;
    else if (-entry > largest) largest = -entry;
  }
  const scale = largest > 0 ? 1 / largest : 1;
  for (let k = 0; k < size; k++) m[at + k] = row[k]! * scale;
  m[at + size] = value * scale;
}

/** Brings `m` to reduced row echelon form in place; gives the column of each row's leading 1. */
function eliminate(m: Float64Array, count: number, stride: number): number[] {
  const pivots: number[] = [];
  for (let column = 0; column < stride - 1 && pivots.length < count; column++) {
    const lead = pivots.length * stride;
    let best = lead;
    for (let r = lead + stride; r < count * stride; r += stride) {
      if (Math.abs(m[r + column]!) > Math.abs(m[best + column]!)) best = r;
    }
    const pivot = m[best + column]!;
    if (Math.abs(pivot) < TOLERANCE) continue;
    for (let k = column; k < stride; k++) {
      const value = m[best + k]! / pivot;
      m[best + k] = m[lead + k]!;
      m[lead + k] = value;
    }
    for (let r = 0; r < count * stride; r += stride) {
      const multiple = m[r + column]!;
      if (r === lead || multiple === 0) continue;
      for (let k = column; k < stride; k++) m[r + k] = m[r + k]! - multiple * m[lead + k]!;
    }
    pivots.push(column);
  }
  return pivots;
}

function readSpace(m: Float64Array, pivots: number[], stride: number): SolutionSpace {
  const size = stride - 1;
  const origin = new Float64Array(size);
  pivots.forEach((column, r) => (origin[column] = m[r * stride + size]!));
  const directions: Float64Array[] = [];
  for (let free = 0; free < size; free++) {
    if (pivots.includes(free)) continue;
    const direction = new Float64Array(size);
    direction[free] = 1;
    pivots.forEach((column, r) => (direction[column] = -m[r * stride + free]!));
    directions.push(direction);
  }
  return { origin, directions };
}
