import fc from 'fast-check';
import { solutionSpace } from './linear';

const SIZE = 5;
const row = fc.array(fc.integer({ min: -60, max: 60 }), { minLength: SIZE, maxLength: SIZE });
const rows = fc.array(row, { minLength: 0, maxLength: 6 });
const unit = (at: number) => Array.from({ length: SIZE }, (_, k) => (k === at ? 1 : 0));
const dot = (a: ArrayLike<number>, b: ArrayLike<number>) =>
  Array.from({ length: SIZE }, (_, k) => a[k]! * b[k]!).reduce((x, y) => x + y, 0);

describe('all solutions of a homogeneous system', () => {
  test('satisfy every row, alone and in any combination', () => {
    fc.assert(
      fc.property(rows, fc.array(fc.integer({ min: -3, max: 3 }), { maxLength: SIZE }), (list, weights) => {
        const space = solutionSpace(list, [], SIZE)!;
        const x = Float64Array.from(space.origin);
        space.directions.forEach((d, k) => d.forEach((v, i) => (x[i] = x[i]! + (weights[k] ?? 1) * v)));
        for (const r of list) expect(Math.abs(dot(r, x))).toBeLessThan(1e-6);
      }),
    );
  });
  test('are as many as the rows leave free: doubling a row frees and binds nothing', () => {
    fc.assert(
      fc.property(
        rows.filter((l) => l.length > 0),
        fc.integer({ min: 2, max: 9 }),
        (list, factor) => {
          const once = solutionSpace(list, [], SIZE)!.directions.length;
          const again = solutionSpace([...list, list[0]!.map((v) => v * factor)], [], SIZE)!.directions
            .length;
          expect(again).toBe(once);
        },
      ),
    );
  });
  test('do not hang on the order of the rows', () => {
    fc.assert(
      fc.property(rows, (list) => {
        const a = solutionSpace(list, [[unit(0), 1]], SIZE);
        const b = solutionSpace([...list].reverse(), [[unit(0), 1]], SIZE);
        expect(a === null).toBe(b === null);
        if (a && b) expect(a.directions.length).toBe(b.directions.length);
      }),
    );
  });
});

describe('fixed unknowns', () => {
  test('keep their value in every solution', () => {
    fc.assert(
      fc.property(rows, fc.integer({ min: -5, max: 5 }), (list, value) => {
        const space = solutionSpace(list, [[unit(2), value]], SIZE);
        if (!space) return;
        expect(space.origin[2]).toBeCloseTo(value, 9);
        for (const d of space.directions) expect(d[2]).toBeCloseTo(0, 9);
      }),
    );
  });
  test('that contradict a row leave no solution', () => {
    expect(
      solutionSpace(
        [[1, -1, 0, 0, 0]],
        [
          [unit(0), 1],
          [unit(1), 2],
        ],
        SIZE,
      ),
    ).toBeNull();
    expect(solutionSpace([[1, 0, 0, 0, 0]], [[unit(0), 1]], SIZE)).toBeNull();
  });
  test('twice with one value are no contradiction, with two values they are', () => {
    expect(
      solutionSpace(
        [],
        [
          [unit(0), 3],
          [unit(0), 3],
        ],
        SIZE,
      ),
    ).not.toBeNull();
    expect(
      solutionSpace(
        [],
        [
          [unit(0), 3],
          [unit(0), 4],
        ],
        SIZE,
      ),
    ).toBeNull();
  });
});

test('tooth counts of any size keep the tolerance: rows are scaled first', () => {
  const huge = solutionSpace([[3.6e9, -7.2e9, 0, 0, 0]], [[unit(0), 1]], SIZE)!;
  const tiny = solutionSpace([[3.6e-9, -7.2e-9, 0, 0, 0]], [[unit(0), 1]], SIZE)!;
  expect(huge.origin[1]).toBeCloseTo(0.5, 12);
  expect(tiny.origin[1]).toBeCloseTo(0.5, 12);
});
