import type { UnitDefinition } from '@/core/unit';
import { NO_EXPERIENCE } from './experience';
import type { CausalKnowledge, RootTemplate } from './schema';
import { buildRoots } from './roots';

/* A unit of a few parts: what each scope of a first cause makes of it. */
const unit = {
  parts: [
    { id: 'filter', name: 'Filter', kind: 'filter', role: 'filter', weakness: 3 },
    { id: 'drum', name: 'Drum', kind: 'drum', failure: 'cracked', splits: ['a', 'b'], gearset: 'rear' },
    { id: 'rings', name: 'Support rings', kind: 'sealing-ring' },
    { id: 'set', name: 'Piston seals', kind: 'seal', element: 'high', failure: 'torn' },
    { id: 'inner', name: 'Inner seal', kind: 'seal', element: 'high' },
    { id: 'outer', name: 'Outer seal', kind: 'seal', element: 'high' },
    { id: 'alone', name: 'Servo seal', kind: 'seal', element: 'band' },
    { id: 'piston', name: 'High piston', kind: 'piston', element: 'high' },
    { id: 'coil', name: 'Coil', kind: 'solenoid' },
    { id: 'sprag', name: 'Sprag', kind: 'one-way-clutch' },
    { id: 'race', name: 'Race', kind: 'thrust-bearing' },
    { id: 'nameless', name: 'Plug' },
  ],
  elements: [
    {
      id: 'high',
      name: 'High clutch',
      kind: 'clutch',
      pack: {},
      feedPath: ['rings', 'drum', 'set'],
      powerPath: ['drum'],
    },
    { id: 'low', name: 'Low brake', kind: 'brake', pack: {}, feedPath: ['rings', 'coil'], powerPath: [] },
    { id: 'band', name: 'Band', kind: 'band', band: {}, feedPath: ['rings'], powerPath: [] },
    { id: 'owc', name: 'One-way', kind: 'one-way', part: 'sprag', feedPath: [], powerPath: [] },
    { id: 'owc-2', name: 'Other one-way', kind: 'one-way', feedPath: [], powerPath: [] },
  ],
  solenoids: [
    { id: 'S1', name: 'Shift solenoid S1', role: 'shift', part: 'coil' },
    { id: 'S2', name: 'Shift solenoid S2', role: 'shift', element: 'low' },
    { id: 'PC', name: 'Pressure solenoid', role: 'pressure' },
  ],
  bearings: [{ part: 'race' }, { part: 'no such part' }],
  gearsets: [{ id: 'rear', name: 'Rear set' }],
} as unknown as UnitDefinition;
const make = (
  template: Partial<RootTemplate>,
  more: Partial<CausalKnowledge> = {},
  experience = NO_EXPERIENCE,
) =>
  buildRoots(
    unit,
    {
      rate: 0.05,
      failureWords: { cracked: 'cracked through', torn: 'torn' },
      roots: [{ mode: 'fails', prior: 0.4, effects: {}, why: '', words: '', ...template } as RootTemplate],
      ...more,
    } as CausalKnowledge,
    experience,
  );
const ids = (template: Partial<RootTemplate>) => make(template).map((r) => r.id);

describe('what a scope makes of a unit', () => {
  test.each<[Partial<RootTemplate>, string[]]>([
    [{ each: 'once', id: 'water' }, ['water']],
    [{ each: 'part', roles: ['filter'] }, ['filter:fails']],
    [{ each: 'part', kinds: ['drum', 'piston'] }, ['drum:fails', 'piston:fails']],
    [{ each: 'part', roles: ['filter'], kinds: ['drum'] }, ['filter:fails', 'drum:fails']],
    [{ each: 'part' }, []],
    [{ each: 'split-part' }, ['drum:fails']],
    [{ each: 'bearing' }, ['race:fails']],
    [{ each: 'one-way' }, ['sprag:fails', 'owc-2:fails']],
    [{ each: 'friction' }, ['high:fails', 'low:fails', 'band:fails']],
    [{ each: 'band' }, ['band:fails']],
    [{ each: 'gearset' }, ['rear:fails']],
    [{ each: 'solenoid', role: 'shift' }, ['S1:fails', 'S2:fails']],
    [{ each: 'solenoid', role: 'shift', sets: 'element' }, ['S2:fails']],
    [{ each: 'solenoid', role: 'shift', sets: 'pattern' }, ['S1:fails']],
    [{ each: 'solenoid', role: 'pressure' }, ['PC:fails']],
    // What feeds more than two elements fails as a whole; a solenoid in a feed is a cause of its own kind.
    [{ each: 'feed-part' }, ['drum:fails', 'rings:fails', 'set:fails']],
    [{ each: 'feed-part', feeds: 'few' }, ['drum:fails', 'set:fails']],
    [{ each: 'feed-part', feeds: 'many' }, ['rings:fails']],
    [{ each: 'feed-part', kinds: ['seal'] }, ['set:fails']],
    // Seals of a piston whose set stands in the feed are one cause with it, and that one is told already.
    [{ each: 'element-part', kinds: ['seal', 'piston'] }, ['alone:fails', 'piston:fails']],
    [{ each: 'element-part', kinds: ['drum'] }, []],
    [{ each: 'element-part' }, ['alone:fails', 'piston:fails']],
  ])('%j', (template, expected) => {
    expect(ids(template).sort()).toEqual([...expected].sort());
  });
  test('a way of failing stands in the id in place of its mode', () => {
    expect(make({ each: 'band', variant: 'stretched' })[0]).toMatchObject({
      id: 'band:stretched',
      mode: 'fails',
    });
  });
});

