import type { Json } from '@/core/case';
import ostrelFour from '@/data/units/ostrel-four.json';
import { checkCase, checkSlot, checkUnit } from './index';

const changed = (change: (unit: typeof ostrelFour) => void): unknown => {
  const copy = structuredClone(ostrelFour);
  change(copy);
  return copy;
};

describe('unit definitions', () => {
  test('the shipped unit has no problem', () => expect(checkUnit(ostrelFour)).toEqual([]));

  test.each<[string, string, (u: typeof ostrelFour) => void]>([
    ['an unknown member', '/elements/0/a', (u) => (u.elements[0]!.a = 'nowhere')],
    ['a duplicate id', '/members/1/id', (u) => (u.members[1]!.id = 'in')],
    ['no teeth', '/gearsets/0/sun/teeth', (u) => (u.gearsets[0]!.sun.teeth = 0)],
    ['a negative friction', '/elements/0/pack/mu', (u) => (u.elements[0]!.pack!.mu = -1)],
    ['an unknown element in a gear', '/gears/3/apply/0', (u) => (u.gears[3]!.apply[0] = 'ghost')],
    ['a wrong format', '/format', (u) => (u.format = 'pelvik-unit/9')],
    [
      'blockers in a circle',
      '/stations/0/blockedBy',
      (u) => ((u.stations[0]!.blockedBy as string[]) = ['pan']),
    ],
    ['a gear that cannot drive', '/gears/4/apply', (u) => (u.gears[4]!.apply = ['band-2-4'])],
    ['a neutral that drives', '/gears/2/apply', (u) => ((u.gears[2]!.apply as string[]) = ['forward'])],
  ])('%s is named with its place and a remedy', (_, pointer, change) => {
    const problem = checkUnit(changed(change)).find((p) => p.pointer === pointer);
    expect(problem).toBeDefined();
    expect(problem!.remedy.length).toBeGreaterThan(5);
  });

  test.each([null, 7, 'text', [], {}])('%j is not a unit', (value) =>
    expect(checkUnit(value).length).toBeGreaterThan(0),
  );
});

describe('slot values', () => {
  test.each<[string, Json]>([
    ['fluid.level', 'low'],
    ['grid.D2', { behaviours: ['slips'], when: ['hot'], source: 'shop' }],
    ['customer.name', 'مريم 🛠️'],
    ['fluid.level', null],
  ])('%s takes %j', (slot, value) => expect(checkSlot(slot, value)).toEqual([]));

  test.each<[string, Json]>([
    ['fluid.level', 'purple'],
    ['vehicle.odometerKm', -5],
    ['vehicle.odometerKm', 1e12],
    ['vehicle.value', 10.5],
    ['grid.D2', { behaviours: [], when: [], source: 'shop' }],
    ['grid.D2', { behaviours: ['slips'], when: [], source: 'shop', extra: 1 }],
    ['no.such.slot', 1],
    ['complaint.words', 'x'.repeat(4001)],
  ])('%s refuses %j', (slot, value) => expect(checkSlot(slot, value).length).toBeGreaterThan(0));
});

describe('case documents', () => {
  test('a finding of the wrong kind is found by its pointer', () => {
    const problems = checkCase({
      format: 'pelvik-case/1',
      unit: 'ostrel-four',
      findings: [{ slot: 'fluid.level', value: 'purple' }],
    });
    expect(problems[0]).toMatchObject({ pointer: '/findings/0/value' });
  });
  test('unknown versions are refused', () => {
    expect(checkCase({ format: 'pelvik-case/2', unit: 'x', findings: [] })[0]!.pointer).toBe('/format');
  });
  test('two entries with one number are refused', () => {
    const entry = {
      id: 'entry-0001',
      seq: 1,
      by: 'a',
      at: '2026-01-01T00:00:00Z',
      slot: 'fluid.level',
      value: 'low',
    };
    const problems = checkCase({
      format: 'pelvik-case/1',
      unit: 'x',
      findings: [],
      history: [entry, { ...entry, id: 'entry-0002' }],
    });
    expect(problems[0]!.pointer).toBe('/history/1/seq');
  });
});
