import type { UnitDefinition } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { changed, set } from '@/tests/fixtures/four';
import { connectionProblems } from './unit-connections';

const said = (change: (u: UnitDefinition) => void) =>
  connectionProblems(changed(change)).map(({ pointer, message }) => [pointer, message]);

describe('what leads from the input to the output', () => {
  const through = (b: string) =>
    said((u) => {
      u.members.push({ id: 'far', name: 'Far' });
      u.output = 'far';
      u.elements.push({ ...u.elements[6]!, id: 'far-brake', a: 'far', b });
    }).filter(([pointer]) => pointer === '/output');
  test('not the case, though everything may be held to it', () =>
    expect(through('case')).toEqual([['/output', 'nothing leads from the input to the output']]));
  test('an element between members', () => expect(through('X')).toEqual([]));
});

describe('planetaries', () => {
  const six = shippedUnits.find((u) => u.id === 'ostrel-six')!;
  test('a ring as large as its sun is no ring', () =>
    expect(said((u) => (set(u).ring.teeth = set(u).sun.teeth))).toEqual([
      ['/gearsets/0/ring/teeth', 'the ring has no more teeth than the sun'],
    ]));
  test('one tooth count for single pinions', () =>
    expect(said((u) => (set(u).pinions = { count: 4, teeth: [19, 20] }))).toEqual([
      ['/gearsets/0/pinions/teeth', 'a single set has 1 tooth count here'],
    ]));
  test('two for pairs, or none', () => {
    expect(connectionProblems(six)).toEqual([]);
    const one = structuredClone(six);
    const pair = one.gearsets.findIndex((s) => s.kind === 'planetary' && s.planets === 'double');
    set(one, pair).pinions = { count: 4, teeth: [20] };
    expect(connectionProblems(one).map((p) => [p.pointer, p.message])).toEqual([
      [`/gearsets/${pair}/pinions/teeth`, 'a double set has 2 tooth counts here'],
    ]);
    set(one, pair).pinions = { count: 4 };
    expect(connectionProblems(one)).toEqual([]);
  });
});

describe('pairs of gears', () => {
  const paired = (change: Partial<Extract<UnitDefinition['gearsets'][number], { kind: 'mesh' }>>) =>
    said((u) => {
      u.members.push({ id: 'spare', name: 'Spare' });
      const { station } = u.gearsets[0]!;
      const gears = { first: { member: 'Sr', teeth: 20 }, second: { member: 'spare', teeth: 40 } };
      u.gearsets.push({
        id: 'pair',
        name: 'Pair',
        kind: 'mesh',
        mesh: 'external',
        station,
        ...gears,
        ...change,
      });
    });
  test('with an idler where the pair has one, without it elsewhere', () => {
    expect(paired({})).toEqual([]);
    expect(paired({ mesh: 'idler', idlerTeeth: 20 })).toEqual([]);
    expect(paired({ idlerTeeth: 20 })).toEqual([
      ['/gearsets/2/idlerTeeth', 'stands in a pair without an idler'],
    ]);
  });
  test('of two members', () =>
    expect(paired({ second: { member: 'Sr', teeth: 40 } }).map(([pointer]) => pointer)).toContain(
      '/gearsets/2',
    ));
});

describe('what an element joins', () => {
  test('a clutch to the case is a brake, and says so', () =>
    expect(said((u) => (u.elements[0]!.b = 'case'))).toContainEqual([
      '/elements/0/kind',
      'a clutch to the case is a brake',
    ]));
  test('a brake holds to the case, and says so', () =>
    expect(said((u) => (u.elements[6]!.b = 'Si'))).toContainEqual([
      '/elements/6/kind',
      'a brake holds a member to the case',
    ]));
  test.each(['one-way', 'dog'] as const)('a %s holds to the case or to a member', (kind) => {
    for (const b of ['case', 'Si'])
      expect(
        said((u) => {
          const { pack: _, band: __, ...element } = u.elements[0]!;
          u.elements.push({ ...element, id: 'new', kind, a: 'Fc', b });
        }),
      ).toEqual([]);
  });
});

describe('a second area', () => {
  const asked = (gears: string[]) => said((u) => (u.elements[0]!.pack!.secondArea = { area: 0.01, gears }));
  test('in gears that apply the element', () => expect(asked(['D1', 'D2'])).toEqual([]));
  test('in one that does not', () =>
    expect(asked(['D1', 'R'])).toEqual([
      ['/elements/0/pack/secondArea/gears/1', 'R does not apply this element'],
    ]));
  test('in one that there is not', () =>
    expect(asked(['D9'])).toEqual([
      ['/elements/0/pack/secondArea/gears/0', 'D9 does not apply this element'],
    ]));
});

test('the radii of a turning pack: outer above inner, inner at least feed', () => {
  const radii = ([outerRadius, innerRadius, feedRadius]: [number, number, number]) =>
    said(
      (u) => (u.elements[0]!.pack!.centrifugal = { outerRadius, innerRadius, feedRadius, balanced: 1 }),
    ).map(([pointer]) => pointer);
  expect(radii([0.05, 0.03, 0.03])).toEqual([]);
  for (const wrong of [
    [0.03, 0.03, 0.02],
    [0.05, 0.03, 0.031],
  ] as [number, number, number][])
    expect(radii(wrong)).toEqual(['/elements/0/pack/centrifugal']);
});

test('a station may wait for one of its own order, and for one that waits for another', () => {
  expect(said((u) => (u.stations[1]!.order = u.stations[0]!.order))).toEqual([]);
  expect(said((u) => (u.stations[0]!.blockedBy = ['valve-body']))).toContainEqual([
    '/stations/0/blockedBy',
    '"converter" waits for itself',
  ]);
});
