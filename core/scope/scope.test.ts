import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { knowledge, rules } from '@/data/knowledge';
import ostrelFour from '@/data/units/ostrel-four.json';
import { scopeFacts } from './facts';
import { buildScope, policiesOf } from './index';
import type { Policies, ScopeCause } from './index';

const unit = ostrelFour as unknown as UnitDefinition;
const SHOP: Policies = { overhaul: 'targeted', converter: 'on-evidence' };

function scope(values: Record<string, Json>, cause: ScopeCause | null = null, policies: Policies = SHOP) {
  return buildScope(unit, { rules, knowledge }, stateFromValues(values), policies, cause);
}
const keys = (...args: Parameters<typeof scope>) => scope(...args).lines.map((l) => l.key);
const SEAL: ScopeCause = {
  id: 'high-piston-outer-seal:feed-loss',
  mode: 'feed-loss',
  part: 'high-piston-outer-seal',
  element: 'high',
  gearset: null,
};

describe('policies', () => {
  test('the job’s own stand before the shop’s, each by itself', () => {
    expect(policiesOf(stateFromValues({}), SHOP)).toEqual(SHOP);
    expect(policiesOf(stateFromValues({ 'scope.policy.converter': 'always' }), SHOP)).toEqual({
      overhaul: 'targeted',
      converter: 'always',
    });
  });
  test('a full overhaul brings the kit, and what is in it is not charged twice', () => {
    const { lines } = scope({ 'face.high.2.a.heat': { is: 'charred' } }, null, { ...SHOP, overhaul: 'full' });
    const kit = lines.find((l) => l.key === 'part-overhaul-kit')!;
    const frictions = lines.find((l) => l.key === 'part-high-frictions')!;
    const steels = lines.find((l) => l.key === 'part-high-steels')!;
    expect([kit.inKit, frictions.inKit, steels.inKit]).toEqual([false, true, false]);
  });
  test('targeted opens what the evidence names and no more', () => {
    const all = keys({ 'face.high.2.a.heat': { is: 'charred' } });
    expect(all).toEqual(
      expect.arrayContaining(['part-high-frictions', 'part-high-steels', 'labour-targeted']),
    );
    expect(all.some((k) => /forward|reverse-|overhaul/.test(k))).toBe(false);
  });
  test('no policy switches off what metal, water or a grooved drum condemn', () => {
    for (const overhaul of ['full', 'targeted'] as const) {
      const policies = { ...SHOP, overhaul };
      expect(keys({ 'unit.debris.bright-flakes': { is: { sump: 'heavy' } } }, null, policies)).toContain(
        'part-forward-frictions',
      );
      expect(keys({ 'unit.fluid.colour': { is: 'milky' } }, null, policies)).toContain(
        'part-low-reverse-frictions',
      );
      expect(keys({ 'element.band-2-4.drum': { is: 'grooved' } }, null, policies)).toContain(
        'part-reverse-drum',
      );
    }
  });
});

describe('what spread', () => {
  const spread = (values: Record<string, Json>) =>
    scopeFacts(unit, stateFromValues(values), knowledge, SHOP, null)
      .filter((f) => f.point === 'spread')
      .map((f) => f.level);
  test.each<[Record<string, Json>, string[]]>([
    [{ 'unit.debris.grey-paste': { is: { sump: 'some' } } }, []],
    [{ 'unit.debris.grey-paste': { is: { sump: 'heavy' } } }, ['metal']],
    [{ 'unit.debris.bright-flakes': { is: { sump: 'trace' } } }, []],
    [{ 'unit.debris.bright-flakes': { is: { sump: 'some' } } }, ['metal']],
    [{ 'unit.debris.fibre': { is: { sump: 'some' } } }, []],
    [{ 'unit.debris.fibre': { is: { sump: 'heavy' } } }, ['fibre']],
    [{ 'unit.debris.water': { is: { sump: 'trace' } } }, ['water']],
    [{ 'unit.debris.water': { is: { sump: 'none' } } }, []],
    [{ 'unit.fluid.colour': { is: 'milky' } }, ['water']],
  ])('%j: %j', (values, levels) => expect(spread(values)).toEqual(levels));
});

