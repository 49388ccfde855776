import { statesOf } from './family';
import type { Family } from './family';
import { eliminationOrder } from './order';

/** What the findings say of each variable: likelihoods [if 0, if 1] one after the other, two per variable. */
export type Likelihoods = Float64Array;

export interface Answer {
  /** Natural log of P(findings); −∞ when they cannot be. */
  logEvidence: number;
  /** P(variable = 1 | findings), per variable. */
  marginals: Float64Array;
}

export interface Compiled {
  variables: number;
  /** Entries of all tables together: what one answer costs. */
  size: number;
  /** Exact posteriors of every variable, in two passes. */
  answer(likelihoods: Likelihoods): Answer;
}

/** Largest sum of table entries that is still answered. */
export const LARGEST = 2 ** 23;

interface Clique {
  variable: number;
  /** The product of the families that live here. */
  base: Float64Array;
  /** Entries of the table are twice those of the separator. */
  half: number;
  parent: number;
  /** For every state of the parent's table the state of this separator. */
  inParent: Uint32Array;
  children: number[];
}

/**
 * Compiles families into a clique tree (Shenoy & Shafer 1990; each variable's elimination is one clique) whose tables are
 * made once and used again for every set of findings. Only sums and products of non-negative numbers occur, and messages
 * are kept at a largest entry of 1, so nothing cancels and nothing underflows however unlikely the findings are. Throws a
 * RangeError when the tables would grow beyond `LARGEST` entries: an approximate answer is never given.
 */
export function compile(variables: number, families: readonly Family[]): Compiled {
  const { cliques, size } = eliminationOrder(variables, families);
  if (size > LARGEST)
    throw new RangeError(
      `The causal model of this unit needs tables of ${size} numbers, more than ${LARGEST}. Simplify the unit or describe fewer gears.`,
    );
  const tree = treeOf(variables, families, cliques);
  const tables = tree.map((c) => new Float64Array(2 * c.half));
  const up = tree.map((c) => new Float64Array(c.half));
  const down = tree.map((c) => new Float64Array(c.half));

  const answer = (likelihoods: Likelihoods): Answer => {
    let log = 0;
    for (let k = 0; k < tree.length; k++) {
      const clique = tree[k]!;
      const table = tables[k]!;
      load(table, clique, likelihoods);
      for (const child of clique.children) times(table, up[child]!, tree[child]!.inParent);
      const message = up[k]!;
      // The variable itself is the lowest bit.
      let most = 0;
      for (let s = 0; s < message.length; s++) {
        const sum = table[2 * s]! + table[2 * s + 1]!;
        message[s] = sum;
        if (sum > most) most = sum;
      }
      log += Math.log(most);
      scale(message, most);
    }
    const marginals = new Float64Array(variables);
    for (let k = tree.length - 1; k >= 0; k--) {
      const { variable, children, parent, half } = tree[k]!;
      const table = tables[k]!;
      if (parent !== -1) {
        const message = down[k]!;
        for (let s = 0; s < half; s++) {
          table[2 * s] = table[2 * s]! * message[s]!;
          table[2 * s + 1] = table[2 * s + 1]! * message[s]!;
        }
      }
      for (const child of children) sendDown(table, up[child]!, down[child]!, tree[child]!.inParent);
      let [zero, one] = [0, 0];
      for (let s = 0; s < half; s++) {
        zero += table[2 * s]!;
        one += table[2 * s + 1]!;
      }
      marginals[variable] = zero + one > 0 ? one / (zero + one) : 0;
    }
    return { logEvidence: log, marginals };
  };

  /**
   * What the rest of the tree says to a child: the table without the child's own message. Divided where that message is
   * not zero; where it is, the child's table is zero there as well and nothing is lost.
   */
  const sendDown = (table: Float64Array, from: Float64Array, to: Float64Array, map: Uint32Array) => {
    to.fill(0);
    for (let k = 0; k < table.length; k++) to[map[k]!] = to[map[k]!]! + table[k]!;
    let most = 0;
    for (let s = 0; s < to.length; s++) {
      to[s] = from[s]! > 0 ? to[s]! / from[s]! : 0;
      if (to[s]! > most) most = to[s]!;
    }
    scale(to, most);
  };
  return { variables, size, answer };
}

function treeOf(variables: number, families: readonly Family[], cliques: number[][]): Clique[] {
  const position = new Array<number>(variables);
  cliques.forEach(([v], k) => (position[v!] = k));
  const residents = cliques.map((): Family[] => []);
  for (const family of families)
    residents[Math.min(...family.variables.map((v) => position[v]!))]!.push(family);
  const tree = cliques.map((members, k): Clique => {
    const separator = members.slice(1);
    const parent = separator.length ? Math.min(...separator.map((v) => position[v]!)) : -1;
    const base = new Float64Array(2 ** members.length).fill(1);
    for (const { variables: family, table } of residents[k]!) times(base, table, statesOf(members, family));
    return {
      variable: members[0]!,
      base,
      half: base.length / 2,
      parent,
      inParent: parent === -1 ? new Uint32Array(0) : statesOf(cliques[parent]!, separator),
      children: [],
    };
  });
  tree.forEach(({ parent }, k) => parent !== -1 && tree[parent]!.children.push(k));
  return tree;
}

/** The clique's own table with what the findings say of its variable. */
function load(table: Float64Array, { base, variable }: Clique, likelihoods: Likelihoods): void {
  const zero = likelihoods[2 * variable]!;
  const one = likelihoods[2 * variable + 1]!;
  for (let k = 0; k < table.length; k += 2) {
    table[k] = base[k]! * zero;
    table[k + 1] = base[k + 1]! * one;
  }
}

function times(table: Float64Array, factor: Float64Array, map: Uint32Array): void {
  for (let k = 0; k < table.length; k++) table[k] = table[k]! * factor[map[k]!]!;
}

function scale(message: Float64Array, most: number): void {
  if (most > 0 && most !== 1) for (let s = 0; s < message.length; s++) message[s] = message[s]! / most;
}

/** Findings that say nothing: to be filled in. */
export function noFindings(variables: number): Likelihoods {
  return new Float64Array(2 * variables).fill(1);
}
