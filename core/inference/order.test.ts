import fc from 'fast-check';
import { eliminationOrder } from './order';
import type { Family } from './family';

const family = (...variables: number[]): Family => ({
  variables,
  table: new Float64Array(2 ** variables.length).fill(1),
});

/** Neighbours of every variable, as the families tie them. */
function ties(variables: number, families: readonly Family[]): Set<number>[] {
  const near = Array.from({ length: variables }, () => new Set<number>());
  for (const { variables: of } of families)
    for (const a of of) for (const b of of) if (a !== b) near[a]!.add(b);
  return near;
}

/** Pairs of neighbours that are none of each other. */
function missing(near: readonly Set<number>[], v: number): number {
  const others = [...near[v]!];
  return others.flatMap((a, k) => others.slice(k + 1).filter((b) => !near[a]!.has(b))).length;
}

const graphs = fc
  .tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 2, max: 4 }))
  .chain(([variables, widest]) =>
    fc
      .array(fc.uniqueArray(fc.nat(variables - 1), { minLength: 1, maxLength: widest }), { maxLength: 24 })
      .map((of) => ({ variables, families: of.map((vs) => family(...vs)) })),
  );

test('whatever the graph: each step names whom the variable still meets, and takes one that ties fewest anew', () => {
  fc.assert(
    fc.property(graphs, ({ variables, families }) => {
      const { order, cliques, size } = eliminationOrder(variables, families)!;
      expect([...order].sort((a, b) => a - b)).toEqual([...Array(variables).keys()]);
      const near = ties(variables, families);
      const left = new Set(order);
      let sum = 0;
      order.forEach((v, k) => {
        const others = [...near[v]!];
        expect([...cliques[k]!].sort()).toEqual([v, ...others].sort());
        expect(cliques[k]![0]).toBe(v);
        expect(missing(near, v)).toBe(Math.min(...[...left].map((u) => missing(near, u))));
        sum += 2 ** (others.length + 1);
        for (const a of others) {
          near[a]!.delete(v);
          for (const b of others) if (a !== b) near[a]!.add(b);
        }
        near[v]!.clear();
        left.delete(v);
      });
      expect(size).toBe(sum);
    }),
    { numRuns: 300 },
  );
});

test('a chain is taken from its ends: no table over more than two', () => {
  const { cliques, size } = eliminationOrder(4, [family(0), family(0, 1), family(1, 2), family(2, 3)])!;
  expect(cliques.map((c) => c.length)).toEqual([2, 2, 2, 1]);
  expect(size).toBe(4 + 4 + 4 + 2);
});

test('a ring needs tables over three; what costs as much as is allowed is not taken', () => {
  const ring = [0, 1, 2, 3, 4].map((v) => family(v, (v + 1) % 5));
  const { size } = eliminationOrder(5, ring)!;
  expect(size).toBe(8 + 8 + 8 + 4 + 2);
  expect(eliminationOrder(5, ring, size)).toBeNull();
  expect(eliminationOrder(5, ring, size + 1)!.size).toBe(size);
});

/** A grid of so many by so many, neighbours tied. */
const grid = (n: number) =>
  [...Array(n * n).keys()].flatMap((v) => [
    ...(v % n < n - 1 ? [family(v, v + 1)] : []),
    ...(v < n * n - n ? [family(v, v + n)] : []),
  ]);

test('the same graph is always taken in the same order', () => {
  const first = eliminationOrder(36, grid(6))!;
  expect(eliminationOrder(36, grid(6))).toEqual(first);
  // Six wide: no order has smaller tables than over seven, and the least fill comes near.
  expect(Math.max(...first.cliques.map((c) => c.length))).toBeLessThanOrEqual(8);
});

test('where the tables are dear, ties are broken anew and the best try is taken', () => {
  // Ties by number alone come to 3,246.
  expect(eliminationOrder(49, grid(7))!.size).toBeLessThan(3246);
});
