import { contains, Entangled, isPoint, nearestToZero, rangeOver } from './range';
import type { SolutionSpace } from './linear';

const space = (origin: number[], ...directions: number[][]): SolutionSpace => ({
  origin: Float64Array.from(origin),
  directions: directions.map((d) => Float64Array.from(d)),
});
/** To nine places, and without a sign on 0. */
const settled = (value: number) => Math.round(value * 1e9) / 1e9 + 0;
const over = (...asked: Parameters<typeof rangeOver>) => {
  const range = rangeOver(...asked);
  return range && { low: settled(range.low), high: settled(range.high) };
};
const FREE = { low: -Infinity, high: Infinity };
const point = (value: number) => ({ low: value, high: value });

describe('a form over', () => {
  test('one solution alone is its value there, or nothing where an inequality does not hold', () => {
    const one = space([2, 3]);
    expect(over(one, [], [1, 1])).toEqual(point(5));
    expect(over(one, [[1, 0]], [10, 1])).toEqual(point(23));
    expect(over(one, [[-1, 1]], [1, 0])).toEqual(point(2));
    expect(over(one, [[1, -1]], [1, 0])).toBeNull();
    expect(
      over(
        one,
        [
          [1, 0],
          [1, -1],
        ],
        [1, 0],
      ),
    ).toBeNull();
    // Just at the limit holds.
    expect(over(space([2, 2]), [[1, -1]], [1, 0])).toEqual(point(2));
  });

  test('free directions is free where one of them moves it, else its value', () => {
    const line = space([2, 3], [1, 0]);
    expect(over(line, [], [1, 0])).toEqual(FREE);
    expect(over(line, [], [0, 1])).toEqual(point(3));
    expect(over(space([2, 3, 4], [1, 0, 0], [0, 1, 0]), [], [0, 1, 1])).toEqual(FREE);
  });

  test('a half line begins where the inequality does, on the side it leaves', () => {
    const line = space([2, 3], [1, 0]);
    expect(over(line, [[1, 0]], [1, 0])).toEqual({ low: 0, high: Infinity });
    expect(over(line, [[-1, 1]], [1, 0])).toEqual({ low: -Infinity, high: 3 });
    expect(over(line, [[1, 0]], [-2, 1])).toEqual({ low: -Infinity, high: 3 });
  });

  test('what lies between inequalities is what all of them leave, however they come', () => {
    // x ≥ 0, x ≤ 3, x ≤ 2, x ≥ 1 in turns.
    const line = space([0, 1], [1, 0]);
    const bounds = [
      [1, 0],
      [-1, 3],
      [-1, 2],
      [1, -1],
    ];
    expect(over(line, bounds, [1, 0])).toEqual({ low: 1, high: 2 });
    expect(over(line, bounds.toReversed(), [1, 0])).toEqual({ low: 1, high: 2 });
    expect(over(line, bounds, [3, 1])).toEqual({ low: 4, high: 7 });
  });

  test('inequalities that leave nothing leave nothing; those that meet leave a point', () => {
    const line = space([0, 1], [1, 0]);
    const between = (low: number, high: number) => [
      [1, -low],
      [-1, high],
    ];
    expect(over(line, between(2, 1), [1, 0])).toBeNull();
    expect(over(line, between(2, 1), [0, 1])).toBeNull();
    expect(over(line, between(2, 2), [1, 0])).toEqual(point(2));
  });

  test('an inequality the free directions do not touch holds or does not', () => {
    const line = space([0, 1], [1, 0]);
    expect(over(line, [[0, 1]], [0, 1])).toEqual(point(1));
    expect(over(line, [[0, -1]], [1, 0])).toBeNull();
  });

  test('two directions is bounded by inequalities that tie them together', () => {
    // x ≥ 0, y ≥ 0, x + y ≤ 4, and twice x at most y: x + 2y lies between 0 and 8, x between 0 and 4/3.
    const plane = space([0, 0, 1], [1, 0, 0], [0, 1, 0]);
    const inside = [
      [1, 0, 0],
      [0, 1, 0],
      [-1, -1, 4],
      [-2, 1, 0],
    ];
    expect(over(plane, inside, [1, 2, 0])).toEqual({ low: 0, high: 8 });
    expect(over(plane, inside, [3, 0, 0])).toEqual({ low: 0, high: 4 });
    // One of them alone leaves the other free.
    expect(over(plane, [[1, 0, 0]], [0, 1, 0])).toEqual(FREE);
  });
});

test('a tangle of inequalities is refused in words; one below the limit is not', () => {
  const bounds = (count: number) =>
    Array.from({ length: count }, (_, k) => [1, 0, k]).flatMap((b) => [b, [-1, 0, b[2]! + 1]]);
  const plane = space([0, 0, 1], [1, 0, 0], [0, 1, 0]);
  expect(() => over(plane, bounds(60), [1, 0, 0])).toThrow(Entangled);
  expect(() => over(plane, bounds(60), [1, 0, 0])).toThrow(/Too many free members hang on too many/);
  expect(over(plane, bounds(50), [1, 0, 0])).toEqual({ low: 0, high: 1 });
});

test('a range holds its ends, and is a point only where they meet', () => {
  const range = { low: 1, high: 2 };
  expect([0.9, 1, 1.5, 2, 2.1].map((v) => contains(range, v))).toEqual([false, true, true, true, false]);
  expect([isPoint(range), isPoint(point(3)), isPoint({ low: 1, high: 1 + 1e-12 })]).toEqual([
    false,
    true,
    true,
  ]);
});

test('the value nearest to rest is 0, or the end on its side', () => {
  const nearest = (low: number, high: number) => nearestToZero({ low, high });
  expect([nearest(-1, 2), nearest(0, 2), nearest(-3, 0), nearest(1, 2), nearest(-3, -2)]).toEqual([
    0, 0, 0, 1, -2,
  ]);
});