describe('reasons', () => {
  test('every line has one, with the finding it rests on', () => {
    const { lines } = scope({
      'part.sun-shell.condition': { is: 'failed' },
      'part.filter.pleats': { is: 'blocked' },
    });
    for (const line of lines) expect(line.reasons.length).toBeGreaterThan(0);
    expect(lines.find((l) => l.key === 'part-sun-shell')!.reasons[0]!.slots).toContain(
      'part.sun-shell.condition',
    );
  });
  test('two rules for one part: the stronger action stands, both reasons are kept', () => {
    const { lines } = scope({ 'part.high-piston-outer-seal.condition': { is: 'marked' } }, SEAL);
    const seal = lines.find((l) => l.key === 'part-high-piston-outer-seal')!;
    expect(seal.action).toBe('replace');
    expect(seal.reasons.map((r) => r.rule).sort()).toEqual(['cause-part', 'part-marked']);
  });
  test('a part that only goes along is not said to have failed', () => {
    const { lines } = scope({ 'part.pump-gears.condition': { is: 'failed' } });
    expect(lines.find((l) => l.key === 'part-pump-gears')!.reasons[0]!.words).toBe('Failed');
    expect(lines.find((l) => l.key === 'part-pump-bushing')!.reasons[0]!.words).not.toBe('Failed');
  });
  test('damage of the takedown is replaced on the shop, and blames nothing', () => {
    const { lines } = scope({ 'part.pump-cover.condition': { is: 'takedown' } });
    expect(lines.find((l) => l.key === 'part-pump-cover')).toMatchObject({
      onTheShop: true,
      action: 'replace',
    });
  });
});

describe('the technician’s hand', () => {
  test('adds, changes and takes out, each with the reason on the line', () => {
    const { lines, removed } = scope(
      {
        'scope.line.own-1': { change: 'add', name: 'In-line filter', price: 3150, reason: 'fibre' },
        'scope.line.part-filter': { change: 'change', quantity: 2, reason: 'one to cut' },
        'scope.line.part-sun-shell': { change: 'remove', reason: 'welded here' },
      },
      {
        id: 'sun-shell:path-broken',
        mode: 'path-broken',
        part: 'sun-shell',
        element: 'reverse',
        gearset: null,
      },
    );
    expect(lines.find((l) => l.key === 'own-1')).toMatchObject({
      name: 'In-line filter',
      price: 3150,
      edited: 'add',
    });
    expect(lines.find((l) => l.key === 'part-filter')).toMatchObject({ quantity: 2, edited: 'change' });
    expect(removed.map((l) => l.key)).toEqual(['part-sun-shell']);
    expect(removed[0]!.reasons.at(-1)).toMatchObject({ rule: 'technician', words: 'welded here' });
  });
  test('taking out what is not there is no line and no error', () => {
    expect(scope({ 'scope.line.part-ghost': { change: 'remove', reason: 'x' } }).removed).toEqual([]);
  });
  test('a known part or operation added keeps its price and hours', () => {
    const { lines } = scope({
      'scope.line.own-2': { change: 'add', part: 'pump-cover', reason: 'to be sure' },
      'scope.line.own-3': { change: 'add', operation: 'cooler-flush', reason: 'to be sure' },
    });
    expect(lines.find((l) => l.key === 'part-pump-cover' || l.name === 'Pump cover')!.price).toBe(11200);
    expect(lines.find((l) => l.name.includes('cooler'))!.hours).toBeGreaterThan(0);
  });
});

describe('warnings', () => {
  test('a root cause left out needs a waiver', () => {
    const { warnings } = scope(
      { 'scope.line.part-high-piston-outer-seal': { change: 'remove', reason: 'no' } },
      SEAL,
    );
    expect(warnings.join(' ')).toMatch(/root cause, high piston outer seal, is not in the scope.*waiver/);
  });
  test('a part with variants says what to measure before it is ordered', () => {
    expect(scope({ 'part.converter.leak': { is: 'leaks' } }).warnings.join(' ')).toContain(
      'more than one variant',
    );
    expect(scope({}).warnings).toEqual([]);
  });
  test('overload puts what is outside the unit on the list', () => {
    const cause: ScopeCause = { id: 'overload', mode: 'overload', part: null, element: null, gearset: null };
    expect(keys({}, cause)).toContain('outside-load');
  });
});

test('lines stand in the order of removal, labour after parts, what is outside last', () => {
  const { lines } = scope(
    { 'part.sun-shell.condition': { is: 'failed' }, 'part.pump-cover.condition': { is: 'failed' } },
    { id: 'overload', mode: 'overload', part: null, element: null, gearset: null },
    { ...SHOP, converter: 'always' },
  );
  const kinds = lines.map((l) => l.kind);
  expect(
    [...kinds].sort(
      (a, b) => ['part', 'labour', 'outside'].indexOf(a) - ['part', 'labour', 'outside'].indexOf(b),
    ),
  ).toEqual(kinds);
  const order = lines
    .filter((l) => l.kind === 'part')
    .map((l) => unit.stations.find((s) => s.id === l.station)!.order);
  expect(order).toEqual([...order].sort((a, b) => a - b));
});
