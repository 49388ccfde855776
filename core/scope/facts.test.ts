import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { POLICIES, scopeCause } from '@/tests/fixtures/paper';
import { isApart, scopeFacts } from './facts';
import type { ScopeCause } from './facts';
import { moreFrictions } from './more-frictions';
import { POLICY_NAMES } from '@/core/case';
import { policiesOf } from './policies';

const unit = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const facts = (values: Record<string, Json> = {}, causes: ScopeCause[] = [], of = unit) =>
  scopeFacts(
    of,
    knowledge,
    { state: stateFromValues(values), policies: POLICIES, causes },
    moreFrictions(of),
  );
const levels = (point: string, ...args: Parameters<typeof facts>) =>
  facts(...args)
    .filter((f) => f.point === point)
    .map((f) => f.level);

test('say whether there is a vehicle, whether it is apart, and what the shop’s way is', () => {
  expect(levels('bare')).toEqual(['no']);
  expect(levels('bare', { 'vehicle.bare': true })).toEqual(['yes']);
  expect(levels('job')).toEqual(['open']);
  expect(levels('apart')).toEqual(['no']);
  expect(levels('apart', { 'part.filter.pleats': { is: 'clear' } })).toEqual(['yes']);
  expect(levels('serviceable')).toEqual(['yes']);
  expect(
    levels('serviceable', {}, [], { ...unit, converter: { ...unit.converter, serviceable: false } }),
  ).toEqual(['no']);
  for (const name of POLICY_NAMES) expect(levels(`policy:${name}`)).toEqual([POLICIES[name]]);
});

test('apart is what somebody has opened, not what was heard or typed', () => {
  const apart = (slot: string, value: Json = { is: 'x' }) => isApart(stateFromValues({ [slot]: value }));
  expect(
    [
      'station.pan.out',
      'face.high.2.a.heat',
      'plate.high.2.thick',
      'part.filter.pleats',
      'element.high.air-test',
    ].every((s) => apart(s)),
  ).toBe(true);
  expect(
    ['unit.fluid.colour', 'complaint.words', 'cause.commit', 'station.pan.note'].some((s) => apart(s)),
  ).toBe(false);
});

test('name each cause by what is known of it', () => {
  const one = scopeCause('a', [], { mode: 'torn', part: 'p', element: 'e', gearset: 'g' });
  const all = facts({}, [one, scopeCause('b', [], { mode: 'worn' })]).filter((f) =>
    f.point.startsWith('cause'),
  );
  expect(all.map((f) => `${f.point}=${f.level}`)).toEqual([
    'cause=a',
    'cause-mode=torn',
    'cause-part=p',
    'cause-element=e',
    'cause-gearset=g',
    'cause=b',
    'cause-mode=worn',
  ]);
  expect(all.every((f) => f.slots[0] === 'cause.commit')).toBe(true);
});

test('four burnt packs and bands are many, three are not', () => {
  const burnt = Object.fromEntries(
    ['face.high.2.a', 'face.forward.1.a', 'face.reverse.1.a', 'face.low-reverse.1.a'].map((f) => [
      `${f}.heat`,
      { is: 'charred' },
    ]),
  );
  expect(levels('burnt-packs', burnt)).toEqual(['many']);
  expect(facts(burnt).find((f) => f.point === 'burnt-packs')!.slots).toHaveLength(4);
  const { 'face.high.2.a.heat': _, ...three } = burnt;
  expect(levels('burnt-packs', three)).toEqual([]);
});

test('say where one more friction fits, and where this engine calls for it', () => {
  expect(levels('more-frictions:high')).toEqual(['fits']);
  expect(levels('more-frictions:high', { 'history.powerFactor': 1.5 })).toEqual(['called-for']);
  expect(levels('more-frictions:reverse')).toEqual([]);
});

describe('what spread', () => {
  test.each<[Record<string, Json>, string[]]>([
    [{ 'unit.debris.grey-paste': { is: { sump: 'some' } } }, []],
    [{ 'unit.debris.grey-paste': { is: { sump: 'heavy' } } }, ['metal']],
    [{ 'unit.debris.bright-flakes': { is: { sump: 'trace' } } }, []],
    [{ 'unit.debris.bright-flakes': { is: { sump: 'some' } } }, ['metal']],
    [{ 'unit.debris.chunks': { is: { sump: 'trace' } } }, []],
    [{ 'unit.debris.chunks': { is: { sump: 'heavy' } } }, ['metal']],
    [{ 'unit.debris.bronze': { is: { sump: 'some' } } }, []],
    [{ 'unit.debris.bronze': { is: { sump: 'heavy' } } }, ['metal']],
    [{ 'unit.debris.aluminium': { is: { filter: 'heavy' } } }, ['metal']],
    [{ 'unit.debris.fibre': { is: { sump: 'some' } } }, []],
    [{ 'unit.debris.fibre': { is: { sump: 'heavy' } } }, ['fibre']],
    [{ 'unit.debris.water': { is: { sump: 'trace' } } }, ['water']],
    [{ 'unit.debris.water': { is: { sump: 'none' } } }, []],
    [{ 'unit.fluid.colour': { is: 'milky' } }, ['water']],
  ])('%j: %j', (values, expected) => expect(levels('spread', values)).toEqual(expected));
});

test('the job’s own policies stand before the shop’s, each by itself', () => {
  expect(policiesOf(stateFromValues({}), POLICIES)).toEqual(POLICIES);
  expect(
    policiesOf(
      stateFromValues({ 'scope.policy.converter': 'keep', 'scope.policy.cooler': 'replace' }),
      POLICIES,
    ),
  ).toEqual({
    ...POLICIES,
    converter: 'keep',
    cooler: 'replace',
  });
});
