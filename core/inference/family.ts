/**
 * A table over a few binary variables. Entry k holds the value where bit i of k is the state of `variables[i]`; a family
 * of a Bayesian network is P(first | rest).
 */
export interface Family {
  variables: readonly number[];
  table: Float64Array;
}
