import type { Family } from './family';

/** An order in which variables are summed out, with what it costs. */
export interface Elimination {
  /** Variables, first summed out first. */
  order: number[];
  /** Per step: the variable itself, then what it still shares a table with. */
  cliques: number[][];
  /** Entries of all tables together. */
  size: number;
}

/** Orders tried; ties are broken anew each time, always from the same seed, so that the result never changes. */
const TRIES = 4;

/**
 * A cheap order to sum variables out: least fill first (Kjærulff 1990), the best of a few tries. Gives up a try as soon as
 * it costs more than the best one, or than `limit` entries; null when none is within it.
 */
export function eliminationOrder(
  variables: number,
  families: readonly Family[],
  limit = Infinity,
): Elimination | null {
  let best: Elimination | null = null;
  for (let attempt = 0; attempt < TRIES; attempt++) {
    const found = greedy(variables, families, attempt, best?.size ?? limit);
    if (found) best = found;
    // Small tables are not worth another try.
    if (best && best.size < 64 * variables) break;
  }
  return best;
}

function greedy(
  variables: number,
  families: readonly Family[],
  seed: number,
  limit: number,
): Elimination | null {
  const near: Set<number>[] = Array.from({ length: variables }, () => new Set<number>());
  for (const { variables: family } of families)
    for (const a of family) for (const b of family) if (a !== b) near[a]!.add(b);
  const next = dice(seed);
  const tie = Float64Array.from({ length: variables }, () => (seed === 0 ? 0 : next()));
  const cost = new Float64Array(variables);
  const left = new Set<number>();
  for (let v = 0; v < variables; v++) {
    cost[v] = fill(near, v) + tie[v]!;
    left.add(v);
  }
  const cliques: number[][] = [];
  let size = 0;
  while (left.size) {
    let v = -1;
    for (const u of left) {
      if (v === -1 || cost[u]! < cost[v]!) v = u;
      if (cost[v]! < 1) break;
    }
    const others = [...near[v]!];
    size += 2 ** (others.length + 1);
    if (size >= limit) return null;
    cliques.push([v, ...others]);
    left.delete(v);
    for (const a of others) near[a]!.delete(v);
    const touched = new Set(others);
    for (let i = 0; i < others.length; i++)
      for (let j = i + 1; j < others.length; j++) {
        const [a, b] = [others[i]!, others[j]!];
        if (near[a]!.has(b)) continue;
        near[a]!.add(b);
        near[b]!.add(a);
        // Whoever stands near both has one edge less to fill in.
        for (const c of near[a]!) if (near[b]!.has(c)) touched.add(c);
      }
    for (const a of touched) cost[a] = fill(near, a) + tie[a]!;
  }
  return { order: cliques.map((c) => c[0]!), cliques, size };
}

/** Edges that summing v out would add among its neighbours. */
function fill(near: readonly Set<number>[], v: number): number {
  const others = [...near[v]!];
  let missing = 0;
  for (let i = 0; i < others.length; i++)
    for (let j = i + 1; j < others.length; j++) if (!near[others[i]!]!.has(others[j]!)) missing++;
  return missing;
}

/** A small congruential generator (Park & Miller), in [0, 1). */
function dice(seed: number): () => number {
  let state = 48271 * (seed + 1);
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}
