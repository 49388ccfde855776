import type { Json } from '@/core/case';
import ostrelFour from '@/data/units/ostrel-four.json';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import type { UnitDefinition } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import { checkCase, checkSlot, checkUnit, openCase } from './index';

const inspection = inspectionOf(ostrelFour as unknown as UnitDefinition, catalogueOf(knowledge.inspection));

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
    ['unit.fluid.level', { is: 'low' }],
    ['grid.D2.shop', { hot: { behaviours: ['slips'] }, cold: { behaviours: ['normal'] } }],
    ['part.sun-shell.crack', { is: 'cannot-tell' }],
    ['face.high.2.a.metal', { is: 'specks', note: 'near the hub' }],
    ['element.high.air-test.warm', { is: 'leaks', temperatureC: 70, oilFilm: true, where: 'hub' }],
    ['plate.high.2.thickness', { is: 1.62 }],
    ['unit.debris.fibre', { is: { sump: 'heavy', magnets: 'none' } }],
    ['customer.name', 'مريم 🛠️'],
    ['unit.fluid.level', null],
  ])('%s takes %j', (slot, value) => expect(checkSlot(inspection, slot, value)).toEqual([]));

  test.each<[string, Json]>([
    ['unit.fluid.level', { is: 'purple' }],
    ['unit.fluid.level', 'low'],
    ['part.sun-shell.crack', { is: 'blue' }],
    ['part.sun-shell.pins', { is: 'blue' }],
    ['part.ghost.crack', { is: 'seen' }],
    ['face.high.2.a.heat', { is: 'tinted' }],
    ['face.high.0.a.heat', { is: 'bright' }],
    ['plate.high.2.thickness', { is: 99 }],
    ['plate.high.2.thickness', { is: 'thick' }],
    ['unit.debris.fibre', { is: { attic: 'heavy' } }],
    ['vehicle.odometerKm', -5],
    ['vehicle.odometerKm', 1e12],
    ['vehicle.value', 10.5],
    ['grid.D2.shop', {}],
    ['grid.D2.shop', { hot: { behaviours: ['slips'], extra: 1 } }],
    ['grid.D9.shop', { hot: { behaviours: ['slips'] } }],
    ['no.such.slot', 1],
    ['complaint.words', 'x'.repeat(4001)],
  ])('%s refuses %j', (slot, value) => expect(checkSlot(inspection, slot, value).length).toBeGreaterThan(0));
});

describe('case documents', () => {
  test('a finding of the wrong kind is found by its pointer', () => {
    const { problems } = openCase(
      {
        format: 'pelvik-case/2',
        unit: 'ostrel-four',
        findings: [{ slot: 'unit.fluid.level', value: { is: 'purple' } }],
      },
      inspection,
    );
    expect(problems).toMatchObject([{ pointer: '/findings/0/value/is', message: 'is not said of "Level"' }]);
  });
  test('unknown versions are refused', () => {
    expect(checkCase({ format: 'pelvik-case/3', unit: 'x', findings: [] })[0]!.pointer).toBe('/format');
  });
  test('two entries with one number are refused', () => {
    const entry = {
      id: 'entry-0001',
      seq: 1,
      by: 'a',
      at: '2026-01-01T00:00:00Z',
      slot: 'unit.fluid.level',
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
