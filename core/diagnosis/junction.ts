/**
 * Exact inference over binary variables by a clique tree (variable elimination kept as a tree, then a second pass down),
 * after Shenoy & Shafer. The tree is compiled once from the families; factors may change from call to call.
 */

/** Table over the listed variables: entry k holds the value where bit i of k is the state of variables[i]. */
export interface Factor {
  variables: number[];
  values: Float64Array;
}

interface Clique {
  /** First is the eliminated one; the rest are the separator towards the parent. */
  variables: number[];
  parent: number;
  children: number[];
}

export interface CliqueTree {
  size: number;
  cliques: Clique[];
  /** Clique that takes a factor whose earliest eliminated variable is v. */
  position: number[];
}

/** Compiles a tree for families (lists of variable numbers that stand together in a factor). Min-fill order. */
export function compileTree(size: number, families: number[][]): CliqueTree {
  const near = Array.from({ length: size }, () => new Set<number>());
  for (const family of families) for (const a of family) for (const b of family) if (a !== b) near[a]!.add(b);
  const left = new Set(Array.from({ length: size }, (_, k) => k));
  const position = new Array<number>(size).fill(0);
  const cliques: Clique[] = [];
  while (left.size) {
    const v = cheapest(left, near);
    const others = [...near[v]!];
    position[v] = cliques.length;
    cliques.push({ variables: [v, ...others], parent: -1, children: [] });
    for (const a of others) {
      near[a]!.delete(v);
      for (const b of others) if (a !== b) near[a]!.add(b);
    }
    left.delete(v);
  }
  cliques.forEach((clique, k) => {
    const rest = clique.variables.slice(1).map((v) => position[v]!);
    if (rest.length === 0) return;
    clique.parent = Math.min(...rest);
    cliques[clique.parent]!.children.push(k);
  });
  return { size, cliques, position };
}

function cheapest(left: Set<number>, near: Set<number>[]): number {
  let best = -1;
  let bestFill = Infinity;
  for (const v of left) {
    const others = [...near[v]!];
    let fill = 0;
    for (let i = 0; i < others.length; i++)
      for (let j = i + 1; j < others.length; j++) if (!near[others[i]!]!.has(others[j]!)) fill++;
    if (fill < bestFill) [best, bestFill] = [v, fill];
  }
  return best;
}

export interface Inference {
  /** Sum of the product of all factors: the probability of the evidence. */
  evidence: number;
  /** P(variable = 1 | evidence), per variable. */
  marginals: Float64Array;
}

/** Multiplies the factors and sums: the evidence and every marginal, exactly. */
export function infer(tree: CliqueTree, factors: Factor[]): Inference {
  const { cliques, position, size } = tree;
  const own = cliques.map((c) => new Float64Array(1 << c.variables.length).fill(1));
  for (const factor of factors) {
    const home = Math.min(...factor.variables.map((v) => position[v]!));
    multiplyInto(cliques[home]!.variables, own[home]!, factor);
  }
  const up: Factor[] = [];
  cliques.forEach((clique, k) => {
    const table = own[k]!.slice();
    for (const child of clique.children) multiplyInto(clique.variables, table, up[child]!);
    up[k] = marginalise(clique.variables, table, clique.variables.slice(1));
  });
  let evidence = 1;
  cliques.forEach((clique, k) => {
    if (clique.parent === -1) evidence *= up[k]!.values[0]!;
  });
  const marginals = new Float64Array(size);
  const down: Factor[] = [];
  for (let k = cliques.length - 1; k >= 0; k--) {
    const clique = cliques[k]!;
    const base = own[k]!.slice();
    if (clique.parent !== -1) multiplyInto(clique.variables, base, down[k]!);
    for (const child of clique.children) {
      const table = base.slice();
      for (const other of clique.children) if (other !== child) multiplyInto(clique.variables, table, up[other]!);
      down[child] = marginalise(clique.variables, table, cliques[child]!.variables.slice(1));
    }
    for (const child of clique.children) multiplyInto(clique.variables, base, up[child]!);
    const [zero, one] = marginalise(clique.variables, base, [clique.variables[0]!]).values as unknown as [number, number];
    marginals[clique.variables[0]!] = zero + one > 0 ? one / (zero + one) : 0;
  }
  return { evidence, marginals };
}

function multiplyInto(variables: number[], table: Float64Array, factor: Factor): void {
  const bits = factor.variables.map((v) => variables.indexOf(v));
  for (let k = 0; k < table.length; k++) {
    let index = 0;
    for (let i = 0; i < bits.length; i++) if (k & (1 << bits[i]!)) index |= 1 << i;
    table[k] = table[k]! * factor.values[index]!;
  }
}

function marginalise(variables: number[], table: Float64Array, keep: number[]): Factor {
  const bits = keep.map((v) => variables.indexOf(v));
  const values = new Float64Array(1 << keep.length);
  for (let k = 0; k < table.length; k++) {
    let index = 0;
    for (let i = 0; i < bits.length; i++) if (k & (1 << bits[i]!)) index |= 1 << i;
    values[index] = values[index]! + table[k]!;
  }
  return { variables: keep, values };
}
