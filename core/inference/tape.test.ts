import { backward, forward, writeTape } from './tape';
import type { Family } from './family';

const family = (variables: number[], table: number[]): Family => ({
  variables,
  table: Float64Array.from(table),
});
const none = new Set<number>();

/** Runs a tape with the given likelihoods, two to each variable, and then back from its one result. */
function bothWays(families: Family[], cliques: number[][], likelihoods: number[][]) {
  const { steps, inputs, results, values } = writeTape(likelihoods.length, families, cliques, none);
  likelihoods.forEach((pair, v) => values.set(pair, inputs[v]));
  for (const step of steps) forward(values, step);
  // What nobody may read is not a number.
  const slopes = new Float64Array(values.length).fill(NaN);
  slopes[results[0]!.at] = 1;
  for (const step of [...steps].reverse()) backward(values, slopes, step);
  const at = (v: number) => [slopes[inputs[v]!], slopes[inputs[v]! + 1]];
  return { sum: values[results[0]!.at], slopes, at, inputs };
}

test('the sum over all states, and its derivative by every likelihood', () => {
  const { sum, at } = bothWays(
    [family([0, 1], [1, 2, 3, 4])],
    [[0, 1], [1]],
    [
      [5, 6],
      [7, 8],
    ],
  );
  // 7·(1·5 + 2·6) + 8·(3·5 + 4·6)
  expect(sum).toBe(431);
  expect(at(0)).toEqual([7 * 1 + 8 * 3, 7 * 2 + 8 * 4]);
  expect(at(1)).toEqual([17, 39]);
});

test('what never changes has no derivative worked out', () => {
  const { sum, at, slopes, inputs } = bothWays([family([0], [2, 3])], [[0]], [[5, 7]]);
  expect(sum).toBe(31);
  expect(at(0)).toEqual([2, 3]);
  const family0 = [0, 1].filter((k) => k !== inputs[0] && k !== inputs[0]! + 1);
  expect(family0.map((k) => slopes[k])).toEqual([NaN, NaN]);
});

test('what hangs on no finding is multiplied once, when the tape is written', () => {
  const families = [family([0], [0.7, 0.3]), family([1, 0], [0.8, 0.2, 0.1, 0.9])];
  const silent = writeTape(2, families, [[0, 1], [1]], new Set([0]));
  expect(silent.steps.map(({ states, sums }) => [states, sums])).toEqual([[2, true]]);
  const asked = writeTape(2, families, [[0, 1], [1]], none);
  // What is known of the first and what was found of it, then the pair, then what was found of the second.
  expect(asked.steps.map(({ states, sums }) => [states, sums])).toEqual([
    [2, false],
    [4, true],
    [2, true],
  ]);
  expect(silent.steps.concat(asked.steps).filter(({ z }) => z.constant)).toEqual([]);
});

test('a variable in one table only is summed out of it alone', () => {
  const { steps, values, results, inputs } = writeTape(
    2,
    [family([0, 1], [1, 2, 3, 4]), family([1], [5, 6])],
    [[0, 1], [1]],
    new Set([0]),
  );
  values.set([7, 8], inputs[1]);
  for (const step of steps) forward(values, step);
  expect(results.map(({ at }) => values[at])).toEqual([5 * 7 * (1 + 2) + 6 * 8 * (3 + 4)]);
});

test('of many tables the two with the smallest product come first, so that the large one is touched once', () => {
  const wide = family([0, 1, 2, 3, 4, 5, 6], new Array<number>(2 ** 7).fill(1));
  const families = [wide, family([0, 1], [1, 2, 3, 4]), family([0, 2], [1, 2, 3, 4])];
  const cliques = [0, 1, 2, 3, 4, 5, 6].map((v) => [v]);
  const { steps } = writeTape(7, families, cliques, none);
  // Finding and pair, that and the other pair, then the wide one; what is left has a finding to each variable.
  expect(steps.map(({ states }) => states)).toEqual([4, 8, 128, 64, 32, 16, 8, 4, 2]);
});
