import type { UnitDefinition } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { changed, set } from '@/tests/fixtures/four';
import { checkUnit, unitWarnings } from './index';
import { unitKnowledge } from '@/data/knowledge';

/** Two gears beside the planetaries. */
const pair: Extract<UnitDefinition['gearsets'][number], { kind: 'mesh' }> = {
  id: 'pair',
  name: 'Pair',
  kind: 'mesh',
  mesh: 'external',
  first: { member: 'Sr', teeth: 20 },
  second: { member: 'spare', teeth: 40 },
  station: '',
};

describe('what does not make sense is named with its place and a remedy', () => {
  test.each<[string, string, (u: UnitDefinition) => void]>([
    ['limits the wrong way round', '/specs/0/min', (u) => (u.specs[0]!.min = 1)],
    ['clearances too', '/elements/0/pack/clearance/min', (u) => (u.elements[0]!.pack!.clearance.min = 0.01)],
    [
      'a spec without limits',
      '/specs/1',
      (u) => (u.specs[1] = { id: 'x', name: 'x', kind: 'torque', station: 'pan' }),
    ],
    ['idle pressure above full', '/pressure/idlePa', (u) => (u.pressure.idlePa = 2e6)],
    ['a member nothing is joined to', '/members/6', (u) => u.members.push({ id: 'lonely', name: 'Lonely' })],
    [
      'an output that nothing reaches',
      '/output',
      (u) => (u.members.push({ id: 'far', name: 'Far' }), (u.output = 'far')),
    ],
    ['one member twice in a set', '/gearsets/0', (u) => (set(u).sun.member = 'X')],
    ['a ring smaller than its sun', '/gearsets/0/ring/teeth', (u) => (set(u).ring.teeth = 30)],
    [
      'two pinion counts for single pinions',
      '/gearsets/0/pinions/teeth',
      (u) => (set(u).pinions = { count: 4, teeth: [19, 20] }),
    ],
    ['a carrier that stands still', '/gearsets/0/carrier', (u) => (set(u).carrier = 'case')],
    [
      'an idler in a pair without one',
      '/gearsets/2/idlerTeeth',
      (u) => {
        u.members.push({ id: 'spare', name: 'Spare' });
        u.gearsets.push({ ...pair, idlerTeeth: 20, station: u.gearsets[0]!.station });
      },
    ],
    [
      'fewer frictions in order than stated',
      '/elements/0/pack/order',
      (u) => (u.elements[0]!.pack!.frictions += 1),
    ],
    [
      'rings without a face',
      '/elements/0/pack/outerDiameter',
      (u) => (u.elements[0]!.pack!.outerDiameter = u.elements[0]!.pack!.innerDiameter),
    ],
    ['plates on a band', '/elements/5/pack', (u) => (u.elements[5]!.pack = u.elements[0]!.pack)],
    ['a band on a clutch', '/elements/0/band', (u) => (u.elements[0]!.band = u.elements[5]!.band)],
    ['a member joined to itself', '/elements/0/b', (u) => (u.elements[0]!.b = u.elements[0]!.a)],
    ['input and output in one', '/output', (u) => (u.output = u.input)],
    [
      'more one-way clutches than can be tried',
      '/elements',
      (u) => {
        for (let k = 0; k < 7; k++) u.elements.push({ ...u.elements[7]!, id: `owc-${k}`, name: `OWC ${k}` });
      },
    ],
    [
      'stations that wait for each other',
      '/stations/0/blockedBy',
      (u) => (u.stations[0]!.blockedBy = ['pan']),
    ],
    ['a clutch to the case', '/elements/0/kind', (u) => (u.elements[0]!.b = 'case')],
    ['a brake between members', '/elements/6/kind', (u) => (u.elements[6]!.b = 'Si')],
    ['the case first', '/elements/0/a', (u) => (u.elements[0]!.a = 'case')],
    ['plates on a one-way clutch', '/elements/1/pack', (u) => (u.elements[1]!.pack = u.elements[0]!.pack)],
    ['oil that comes from nowhere', '/elements/0/feedPath', (u) => (u.elements[0]!.feedPath = [])],
    ['a one-way clutch applied', '/gears/3/apply/1', (u) => u.gears[3]!.apply.push('low-owc')],
    ['an element twice in a gear', '/gears/3/apply', (u) => u.gears[3]!.apply.push('forward')],
    ['a gear in another range', '/gears/3/range', (u) => (u.gears[3]!.range = 'L')],
    ['too few solenoid states', '/gears/3/solenoids', (u) => (u.gears[3]!.solenoids = [1])],
    [
      'a second area in a gear that does not apply it',
      '/elements/0/pack/secondArea/gears/0',
      (u) => (u.elements[0]!.pack!.secondArea = { area: 0.01, gears: ['R'] }),
    ],
    [
      'radii out of order',
      '/elements/0/pack/centrifugal',
      (u) =>
        (u.elements[0]!.pack!.centrifugal = {
          outerRadius: 0.03,
          innerRadius: 0.05,
          feedRadius: 0.02,
          balanced: 1,
        }),
    ],
    [
      'a far side that hangs elsewhere',
      '/parts/17/splits/away/0',
      (u) => (u.parts[17]!.splits = { member: 'in', away: [{ element: 'low-reverse' }] }),
    ],
    [
      'a far side with everything',
      '/parts/17/splits/away',
      (u) =>
        (u.parts[17]!.splits = { member: 'Fc', away: [{ element: 'forward' }, { element: 'input-owc' }] }),
    ],
    ['a blocker that comes out later', '/stations/1/blockedBy/0', (u) => (u.stations[0]!.order = 50)],
    ['a solenoid of no element', '/solenoids/0/element', (u) => (u.solenoids[0]!.element = 'ghost')],
    ['a gear that does nothing', '/gears/3/apply', (u) => (u.gears[3]!.apply = [])],
    [
      'a gear that ties up',
      '/gears/1/apply',
      (u) => (u.gears[1]!.apply = ['forward', 'reverse', 'low-reverse']),
    ],
    [
      'a gear that turns the wrong way',
      '/gears/3/apply',
      (u) => (u.gears[3]!.apply = ['reverse', 'low-reverse']),
    ],
  ])('%s', (_, pointer, change) => {
    const problem = checkUnit(changed(change)).find((p) => p.pointer === pointer);
    expect(problem).toBeDefined();
    expect(problem!.message.length).toBeGreaterThan(5);
    expect(problem!.remedy.length).toBeGreaterThan(5);
  });
});