describe('what a cause is about', () => {
  const one = (template: Partial<RootTemplate>, id: string) => make(template).find((r) => r.id === id)!;
  test('the part to be looked at, those that are part of it, and the elements it feeds', () => {
    expect(one({ each: 'feed-part' }, 'set:fails')).toMatchObject({
      part: 'set',
      parts: ['set', 'inner', 'outer'],
      element: 'high',
      aim: { elements: ['high'], part: 'set', solenoid: null, gearset: null },
    });
    expect(one({ each: 'feed-part' }, 'drum:fails').parts).toEqual(['drum']);
    expect(one({ each: 'feed-part' }, 'rings:fails').aim.elements).toEqual(['high', 'low', 'band']);
    expect(one({ each: 'element-part', kinds: ['piston'] }, 'piston:fails')).toMatchObject({
      part: 'piston',
      element: 'high',
    });
    expect(one({ each: 'part', kinds: ['drum'] }, 'drum:fails')).toMatchObject({
      gearset: 'rear',
      element: null,
    });
    expect(one({ each: 'part', roles: ['filter'] }, 'filter:fails').gearset).toBeNull();
  });
  test('a solenoid, its part and the element it sets', () => {
    expect(one({ each: 'solenoid', role: 'shift' }, 'S1:fails')).toMatchObject({
      part: 'coil',
      parts: ['coil'],
      solenoid: 'S1',
      element: null,
      aim: { elements: [], part: null, solenoid: 'S1' },
    });
    expect(one({ each: 'solenoid', role: 'shift' }, 'S2:fails')).toMatchObject({
      part: null,
      parts: [],
      element: 'low',
      aim: { elements: ['low'] },
    });
  });
  test('an element, a set, a part that splits; nothing in particular', () => {
    expect(one({ each: 'friction' }, 'low:fails')).toMatchObject({ element: 'low', part: null, parts: [] });
    expect(one({ each: 'gearset' }, 'rear:fails')).toMatchObject({ gearset: 'rear', element: null });
    expect(one({ each: 'one-way' }, 'sprag:fails')).toMatchObject({ element: 'owc', part: 'sprag' });
    expect(one({ each: 'one-way' }, 'owc-2:fails')).toMatchObject({ element: 'owc-2', part: null });
    expect(one({ each: 'split-part' }, 'drum:fails')).toMatchObject({ element: 'high', part: 'drum' });
    expect(one({ each: 'once', id: 'x' }, 'x')).toMatchObject({
      element: null,
      part: null,
      parts: [],
      solenoid: null,
      gearset: null,
      open: false,
    });
    expect(one({ each: 'once', id: 'x', open: true }, 'x').open).toBe(true);
  });
  test('says so in the unit’s own names, and how it fails in the words of the knowledge', () => {
    const words = (template: Partial<RootTemplate>) => make(template)[0]!.words;
    expect(words({ each: 'split-part', words: '{p} {failure}: the {e} turns free' })).toBe(
      'Drum cracked through: the high clutch turns free',
    );
    expect(words({ each: 'part', roles: ['filter'], words: '{p} {failure}, {p}' })).toBe(
      'Filter failed, Filter',
    );
    expect(words({ each: 'solenoid', role: 'pressure', words: '{s} dead' })).toBe('Pressure solenoid dead');
    expect(words({ each: 'gearset', words: 'The {g} ran dry' })).toBe('The rear set ran dry');
    expect(words({ each: 'once', id: 'x', words: 'Water{p}{s}' })).toBe('Water');
  });
});

describe('how likely, before anything is known', () => {
  const two: Partial<CausalKnowledge> = {
    roots: [
      {
        mode: 'blocked',
        each: 'part',
        roles: ['filter'],
        prior: 0.2,
        effects: {},
        curedBy: [],
        why: '',
        words: '',
      },
      {
        mode: 'worn',
        each: 'part',
        kinds: ['drum', 'piston'],
        prior: 0.5,
        effects: {},
        curedBy: [],
        why: '',
        words: '',
      },
    ],
  };
  test('shares add up to the rate, a weak point raised by how weak it is', () => {
    const priors = new Map(make({}, two).map((r) => [r.id, r.prior]));
    expect(priors.get('filter:blocked')).toBeCloseTo((0.05 * 0.6) / 1.6, 12);
    expect(priors.get('drum:worn')).toBeCloseTo((0.05 * 0.5) / 1.6, 12);
    expect(priors.size).toBe(3);
  });
  test('the shop’s own jobs count as jobs, those of causes there are not as none', () => {
    const experience = { jobs: 99, causes: { 'filter:blocked': 5, 'gone:worn': 94 } };
    const priors = new Map(make({}, two, experience).map((r) => [r.id, r.prior]));
    expect(priors.get('filter:blocked')).toBeCloseTo((0.05 * ((20 * 0.6) / 1.6 + 5)) / 25, 12);
    expect(priors.get('drum:worn')).toBeCloseTo((0.05 * ((20 * 0.5) / 1.6)) / 25, 12);
  });
});
