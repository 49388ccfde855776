import type { CureLine } from '@/core/diagnosis';
import { paperUnit, rule, scopeBy, scopeCause } from '@/tests/fixtures/paper';
import { marksOf } from './cure';

/** How well a scope of these lines cures a cause with this one way. */
function works(
  lines: Parameters<typeof rule>[1],
  by: CureLine[],
  more = {},
  repair: 'targeted' | 'exchange' = 'targeted',
) {
  const { scope, scopes } = scopeBy([rule('a', lines, { repairs: [repair] })], {}, { repair });
  return scopes.works(scope, scopeCause('c', [{ by, works: 0.9 }], more));
}

describe('a cause is cured', () => {
  test('by its part, as far as the way asks', () => {
    const of = { part: 'shaft' };
    expect(works([{ part: 'shaft' }], [{ part: '$p' }], of)).toBe(0.9);
    expect(works([{ part: 'shaft', action: 'machine' }], [{ part: '$p' }], of)).toBe(0);
    expect(works([{ part: 'shaft', action: 'machine' }], [{ part: '$p', action: 'machine' }], of)).toBe(0.9);
    expect(works([{ part: 'shaft', action: 'upgrade' }], [{ part: '$p' }], of)).toBe(0.9);
    expect(works([], [{ part: '$p' }], of)).toBe(0);
  });
  test('by the set it is sold in', () => {
    expect(works([{ part: 'inner' }], [{ part: '$p' }], { part: 'outer' })).toBe(0.9);
    expect(
      works([{ part: 'inner', action: 'clean' }], [{ part: '$p', action: 'clean' }], { part: 'inner' }),
    ).toBe(0.9);
  });
  test('by all of a group, never by some of it', () => {
    const of = { element: 'high' };
    expect(works([{ part: 'lining-a' }], [{ group: 'lining:$e' }], of)).toBe(0);
    expect(works([{ part: 'lining-a' }, { part: 'lining-b' }], [{ group: 'lining:$e' }], of)).toBe(0.9);
  });
  test('by all lines of a way together', () => {
    const by: CureLine[] = [
      { part: '$p' },
      { operation: 'cooler-flush' },
      { supply: 'fluid' },
      { outside: 'outside-x' },
    ];
    const all = [
      { part: 'shaft' },
      { operation: 'cooler-flush' },
      { supply: 'fluid' as const },
      { outside: 'outside-x' },
    ];
    expect(works(all, by, { part: 'shaft' })).toBe(0.9);
    for (let k = 0; k < all.length; k++)
      expect(
        works(
          all.filter((_, n) => n !== k),
          by,
          { part: 'shaft' },
        ),
      ).toBe(0);
  });
  test('by work that an overhaul holds altogether, not by work it only shares', () => {
    expect(works([{ operation: 'overhaul' }], [{ operation: 'valve-body' }])).toBe(0.9);
    expect(works([{ operation: 'remove-refit' }], [{ operation: 'cooler-flush' }])).toBe(0);
  });
  test('by nothing, where nothing is needed; not where the unit has nothing of what is', () => {
    expect(works([], [])).toBe(0.9);
    expect(works([], [{ role: 'ghost' }])).toBe(0);
    expect(
      works([{ part: 'shaft' }], [{ part: '$p' }, { role: 'ghost' }, { operation: 'polish' }], {
        part: 'shaft',
      }),
    ).toBe(0.9);
  });
  test('not by a way whose mark stands for nothing', () => {
    expect(works([{ part: 'shaft' }], [{ part: '$p' }])).toBe(0);
    expect(works([{ part: 'shaft' }], [{ group: 'lining:$e' }])).toBe(0);
    expect(works([{ part: 'shaft' }], [{ group: 'set:$g' }, { part: '$p' }], { part: 'shaft' })).toBe(0);
  });
});

test('the best way there is counts', () => {
  const ways = [
    { by: [{ part: '$p' }, { operation: 'cooler-flush' }], works: 0.95 },
    { by: [{ part: '$p' }], works: 0.6 },
    { by: [], works: 0.1 },
  ];
  const of = scopeCause('c', ways, { part: 'shaft' });
  const worth = (lines: Parameters<typeof rule>[1]) => {
    const { scope, scopes } = scopeBy([rule('a', lines)]);
    return scopes.works(scope, of);
  };
  expect(worth([])).toBe(0.1);
  expect(worth([{ part: 'shaft' }])).toBe(0.6);
  expect(worth([{ part: 'shaft' }, { operation: 'cooler-flush' }])).toBe(0.95);
  expect(scopeBy([]).scopes.works(scopeBy([]).scope, scopeCause('n', []))).toBe(0);
});

describe('an exchange unit', () => {
  const cured = (by: CureLine[], more = {}) => works([{ role: 'exchange-unit' }], by, more, 'exchange');
  test('renews what is inside: parts, packs and the work on them', () => {
    expect(cured([{ part: '$p' }], { part: 'shaft' })).toBe(0.9);
    expect(cured([{ group: 'lining:$e' }, { operation: 'valve-body' }], { element: 'high' })).toBe(0.9);
  });
  test('brings no converter, no work on the vehicle, and cures nothing outside', () => {
    expect(cured([{ role: 'converter' }])).toBe(0);
    expect(cured([{ operation: 'cooler-flush' }])).toBe(0);
    expect(cured([{ outside: 'outside-x' }])).toBe(0);
    expect(works([{ part: 'shaft' }], [{ operation: 'valve-body' }])).toBe(0);
  });
});

test('marks stand for what is known of a cause', () => {
  expect(marksOf({ part: 'a', element: null, gearset: 'g', curedBy: [] })).toEqual({ $p: 'a', $g: 'g' });
  expect(marksOf({ part: null, element: 'e', gearset: null, curedBy: [] })).toEqual({ $e: 'e' });
  expect(paperUnit.parts.length).toBeGreaterThan(5);
});
