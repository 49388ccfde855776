import { unitSchema } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import { shippedUnits } from '@/data/shipped';
import { readsOf } from '@/tests/fixtures/reads';
import { checkUnit, unitWarnings } from './index';
import type { Problem } from './index';
import { outOfBounds, UNIT_BOUNDS } from './size';
import { unitKnowledge } from '@/data/knowledge';

const four = ostrelFour as unknown as UnitDefinition;
const changed = (change: (unit: UnitDefinition) => void): UnitDefinition => {
  const copy = structuredClone(four);
  change(copy);
  return copy;
};
const set = (u: UnitDefinition, k = 0) =>
  u.gearsets[k] as Extract<UnitDefinition['gearsets'][number], { kind: 'planetary' }>;

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
  ])('%s', (_, pointer, change) => {
    const unit = changed(change);
    expect(checkUnit(unit)).toEqual([]);
    expect(unitWarnings(unit, unitKnowledge).map((w) => w.pointer)).toContain(pointer);
  });
});

/** Effort is counted, not timed: a real unit takes about a tenth of it. */
const MOST_READS = 200_000;

describe('hostile definitions fail fast', () => {
  const fast = (value: unknown) => {
    let problems: Problem[] = [];
    readsOf(value, MOST_READS, (watched) => void (problems = checkUnit(watched)));
    expect(problems.length).toBeGreaterThan(0);
    expect(problems.length).toBeLessThanOrEqual(200);
    return problems;
  };
  const deep = (n: number): unknown => {
    let value: unknown = 1;
    for (let k = 0; k < n; k++) value = { a: value };
    return value;
  };
  test.each<[string, unknown]>([
    [
      '10,000 elements',
      changed(
        (u) => (u.elements = Array.from({ length: 10_000 }, (_, k) => ({ ...u.elements[1]!, id: `e${k}` }))),
      ),
    ],
    ['a million numbers', { ...four, gears: new Array(1_000_000).fill(1) }],
    ['NaN teeth', changed((u) => (set(u).sun.teeth = Number.NaN))],
    ['1e308 teeth', changed((u) => (set(u).sun.teeth = 1e308))],
    ['infinite torque', changed((u) => (u.engine.torqueNm = Number.POSITIVE_INFINITY))],
    ['negative teeth', changed((u) => (set(u).sun.teeth = -35))],
    ['a text for a number', changed((u) => ((set(u).sun as { teeth: unknown }).teeth = '35'))],
    ['10,000 levels', { ...four, description: deep(10_000) }],
    ['a text without end', { ...four, name: 'x'.repeat(5_000_000) }],
    [
      'sixty one-way clutches',
      changed(
        (u) => (
          (u.elements = Array.from({ length: 60 }, (_, k) => ({
            ...u.elements[1]!,
            id: `o${k}`,
            short: 'o',
          }))),
          (u.gears = [u.gears[2]!])
        ),
      ),
    ],
    ['an array', []],
    ['a prototype', JSON.parse('{"__proto__": {"format": "pelvik-unit/1"}}')],
  ])('%s', (_, value) => void fast(value));

  test('eight one-way clutches on forty free members are still answered', () => {
    const names = Array.from({ length: 40 }, (_, k) => `m${k}`);
    const unit = changed((u) => {
      u.members = ['in', 'out', ...names].map((id) => ({ id, name: id }));
      u.gearsets = names.slice(0, 38).map(
        (id, k) =>
          ({
            ...set(u),
            id: `g${k}`,
            pinions: undefined,
            sun: { member: id, teeth: 30 },
            ring: { member: names[k + 1]!, teeth: 70 },
            carrier: names[k + 2] ?? 'out',
          }) as UnitDefinition['gearsets'][number],
      );
      for (const g of u.gearsets) delete (g as { pinions?: unknown }).pinions;
      u.elements = Array.from({ length: 8 }, (_, k) => ({
        ...four.elements[1]!,
        id: `o${k}`,
        a: names[k * 4]!,
        b: names[k * 4 + 3]!,
      }));
      u.elements.push(
        { ...four.elements[0]!, id: 'c', a: 'in', b: names[0]! },
        { ...four.elements[0]!, id: 'd', a: names[39]!, b: 'out' },
      );
      u.parts = u.parts.map(({ splits: _, ...p }) => p);
      u.bearings = [];
      u.sensors = [];
      u.gears = [{ key: 'D1', range: 'D', gear: 1, name: 'x', apply: ['c', 'd'], solenoids: [0, 0, 0] }];
      u.converter.lockUpGears = [];
    });
    expect(readsOf(unit, MOST_READS, checkUnit)).toBeGreaterThan(0);
  });
  test('the size of a real unit is far from the limit', () => {
    for (const unit of shippedUnits) expect(outOfBounds(unit, UNIT_BOUNDS)).toBeNull();
  });
});

test('every field of the published schema says what it is', () => {
  const mute: string[] = [];
  const walk = (node: unknown, at: string): void => {
    if (typeof node !== 'object' || node === null) return;
    const { properties, items, oneOf } = node as {
      properties?: Record<string, { description?: string }>;
      items?: unknown;
      oneOf?: unknown[];
    };
    for (const [key, field] of Object.entries(properties ?? {})) {
      if (!field.description) mute.push(`${at}/${key}`);
      walk(field, `${at}/${key}`);
    }
    walk(items, `${at}/*`);
    oneOf?.forEach((o, k) => walk(o, `${at}|${k}`));
  };
  walk(unitSchema, '');
  expect(mute).toEqual([]);
});
