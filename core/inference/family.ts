/**
 * A table over a few binary variables. Entry k holds the value where bit i of k is the state of `variables[i]`; a family
 * of a Bayesian network is P(first | rest).
 */
export interface Family {
  variables: readonly number[];
  table: Float64Array;
}

/** For every state of `variables`, the state of `part` that it contains. Every variable of `part` is among them. */
export function statesOf(variables: readonly number[], part: readonly number[]): Uint32Array {
  const bits = part.map((v) => variables.indexOf(v));
  return Uint32Array.from({ length: 2 ** variables.length }, (_, k) =>
    bits.reduce((index, bit, i) => ((k >>> bit) & 1 ? index | (1 << i) : index), 0),
  );
}
