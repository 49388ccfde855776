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

/** Inference with some factors exchanged (factor number → table) from those it was prepared with. */
export type PreparedInference = (exchanged: ReadonlyMap<number, Float64Array>) => Inference;

/** A tree with every index map worked out, for factors over the given families; only their values may change. */
export type CompiledInference = (values: readonly Float64Array[]) => PreparedInference;

/**
 * Prepares exact inference for factors over fixed families of variables, in two steps, so that many passes which differ
 * in a few factors share the work on the rest.
 */
export function compileInference(tree: CliqueTree, families: number[][]): CompiledInference {
  const { cliques, position } = tree;
  const homes = families.map((family) => Math.min(...family.map((v) => position[v]!)));
  const maps = families.map((family, f) => indexMap(cliques[homes[f]!]!.variables, family));
  const residents = cliques.map((_, k) => homes.flatMap((home, f) => (home === k ? [f] : [])));
  const toSeparator = cliques.map((c) => indexMap(c.variables, c.variables.slice(1)));
  const toParent = cliques.map((c) =>
    c.parent === -1 ? new Uint16Array(0) : indexMap(cliques[c.parent]!.variables, c.variables.slice(1)),
  );
  const potential = (k: number, tableOf: (factor: number) => Float64Array) => {
    const table = new Float64Array(1 << cliques[k]!.variables.length).fill(1);
    for (const f of residents[k]!) multiplyInto(table, tableOf(f), maps[f]!);
    return table;
  };
  const workspace = workspaceOf(tree);
  return (values) => {
    const base = cliques.map((_, k) => potential(k, (f) => values[f]!));
    return (exchanged) => {
      const own = base.slice();
      for (const k of new Set([...exchanged.keys()].map((f) => homes[f]!)))
        own[k] = potential(k, (f) => exchanged.get(f) ?? values[f]!);
      return passes(tree, own, toSeparator, toParent, workspace);
    };
  };
}

/** Tables that every pass writes anew, kept between passes: making them would cost more than filling them. */
interface Workspace {
  table: Float64Array[];
  scratch: Float64Array[];
  up: Float64Array[];
  down: Float64Array[];
}

function workspaceOf({ cliques }: CliqueTree): Workspace {
  const whole = () => cliques.map((c) => new Float64Array(1 << c.variables.length));
  const separators = () => cliques.map((c) => new Float64Array(1 << (c.variables.length - 1)));
  return { table: whole(), scratch: whole(), up: separators(), down: separators() };
}

/** Collects messages up to the last clique and spreads them down again. */
function passes(
  { cliques, size }: CliqueTree,
  own: Float64Array[],
  toSeparator: Uint16Array[],
  toParent: Uint16Array[],
  { table: tables, scratch, up, down }: Workspace,
): Inference {
  let evidence = 1;
  for (let k = 0; k < cliques.length; k++) {
    const { children, parent } = cliques[k]!;
    const table = tables[k]!;
    table.set(own[k]!);
    for (const child of children) multiplyInto(table, up[child]!, toParent[child]!);
    sumInto(up[k]!, table, toSeparator[k]!);
    if (parent === -1) evidence *= up[k]![0]!;
  }
  const marginals = new Float64Array(size);
  for (let k = cliques.length - 1; k >= 0; k--) {
    const { children, parent, variables } = cliques[k]!;
    const table = tables[k]!;
    table.set(own[k]!);
    if (parent !== -1) multiplyInto(table, down[k]!, toSeparator[k]!);
    for (const child of children) {
      const others = scratch[k]!;
      others.set(table);
      for (const other of children) if (other !== child) multiplyInto(others, up[other]!, toParent[other]!);
      sumInto(down[child]!, others, toParent[child]!);
    }
    for (const child of children) multiplyInto(table, up[child]!, toParent[child]!);
    // The eliminated variable is the lowest bit of its clique.
    let zero = 0;
    let one = 0;
    for (let i = 0; i < table.length; i += 2) {
      zero += table[i]!;
      one += table[i + 1]!;
    }
    marginals[variables[0]!] = zero + one > 0 ? one / (zero + one) : 0;
  }
  return { evidence, marginals };
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

/** Sums a table over what its separator leaves out. */
function sumInto(sums: Float64Array, table: Float64Array, map: Uint16Array): void {
  sums.fill(0);
  for (let k = 0; k < table.length; k++) sums[map[k]!] = sums[map[k]!]! + table[k]!;
}
