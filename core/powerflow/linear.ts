/** Values below this count as zero. Rows are integer tooth counts scaled to at most 1, so rounding stays near 1e-15. */
export const TOLERANCE = 1e-9;

export interface Reduced {
  /** Reduced row echelon form of the augmented matrix. */
  rows: number[][];
  /** Column of the leading 1 of each row. */
  pivots: number[];
  consistent: boolean;
}

/**
 * Gauss–Jordan elimination with partial pivoting of an augmented matrix (`columns` unknowns, then the right side).
 * Rows are scaled by their largest entry first, so one tolerance serves all.
 */
export function reduce(augmented: number[][], columns: number): Reduced {
  const rows = augmented.map(scaled);
  const pivots: number[] = [];
  let rank = 0;
  for (let column = 0; column < columns && rank < rows.length; column++) {
    let best = rank;
    for (let r = rank + 1; r < rows.length; r++) {
      if (Math.abs(rows[r]![column]!) > Math.abs(rows[best]![column]!)) best = r;
    }
    if (Math.abs(rows[best]![column]!) < TOLERANCE) continue;
    [rows[rank], rows[best]] = [rows[best]!, rows[rank]!];
    const lead = rows[rank]!;
    const factor = lead[column]!;
    for (let k = 0; k <= columns; k++) lead[k] = lead[k]! / factor;
    for (let r = 0; r < rows.length; r++) {
      if (r === rank) continue;
      const multiple = rows[r]![column]!;
      if (multiple === 0) continue;
      for (let k = 0; k <= columns; k++) rows[r]![k] = rows[r]![k]! - multiple * lead[k]!;
    }
    pivots.push(column);
    rank++;
  }
  const consistent = rows.slice(rank).every((row) => Math.abs(row[columns]!) < TOLERANCE);
  return { rows: rows.slice(0, rank), pivots, consistent };
}

function scaled(row: number[]): number[] {
  let largest = 0;
  for (const value of row) largest = Math.max(largest, Math.abs(value));
  const copy = row.slice();
  if (largest > 0) for (let k = 0; k < copy.length; k++) copy[k] = copy[k]! / largest;
  return copy;
}

/** Every solution of a reduced system: a particular one plus any combination of `directions`. */
export interface SolutionSpace {
  origin: number[];
  directions: number[][];
}

/** Null when the system contradicts itself. */
export function solutionSpace(reduced: Reduced, columns: number): SolutionSpace | null {
  if (!reduced.consistent) return null;
  const origin = new Array<number>(columns).fill(0);
  reduced.pivots.forEach((column, r) => (origin[column] = reduced.rows[r]![columns]!));
  const directions: number[][] = [];
  for (let free = 0; free < columns; free++) {
    if (reduced.pivots.includes(free)) continue;
    const direction = new Array<number>(columns).fill(0);
    direction[free] = 1;
    reduced.pivots.forEach((column, r) => (direction[column] = -reduced.rows[r]![free]!));
    directions.push(direction);
  }
  return { origin, directions };
}
