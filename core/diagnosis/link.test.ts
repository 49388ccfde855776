import type { ObservationTemplate } from './schema';
import { linker, lookedAtTogether } from './link';
import type { Model } from './model';

/** A model of causes by hand: `id mode parts solenoid`. */
const root = (id: string, mode: string, parts: string[], more: object = {}) => ({
  id,
  mode,
  parts,
  part: parts[0] ?? null,
  solenoid: null,
  template: {},
  ...more,
});
const roots = [
  root('pump:worn', 'worn', ['pump']),
  root('pump:sheared', 'sheared', ['pump']),
  root('seals:torn', 'torn', ['seals', 'inner', 'outer']),
  root('S1:coil', 'electrical', ['coil-1'], { solenoid: 'S1' }),
  root('S1:hangs', 'sticking', ['coil-1'], { solenoid: 'S1', template: { variant: 'hangs' } }),
  root('drum:leaks', 'feed-loss', ['drum']),
  root('water', 'water', []),
];
const at = (id: string) => roots.findIndex((r) => r.id === id);
const levels: ObservationTemplate['levels'] = { no: [0.9, 0.2], yes: [0.1, 0.8] };
const modelOf = (observations: [point: string, on: string][]) =>
  ({
    unit: {
      parts: ['pump', 'seals', 'inner', 'outer', 'drum', 'coil-1', 'bolt'].map((id) => ({ id })),
      solenoids: [{ id: 'S1' }],
      elements: [{ id: 'high' }],
    },
    roots,
    nodeOf: new Map([
      ['burnt:high', 20],
      ['low', 21],
    ]),
    anyOf: new Map([[[at('pump:worn'), at('pump:sheared')].join(), 30]]),
    feeders: (element: string, kinds: readonly string[]) =>
      element === 'high' && kinds.includes('drum') ? [roots[at('drum:leaks')]] : [],
    knowledge: { causal: { observations: observations.map(([point, on]) => ({ point, on, levels })) } },
  }) as unknown as Model;
const link = (point: string, ...observations: [string, string][]) => linker(modelOf(observations))(point);

describe('what a point hangs on', () => {
  test('a mechanism, by its name or by the place the point is made at', () => {
    expect(link('pressure', ['pressure', 'low'])).toEqual({ nodes: [21], direct: false, levels });
    expect(link('lining:high', ['lining:$e', 'burnt:$e'])).toEqual({ nodes: [20], direct: false, levels });
    expect(link('lining:low', ['lining:$e', 'burnt:$e'])).toBeNull();
    expect(link('lining', ['lining:$e', 'burnt:$e'])).toBeNull();
    expect(link('pressure:full', ['pressure', 'low'])).toBeNull();
  });
  test.each([
    ['$e', 'burnt:high'],
    ['$p', 'burnt:high'],
    ['$s', 'burnt:high'],
    ['$g', 'burnt:high'],
    ['$t', 'burnt:high'],
  ])('whatever the place is: %s', (hole, on) => {
    expect(link('a.b-c:high', [`a.b-c:${hole}`, on])!.nodes).toEqual([20]);
  });
  test('what is written out stands before what is written for all', () => {
    const both: [string, string][] = [
      ['lining:$e', 'low'],
      ['lining:high', 'burnt:high'],
    ];
    expect(link('lining:high', ...both)!.nodes).toEqual([20]);
    expect(link('lining:other', ...both)!.nodes).toEqual([21]);
  });
  test('a cause by its id, or all of a kind', () => {
    expect(link('x', ['x', 'root:water'])).toEqual({ nodes: [at('water')], direct: true, levels });
    expect(link('x', ['x', 'root-mode:water|worn'])!.nodes).toEqual([at('pump:worn'), at('water')]);
    // A variant stands in place of its mode.
    expect(link('x', ['x', 'root-mode:hangs'])!.nodes).toEqual([at('S1:hangs')]);
    expect(link('x', ['x', 'root-mode:sticking'])).toBeNull();
  });
  test('the causes that are a part or a solenoid, all or those of a kind', () => {
    expect(link('part:drum', ['part:$p', 'root-part'])!.nodes).toEqual([at('drum:leaks')]);
    expect(link('part:bolt', ['part:$p', 'root-part'])).toBeNull();
    expect(link('face:pump', ['face:$p', 'root-part:worn'])!.nodes).toEqual([at('pump:worn')]);
    expect(link('coil:S1', ['coil:$s', 'root-solenoid:electrical'])!.nodes).toEqual([at('S1:coil')]);
    expect(link('coil:S1', ['coil:$s', 'root-solenoid'])!.nodes).toEqual([at('S1:coil'), at('S1:hangs')]);
    expect(link('coil:S2', ['coil:$s', 'root-solenoid'])).toBeNull();
  });
  test('what feeds an element', () => {
    expect(link('bubbles:high', ['bubbles:$e', 'root-feeder:seal|drum'])!.nodes).toEqual([at('drum:leaks')]);
    expect(link('bubbles:high', ['bubbles:$e', 'root-feeder:seal'])).toBeNull();
  });
  test('causes that one look cannot tell apart by the one node for any of them', () => {
    expect(link('part:pump', ['part:$p', 'root-part'])).toEqual({ nodes: [30], direct: true, levels });
  });
  test('a member of a set shows the set’s failing with its share only', () => {
    expect(link('part:seals', ['part:$p', 'root-part'])!.levels).toEqual(levels);
    for (const member of ['inner', 'outer'])
      expect(link(`part:${member}`, ['part:$p', 'root-part'])).toEqual({
        nodes: [at('seals:torn')],
        direct: true,
        levels: { no: [0.9, expect.closeTo(0.55, 12)], yes: [0.1, expect.closeTo(0.45, 12)] },
      });
  });
  test('is searched once', () => {
    const find = linker(modelOf([['pressure', 'low']]));
    expect(find('pressure')).toBe(find('pressure'));
  });
});

describe('causes looked at together', () => {
  const sets = (...observations: [string, string][]) =>
    lookedAtTogether(modelOf(observations)).map((nodes) => nodes.map((n) => roots[n]!.id));
  test('those of one part or solenoid, where there are several', () => {
    expect(sets(['part:$p', 'root-part'])).toEqual([
      ['pump:worn', 'pump:sheared'],
      ['S1:coil', 'S1:hangs'],
    ]);
    expect(sets(['coil:$s', 'root-solenoid'])).toEqual([['S1:coil', 'S1:hangs']]);
    expect(sets(['face:$p', 'root-part:worn'])).toEqual([]);
  });
  test('many points that look at the same are one', () => {
    expect(sets(['a:$p', 'root-part'], ['b:$p', 'root-part'])).toHaveLength(2);
  });
  test('not what speaks of causes all over the unit, nor of mechanisms', () => {
    expect(sets(['codes', 'root-mode:worn|water'], ['lining:$e', 'burnt:$e'])).toEqual([]);
  });
  test('not more than six', () => {
    const many = (n: number) => ({
      ...modelOf([['part:$p', 'root-part']]),
      roots: Array.from({ length: n }, (_, k) => root(`r${k}`, `m${k}`, ['pump'])),
    });
    expect(lookedAtTogether(many(6) as never)).toEqual([[0, 1, 2, 3, 4, 5]]);
    expect(lookedAtTogether(many(7) as never)).toEqual([]);
  });
});
