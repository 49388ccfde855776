/**
 * Exact inference over binary variables by a clique tree (variable elimination kept as a tree, then a second pass down),
 * after Shenoy & Shafer. The tree is compiled once from the families; factors may change from call to call.
 */

/*
 * A factor's table over a family of variables holds, at entry k, the value where bit i of k is the state of family[i].
 */

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

/** A tree with every index map worked out, for factors over the given families; only their values may change. */
export interface CompiledInference {
  (values: Float64Array[]): Inference;
}

/** Prepares exact inference for factors over fixed families of variables. */
export function compileInference(tree: CliqueTree, families: number[][]): CompiledInference {
  const { cliques, position, size } = tree;
  const homes = families.map((family) => Math.min(...family.map((v) => position[v]!)));
  const maps = families.map((family, f) => indexMap(cliques[homes[f]!]!.variables, family));
  const toSeparator = cliques.map((c) => indexMap(c.variables, c.variables.slice(1)));
  const toParent = cliques.map((c) =>
    c.parent === -1 ? new Uint16Array(0) : indexMap(cliques[c.parent]!.variables, c.variables.slice(1)),
  );
  const sizes = cliques.map((c) => 1 << c.variables.length);
  return (values) => {
    const own = sizes.map((n) => new Float64Array(n).fill(1));
    values.forEach((table, f) => multiplyInto(own[homes[f]!]!, table, maps[f]!));
    const up: Float64Array[] = [];
    let evidence = 1;
    cliques.forEach((clique, k) => {
      const table = own[k]!.slice();
      for (const child of clique.children) multiplyInto(table, up[child]!, toParent[child]!);
      up[k] = sumOver(table, toSeparator[k]!, sizes[k]! >> 1);
      if (clique.parent === -1) evidence *= up[k]![0]!;
    });
    const marginals = new Float64Array(size);
    const down: Float64Array[] = [];
    for (let k = cliques.length - 1; k >= 0; k--) {
      const clique = cliques[k]!;
      const base = own[k]!;
      if (clique.parent !== -1) multiplyInto(base, down[k]!, toSeparator[k]!);
      for (const child of clique.children) {
        const table = base.slice();
        for (const other of clique.children)
          if (other !== child) multiplyInto(table, up[other]!, toParent[other]!);
        down[child] = sumOver(table, toParent[child]!, sizes[child]! >> 1);
      }
      for (const child of clique.children) multiplyInto(base, up[child]!, toParent[child]!);
      // The eliminated variable is the lowest bit of its clique.
      let zero = 0;
      let one = 0;
      for (let i = 0; i < base.length; i += 2) {
        zero += base[i]!;
        one += base[i + 1]!;
      }
      marginals[clique.variables[0]!] = zero + one > 0 ? one / (zero + one) : 0;
    }
    return { evidence, marginals };
  };
}

/** For every state of `variables`, the state of `part` it contains. */
function indexMap(variables: number[], part: number[]): Uint16Array {
  const bits = part.map((v) => variables.indexOf(v));
  return Uint16Array.from({ length: 1 << variables.length }, (_, k) =>
    bits.reduce((index, bit, i) => (k & (1 << bit) ? index | (1 << i) : index), 0),
  );
}

function multiplyInto(table: Float64Array, factor: Float64Array, map: Uint16Array): void {
  for (let k = 0; k < table.length; k++) table[k] = table[k]! * factor[map[k]!]!;
}

function sumOver(table: Float64Array, map: Uint16Array, length: number): Float64Array {
  const sums = new Float64Array(length);
  for (let k = 0; k < table.length; k++) sums[map[k]!] = sums[map[k]!]! + table[k]!;
  return sums;
}
