import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import type { Known } from './posterior';
import { reachOf, stationsReached } from './reach';

/* pan → box → pump, and a lid beside them. Ten hours apart: five stations at two hours each. */
const unit = {
  stations: [
    { id: 'pan', blockedBy: [], drains: true },
    { id: 'box', blockedBy: ['pan'] },
    { id: 'pump', blockedBy: ['box', 'lid'] },
    { id: 'lid', blockedBy: [] },
    { id: 'end', blockedBy: ['pump', 'box'] },
  ],
  parts: [
    { id: 'valve', station: 'box' },
    { id: 'coil', station: 'box' },
    { id: 'gear', station: 'pump' },
    { id: 'plug', station: 'pan' },
    { id: 'tail', station: 'end' },
    { id: 'lost', station: 'nowhere' },
  ],
  gearsets: [{ id: 'set', station: 'end' }],
  elements: [{ id: 'pack', station: 'pump' }],
  solenoids: [
    { id: 'S1', part: 'coil' },
    { id: 'S2', part: 'no such part' },
  ],
  labour: [
    { role: 'teardown', hours: 10 },
    { role: 'remove-refit', hours: 8 },
  ],
} as unknown as UnitDefinition;
const at = (point: string, out: string[] = [], of = unit) =>
  reachOf(of, { out: new Set(out), opened: out.length > 0 } as unknown as Known)({
    check: '',
    point,
    words: '',
    minutes: 5,
  });

describe('what stands in the way of a check', () => {
  test('on the bench every station before it that is not out yet', () => {
    expect(at('part:tail', ['lid'])).toEqual({ minutes: 4 * 120, onVehicle: false });
    expect(at('part:gear', ['lid']).minutes).toBe(3 * 120);
    expect(at('part:gear', ['lid', 'pan']).minutes).toBe(2 * 120);
    expect(at('part:gear', ['lid', 'pan', 'box', 'pump']).minutes).toBe(0);
    expect(at('part:plug', ['lid'])).toEqual({ minutes: 120, onVehicle: false });
  });
  test('in the vehicle half of removing and refitting besides', () => {
    expect(at('part:tail')).toEqual({ minutes: 240 + 5 * 120, onVehicle: false });
    expect(at('part:valve').minutes).toBe(240 + 2 * 120);
  });
  test('parts, sets, elements and solenoids are where the unit has them', () => {
    expect(at('lining:pack', ['lid']).minutes).toBe(3 * 120);
    expect(at('planetary.pins:set', ['lid']).minutes).toBe(4 * 120);
    expect(at('solenoid.leak:S1', ['lid']).minutes).toBe(2 * 120);
  });
  test('where a check stands in no station nothing is in the way', () => {
    for (const point of ['fluid.level', 'history-towing', 'part:lost', 'part:unheard-of', 'solenoid.leak:S2'])
      expect(at(point)).toEqual({ minutes: 0, onVehicle: true });
    expect(at('fluid.level', ['lid'])).toEqual({ minutes: 0, onVehicle: true });
  });
  test('the pan comes off in the vehicle: debris is read in it', () => {
    expect(at('debris.fibre')).toEqual({ minutes: 120, onVehicle: true });
    expect(at('part:plug')).toEqual({ minutes: 120, onVehicle: true });
    expect(at('debris.fibre', ['lid'])).toEqual({ minutes: 120, onVehicle: false });
    expect(at('debris.fibre', ['pan'])).toEqual({ minutes: 0, onVehicle: false });
    const dry = {
      ...unit,
      stations: unit.stations.map((s) => ({ ...s, drains: false })),
    } as unknown as UnitDefinition;
    expect(at('debris.fibre', [], dry)).toEqual({ minutes: 0, onVehicle: true });
  });
  test('coils are measured at their plug as long as the vehicle is whole, but not tested for leaks', () => {
    expect(at('solenoid.resistance:S1')).toEqual({ minutes: 0, onVehicle: true });
    expect(at('solenoid.leak:S1').onVehicle).toBe(false);
    expect(at('solenoid.resistance:S1', ['lid']).minutes).toBe(2 * 120);
    expect(at('my-solenoid.resistance:S1').onVehicle).toBe(false);
  });
  test('a unit without hours is taken for a usual one', () => {
    const bare = { ...unit, labour: [] } as unknown as UnitDefinition;
    expect(at('part:valve', ['lid'], bare).minutes).toBe(2 * 48);
    expect(at('part:valve', [], bare).minutes).toBe(180 + 2 * 48);
  });
});

describe('stations that are out', () => {
  const out = (values: Record<string, Json>) => [...stationsReached(unit, stateFromValues(values))].sort();
  test('marked so, that one only; not so, none', () => {
    expect(out({ 'station.pump.out': true })).toEqual(['pump']);
    expect(out({ 'station.pump.out': false, 'station.box.water': { is: 'seen' } })).toEqual([]);
    expect(out({})).toEqual([]);
  });
  test.each<[string, string[]]>([
    ['part.valve.moves', ['box', 'pan']],
    ['face.pack.1.a.heat', ['box', 'lid', 'pan', 'pump']],
    ['plate.pack.1.thickness', ['box', 'lid', 'pan', 'pump']],
    ['element.pack.clearance', ['box', 'lid', 'pan', 'pump']],
    ['gearset.set.pins', ['box', 'end', 'lid', 'pan', 'pump']],
    ['solenoid.S1.resistance', []],
    ['part.lost.condition', []],
    ['part.unheard-of.condition', []],
    ['unit.fluid.level', []],
    ['grid.D2.shop', []],
  ])('%s was looked into: it and all that stood in its way', (slot, expected) => {
    expect(out({ [slot]: { is: 'x' } })).toEqual(expected);
  });
});
