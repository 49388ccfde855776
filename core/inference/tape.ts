import type { Family } from './family';

/** A table while it is being worked with: its variables in the order they are summed out, the first the lowest bit. */
interface Operand {
  scope: readonly number[];
  /** Where its values stand. */
  at: number;
  size: number;
  /** The same whatever the findings are. */
  constant: boolean;
}

/** One step: two tables multiplied over all their variables, and where `sums` the lowest of them summed out. */
interface Step {
  a: Operand;
  b: Operand;
  z: Operand;
  /** For every state of the product where the values of a and b in it stand. */
  fromA: Int32Array;
  fromB: Int32Array;
  states: number;
  sums: boolean;
}

/** A program of steps that works out P(findings) in one pass forward and every marginal in one pass back. */
export interface Tape {
  steps: readonly Step[];
  /** Where the likelihoods of a variable stand, or −1 for one that takes none. */
  inputs: Int32Array;
  /** Tables without variables left over: their product is P(findings). */
  results: readonly Operand[];
  /** All values, constants in place. */
  values: Float64Array;
}

/**
 * Writes the program: variables are summed out in the given order; of the tables that hold one, the two that make the
 * smallest product are multiplied first, so that large tables are touched as seldom as can be. What depends on no finding
 * is multiplied here, once.
 */
export function writeTape(
  variables: number,
  families: readonly Family[],
  cliques: readonly number[][],
  takesNone: ReadonlySet<number>,
): Tape {
  const position = new Int32Array(variables);
  cliques.forEach(([v], k) => (position[v!] = k));
  const ordered = (scope: Iterable<number>) => [...scope].sort((x, y) => position[x]! - position[y]!);
  let length = 0;
  const place = (scope: readonly number[], constant: boolean): Operand => {
    const size = 2 ** scope.length;
    length += size;
    return { scope, at: length - size, size, constant };
  };
  const waiting: Operand[][] = Array.from({ length: variables }, () => []);
  const results: Operand[] = [];
  const wait = (o: Operand) => (o.scope.length ? waiting[o.scope[0]!]!.push(o) : results.push(o));
  const known: { operand: Operand; table: Float64Array }[] = [];
  for (const family of families) {
    const operand = place(ordered(family.variables), true);
    known.push({ operand, table: reordered(family, operand.scope) });
    wait(operand);
  }
  const inputs = new Int32Array(variables).fill(-1);
  for (let v = 0; v < variables; v++) {
    if (takesNone.has(v)) continue;
    const operand = place([v], false);
    inputs[v] = operand.at;
    wait(operand);
  }
  const one = place([], true);
  known.push({ operand: one, table: Float64Array.of(1) });
  const steps: Step[] = [];
  const join = (a: Operand, b: Operand, sums: boolean): Operand => {
    const scope = ordered(new Set([...a.scope, ...b.scope]));
    const z = place(sums ? scope.slice(1) : scope, a.constant && b.constant);
    steps.push({
      a,
      b,
      z,
      fromA: within(scope, a.scope, a.at),
      fromB: within(scope, b.scope, b.at),
      states: 2 ** scope.length,
      sums,
    });
    return z;
  };
  for (const [v] of cliques) {
    const tables = waiting[v!]!;
    while (tables.length > 2) {
      const [i, j] = cheapest(tables);
      const z = join(tables[i]!, tables[j]!, false);
      tables.splice(j, 1);
      tables.splice(i, 1, z);
    }
    wait(join(tables[0]!, tables[1] ?? one, true));
  }
  const values = new Float64Array(length);
  for (const { operand, table } of known) values.set(table, operand.at);
  for (const step of steps) if (step.z.constant) forward(values, step);
  return { steps: steps.filter((s) => !s.z.constant), inputs, results, values };
}

/** The two tables whose product is smallest. */
function cheapest(tables: readonly Operand[]): [number, number] {
  let best: [number, number] = [0, 1];
  let least = Infinity;
  for (let i = 0; i < tables.length; i++)
    for (let j = i + 1; j < tables.length; j++) {
      const [x, y] = [tables[i]!.scope, tables[j]!.scope];
      const union = x.length + y.filter((v) => !x.includes(v)).length;
      if (union < least) [least, best] = [union, [i, j]];
    }
  return best;
}

/** For every state of `scope` the place of that of `part`, whose variables are all in it and whose table begins at `from`. */
function within(scope: readonly number[], part: readonly number[], from: number): Int32Array {
  const map = new Int32Array(2 ** scope.length).fill(from);
  // The states that hold a bit are those before it over again, and what that bit adds.
  scope.forEach((v, k) => {
    const [half, bit] = [2 ** k, part.indexOf(v)];
    const added = bit < 0 ? 0 : 2 ** bit;
    for (let state = 0; state < half; state++) map[half + state] = map[state]! + added;
  });
  return map;
}

function reordered({ variables, table }: Family, scope: readonly number[]): Float64Array {
  return Float64Array.from(within(scope, variables, 0), (k) => table[k]!);
}

/** Carries out a step. */
export function forward(values: Float64Array, { z, fromA, fromB, states, sums }: Step): void {
  let to = z.at;
  if (sums)
    for (let k = 0; k < states; k += 2)
      values[to++] =
        values[fromA[k]!]! * values[fromB[k]!]! + values[fromA[k + 1]!]! * values[fromB[k + 1]!]!;
  else for (let k = 0; k < states; k++) values[to++] = values[fromA[k]!]! * values[fromB[k]!]!;
}

/** Carries a step's derivatives back: from those of the product to those of what was multiplied. */
export function backward(values: Float64Array, slopes: Float64Array, step: Step): void {
  const { a, b, z, fromA, fromB, states } = step;
  const [toA, toB] = [!a.constant, !b.constant];
  if (toA) slopes.fill(0, a.at, a.at + a.size);
  if (toB) slopes.fill(0, b.at, b.at + b.size);
  const shift = step.sums ? 1 : 0;
  for (let k = 0; k < states; k++) {
    const slope = slopes[z.at + (k >> shift)]!;
    const x = fromA[k]!;
    const y = fromB[k]!;
    if (toA) slopes[x] = slopes[x]! + slope * values[y]!;
    if (toB) slopes[y] = slopes[y]! + slope * values[x]!;
  }
}
