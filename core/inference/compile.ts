import type { Family } from './family';
import { eliminationOrder } from './order';
import { backward, forward, writeTape } from './tape';

/** What the findings say of each variable: likelihoods [if 0, if 1] one after the other, two per variable. */
export type Likelihoods = Float64Array;

export interface Answer {
  /** Natural log of P(findings); −∞ when they cannot be. */
  logEvidence: number;
  /** P(variable = 1 | findings), per variable. */
  marginals: Float64Array;
  /** How far rounding has carried a probability below 0 or above 1: what the digits are worth. */
  noise: number;
}

export interface Compiled {
  variables: number;
  /** Entries of all tables together: what one answer costs. */
  size: number;
  /** Exact posteriors of every variable. */
  answer(likelihoods: Likelihoods): Answer;
  /** Natural log of P(findings) alone: a third of the work. */
  logEvidence(likelihoods: Likelihoods): number;
}

/**
 * What is still answered: so many table entries together, and so many variables. The widest unit that ships needs a quarter
 * of the one, with a complaint about every gear, and a third of the other.
 */
export const LARGEST = 2 ** 20;
export const MOST_VARIABLES = 1600;

/** The model is beyond what is answered: an approximate answer is never given. */
export class TooLarge extends RangeError {}

/**
 * Compiles families into a program of multiplications and sums (variable elimination; Darwiche 2003 for the pass back, in
 * which every posterior is a derivative of P(findings)). Tables are made once and used for every set of findings, each kept
 * at a largest entry of 1, so that nothing underflows. `auxiliary` variables stand for no event: they take no findings and
 * have no marginal. Throws TooLarge, soon, when the tables would grow beyond `largest` entries or there are more variables
 * than `MOST_VARIABLES`.
 */
export function compile(
  variables: number,
  families: readonly Family[],
  auxiliary: ReadonlySet<number> = new Set(),
  largest = LARGEST,
): Compiled {
  if (variables > MOST_VARIABLES)
    throw new TooLarge(`There are ${variables} variables, more than ${MOST_VARIABLES}.`);
  const found = eliminationOrder(variables, families, largest);
  if (!found) throw new TooLarge(`The tables would hold more than ${largest} numbers.`);
  const { cliques, size } = found;
  const { steps, inputs, results, values } = writeTape(variables, families, cliques, auxiliary);
  const slopes = new Float64Array(values.length);
  /** Forward: the log of P(findings) up to its sign, and the sign, which rounding alone can turn. */
  const ahead = (likelihoods: Likelihoods): { log: number; sign: number } => {
    for (let v = 0; v < variables; v++) {
      const at = inputs[v]!;
      if (at < 0) continue;
      values[at] = likelihoods[2 * v]!;
      values[at + 1] = likelihoods[2 * v + 1]!;
    }
    let log = 0;
    for (const step of steps) {
      forward(values, step);
      if (step.sums) log += Math.log(toOne(values, step.z.at, step.z.size));
    }
    let sign = 1;
    for (const { at } of results) {
      sign *= Math.sign(values[at]!);
      log += Math.log(Math.abs(values[at]!));
    }
    return { log, sign };
  };
  return {
    variables,
    size,
    logEvidence(likelihoods) {
      const { log, sign } = ahead(likelihoods);
      return sign > 0 ? log : -Infinity;
    },
    answer(likelihoods) {
      const { log, sign } = ahead(likelihoods);
      for (const { at } of results) slopes[at] = 1;
      for (let k = steps.length - 1; k >= 0; k--) {
        const { z } = steps[k]!;
        // Only ratios within a table count from here on.
        toOne(slopes, z.at, z.size);
        backward(values, slopes, steps[k]!);
      }
      const marginals = new Float64Array(variables);
      let noise = sign > 0 ? 0 : 1;
      for (let v = 0; v < variables; v++) {
        const at = inputs[v]!;
        if (at < 0) continue;
        const [zero, one] = [values[at]! * slopes[at]!, values[at + 1]! * slopes[at + 1]!];
        const p = one / (zero + one);
        marginals[v] = Number.isFinite(p) ? Math.min(1, Math.max(0, p)) : 0;
        if (Number.isFinite(p)) noise = Math.max(noise, Math.abs(p - marginals[v]!));
      }
      return { logEvidence: sign > 0 ? log : -Infinity, marginals, noise };
    },
  };
}

/** Brings the largest of a table's entries to 1, and returns what it was; a table of zeros stays as it is. */
function toOne(all: Float64Array, at: number, size: number): number {
  let most = 0;
  for (let k = at; k < at + size; k++) {
    // Not Math.abs: this is the innermost loop, and looking a global up is dear where scripts run in a context of their own.
    const entry = all[k]!;
    if (entry > most) most = entry;
    else if (-entry > most) most = -entry;
  }
  if (most > 0 && most !== 1) {
    const factor = 1 / most;
    for (let k = at; k < at + size; k++) all[k] = all[k]! * factor;
  }
  return most;
}

/** Findings that say nothing: to be filled in. */
export function noFindings(variables: number): Likelihoods {
  return new Float64Array(2 * variables).fill(1);
}