test('a far side of some of it, eight one-way clutches, and blockers that came out before are as they should be', () => {
  const unit = changed((u) => {
    for (let k = 0; k < 6; k++) u.elements.push({ ...u.elements[7]!, id: `owc-${k}`, name: `OWC ${k}` });
  });
  expect(unit.elements.filter((e) => e.kind === 'one-way')).toHaveLength(8);
  expect(checkUnit(unit).filter((p) => p.pointer === '/elements')).toEqual([]);
});

describe('what a gear does is said', () => {
  const said = (k: number, apply: string[]) =>
    checkUnit(changed((u) => (u.gears[k]!.apply = apply))).find((p) => p.pointer === `/gears/${k}/apply`)
      ?.message;
  test.each<[string, number, string[], string]>([
    ['nothing', 3, [], 'D1 does nothing: the output stays free'],
    ['it ties up', 1, ['forward', 'reverse', 'low-reverse'], 'R ties up: the input cannot turn'],
    ['forward in Reverse', 1, ['forward'], 'R turns the output the wrong way'],
    ['backward in Drive', 3, ['reverse', 'low-reverse'], 'D1 turns the output the wrong way'],
    ['Neutral drives', 2, ['forward'], 'N drives at 3.086'],
  ])('%s', (_, k, apply, words) => expect(said(k, apply)).toBe(words));
  test('a gear that drives as it should: nothing', () => expect(said(3, ['forward'])).toBeUndefined());
});

test('a circle of gears that lock each other is found before any gear is tried', () => {
  const hadric = structuredClone(shippedUnits.find((u) => u.id === 'hadric-five')!);
  hadric.gearsets.push({
    id: 'shortcut',
    name: 'Shortcut',
    kind: 'mesh',
    mesh: 'internal',
    first: { member: 'in', teeth: 30 },
    second: { member: 'ss', teeth: 40 },
    station: 'main-shaft',
  });
  const [problem] = checkUnit(hadric);
  expect(problem!.pointer).toMatch(/^\/gearsets\/\d+$/);
  expect(problem!.message).toContain('lock each other');
  // The same way round with the ratio the others have: one pair too many, but nothing locks.
  const last = hadric.gearsets.at(-1)! as { first: { teeth: number }; second: { teeth: number } };
  [last.first.teeth, last.second.teeth] = [31, 34];
  expect(checkUnit(hadric)).toEqual([]);
});

describe('what is odd but can be used is a warning', () => {
  test.each<[string, string, (u: UnitDefinition) => void]>([
    ['pinions that do not stand evenly', '/gearsets/0/pinions/count', (u) => (set(u).pinions = { count: 5 })],
    ['pinions that touch', '/gearsets/0/pinions/count', (u) => (set(u).pinions = { count: 12 })],
    ['half a tooth', '/gearsets/0', (u) => (set(u).ring.teeth = 74)],
    [
      'stated pinions that do not fit',
      '/gearsets/0/pinions/teeth',
      (u) => (set(u).pinions = { count: 4, teeth: [30] }),
    ],
    [
      'an element no gear applies',
      '/elements/8',
      (u) => u.elements.push({ ...u.elements[0]!, id: 'spare', name: 'Spare' }),
    ],
    ['no plates known', '/elements/0', (u) => delete u.elements[0]!.pack],
    ['nothing that carries', '/elements/0/powerPath', (u) => (u.elements[0]!.powerPath = [])],
    ['two gears of one ratio', '/gears/4/apply', (u) => (u.gears[4]!.apply = ['forward'])],
    ['no common feed', '/commonFeed', (u) => (u.commonFeed = [])],
    ['gears numbered from the top', '/gears/4', (u) => ((u.gears[4]!.gear = 3), (u.gears[5]!.gear = 2))],
    [
      'a dog nothing moves',
      '/elements/8/feedPath',
      (u) => u.elements.push({ ...u.elements[1]!, id: 'dog', name: 'Dog', kind: 'dog', feedPath: [] }),
    ],
  ])('%s', (_, pointer, change) => {
    const unit = changed(change);
    expect(checkUnit(unit)).toEqual([]);
    expect(unitWarnings(unit, unitKnowledge).map((w) => w.pointer)).toContain(pointer);
  });
});
