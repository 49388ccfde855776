import { changed, four } from '@/tests/fixtures/four';
import { compiled } from './compile';
import type { Fault } from './fault';

const broken = (part: string): Fault => ({ kind: 'break', part });
const stripped = (gearset: string): Fault => ({ kind: 'strip', gearset });

test('made once for what is broken and stripped; what is lost, stuck or slips needs nothing made anew', () => {
  const sound = compiled(four, []);
  expect(compiled(four, [])).toBe(sound);
  expect(compiled(four, [{ kind: 'lost', element: 'high' }])).toBe(sound);
  expect(compiled(four, [{ kind: 'slip', element: 'high', capacityNm: 1 }])).toBe(sound);
  expect(compiled(four, [broken('sun-shell')])).not.toBe(sound);
  expect(compiled(four, [broken('sun-shell')])).toBe(compiled(four, [broken('sun-shell')]));
  expect(compiled(four, [stripped('front')])).not.toBe(compiled(four, [stripped('rear')]));
  expect(
    compiled(
      changed(() => {}),
      [],
    ),
  ).not.toBe(sound);
});

test('four hundred ways to be broken are kept; then it begins anew', () => {
  const unit = changed(() => {});
  const sound = compiled(unit, []);
  for (let k = 0; k < 399; k++) compiled(unit, [stripped(`none-${k}`)]);
  expect(compiled(unit, [])).toBe(sound);
  compiled(unit, [stripped('none-399')]);
  expect(compiled(unit, [])).not.toBe(sound);
});

test('members and equations: two gearsets leave four of six speeds free', () => {
  const { members, gearsets, coordinates, ends, elements } = compiled(four, []);
  expect(members).toEqual(['in', 'Fc', 'Si', 'X', 'Sr', 'out']);
  expect(gearsets.map((g) => [g.id, Array.from(g.row)])).toEqual([
    ['front', [0, 0, 35, 73, 0, -108]],
    ['rear', [0, 0, 0, -108, 33, 75]],
  ]);
  expect(coordinates).toBe(4);
  expect(ends).toEqual({ input: 0, output: 5 });
  const overMembers = Object.fromEntries(elements.map((e) => [e.id, Array.from(e.overMembers)]));
  expect(overMembers.high).toEqual([1, 0, 0, -1, 0, 0]);
  // Against the case: its speed is 0.
  expect(overMembers['low-reverse']).toEqual([0, 0, 0, 1, 0, 0]);
  expect(elements.filter((e) => e.oneWay).map((e) => e.id)).toEqual(['input-owc', 'low-owc']);
});

test('a broken part gives its member a twin, and what hangs on the far side turns with that', () => {
  const { members, elements, coordinates } = compiled(four, [broken('high-hub'), broken('high-hub')]);
  expect(members).toEqual(['in', 'Fc', 'Si', 'X', 'Sr', 'out', 'X#high-hub']);
  expect(coordinates).toBe(5);
  const overMembers = Object.fromEntries(elements.map((e) => [e.id, Array.from(e.overMembers)]));
  expect(overMembers.high).toEqual([1, 0, 0, 0, 0, 0, -1]);
  expect(overMembers['low-reverse']).toEqual([0, 0, 0, 1, 0, 0, 0]);
});

test('of two breaks that cut one thing off, the one nearer to it does', () => {
  const unit = changed((u) => {
    u.parts.find((p) => p.id === 'filter')!.splits = {
      member: 'X',
      away: [{ element: 'high' }, { gearset: 'front', gear: 'ring' }],
    };
  });
  const { members, elements, gearsets } = compiled(unit, [broken('filter'), broken('high-hub')]);
  const at = (row: ArrayLike<number>) => members.filter((_, k) => row[k] !== 0);
  expect(at(elements.find((e) => e.id === 'high')!.overMembers)).toEqual(['in', 'X#high-hub']);
  expect(at(gearsets[0]!.row)).toEqual(['Si', 'out', 'X#filter']);
});

test('a stripped gearset is no equation; a shaft broken off turns by itself', () => {
  const free = compiled(four, [stripped('front')]);
  expect([free.gearsets.map((g) => g.id), free.coordinates]).toEqual([['rear'], 5]);
  const shaft = compiled(four, [broken('input-shaft')]);
  expect(shaft.members[shaft.ends.input]).toBe('in#input-shaft');
  expect(shaft.members[shaft.ends.output]).toBe('out');
});

test('a part that divides nothing, or that there is not, is refused', () => {
  expect(() => compiled(four, [broken('filter')])).toThrow(RangeError);
  expect(() => compiled(four, [broken('filter')])).toThrow(/is not part of a power path/);
  expect(() => compiled(four, [broken('ghost')])).toThrow(RangeError);
});
