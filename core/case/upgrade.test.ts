import type { UnitDefinition } from '@/core/unit';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { checkSlot } from '@/core/validation';
import { inspection as data } from '@/data/inspection';
import { shippedUnits } from '@/data/shipped';
import { EMPTY_STATE, fold, upgradeCase, upgradeEntries, upgradeWrites } from './index';
import type { Entry, Json } from './index';

const unit = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const inspection = inspectionOf(unit, catalogueOf(data));
const now = (slot: string, value: Json, of: UnitDefinition = unit) => upgradeWrites(slot, value, of);

/** Every slot version 1 had whose name or value changed, with what it means today. */
const FORMER: [string, Json, string, Json][] = [
  ['fluid.level', 'low', 'unit.fluid.level', { is: 'low' }],
  ['fluid.colour', 'not-assessable', 'unit.fluid.colour', { is: 'cannot-tell' }],
  ['fluid.smell', 'burnt', 'unit.fluid.smell', { is: 'burnt' }],
  ['filter.state', 'blocked', 'part.filter.pleats', { is: 'blocked' }],
  ['filter.opened', true, 'part.filter.opened', { is: 'cut' }],
  ['filter.opened', false, 'part.filter.opened', { is: 'outside' }],
  ['converter.hub', 'blue', 'part.converter.hub', { is: 'blue' }],
  ['converter.lining', 'gone', 'part.converter.lining', { is: 'gone' }],
  ['converter.face', 'smooth', 'part.converter.face', { is: 'smooth' }],
  ['converter.leak', 'leaks', 'part.converter.leak', { is: 'leaks' }],
  ['converter.endPlayMm', 0.4, 'part.converter.end-play', { is: 0.4 }],
  ['solenoid.S1', { ohm: 24.5, temperatureC: 30 }, 'solenoid.S1.resistance', { is: 24.5, temperatureC: 30 }],
  ['solenoid.S1', { temperatureC: 30 }, 'solenoid.S1.resistance', { is: 'cannot-tell', temperatureC: 30 }],
  ['plate.high.2.a', 'charred', 'face.high.2.a.heat', { is: 'charred' }],
  ['plate.high.1.b', 'warped', 'face.high.1.b.heat', { is: 'warped' }],
  ['plate.high.2.b', 'not-assessable', 'face.high.2.b.heat', { is: 'cannot-tell' }],
  ['thickness.high.2', 1.62, 'plate.high.2.thickness', { is: 1.62 }],
  ['band.band-2-4.lining', 'torn', 'element.band-2-4.lining', { is: 'torn' }],
  ['band.band-2-4.drum', 'grooved', 'element.band-2-4.drum', { is: 'grooved' }],
  ['band.band-2-4.travelMm', 2.4, 'element.band-2-4.travel', { is: 2.4 }],
  [
    'airtest.high',
    { result: 'leaks', pressureKpa: 400, temperatureC: 60, oilFilm: true, where: 'hub' },
    'element.high.air-test',
    { is: 'leaks', pressureKpa: 400, temperatureC: 60, oilFilm: true, where: 'hub' },
  ],
  [
    'part.sun-shell',
    { grade: 'failed', note: 'at the lug' },
    'part.sun-shell.condition',
    { is: 'failed', note: 'at the lug' },
  ],
  ['part.sun-shell', { grade: 'takedown' }, 'part.sun-shell.condition', { is: 'takedown' }],
  ['debris.fibre', { amount: 'heavy', where: 'pan' }, 'unit.debris.fibre', { is: { sump: 'heavy' } }],
  ['debris.fibre', { amount: 'some', where: 'magnets' }, 'unit.debris.fibre', { is: { magnets: 'some' } }],
  ['debris.water', { amount: 'none' }, 'unit.debris.water', { is: { sump: 'none' } }],
  ['photo.p1', { about: 'plate.high', caption: 'x' }, 'photo.p1', { about: 'element.high', caption: 'x' }],
  ['photo.p1', { about: 'plate.high.2.a' }, 'photo.p1', { about: 'element.high' }],
  ['photo.p1', { about: 'plate.high.2' }, 'photo.p1', { about: 'plate.high.2' }],
  ['photo.p1', { about: 'filter.state' }, 'photo.p1', { about: 'part.filter' }],
  ['photo.p1', { about: 'part.sun-shell' }, 'photo.p1', { about: 'part.sun-shell' }],
];

test.each(FORMER)('%s %j means %s %j, and is one a person could enter', (slot, value, meant, is) => {
  expect(now(slot, value)).toEqual([[meant, is]]);
  expect(checkSlot(inspection, meant, is)).toEqual([]);
});

describe('a gear of the complaint grid', () => {
  const cell = (behaviours: string[], when: string[], more = {}) =>
    ({ behaviours, when, source: 'shop', ...more }) as Json;
  test.each<[Json, Json]>([
    [cell(['slips'], []), { any: { behaviours: ['slips'] } }],
    [cell(['slips'], ['hot']), { hot: { behaviours: ['slips'] } }],
    [cell(['slips'], ['cold', 'intermittent']), { cold: { behaviours: ['slips'], when: ['intermittent'] } }],
    [cell(['slips'], ['cold', 'hot']), { any: { behaviours: ['slips'] } }],
    [
      cell(['normal', 'noise'], ['load']),
      { any: { behaviours: ['normal'], noises: ['other'], when: ['load'] } },
    ],
    [
      cell(['wrong-gear'], [], { actsLike: 'D1', limp: true }),
      { any: { behaviours: ['wrong-gear'], actsLike: 'D1', limp: true } },
    ],
  ])('%j is %j, and whoever told it before no longer does', (value, meant) => {
    expect(now('grid.D2', value)).toEqual([
      ['grid.D2.shop', meant],
      ['grid.D2.customer', null],
    ]);
    expect(checkSlot(inspection, 'grid.D2.shop', meant)).toEqual([]);
  });
  test('cleared is cleared on both sides', () => {
    expect(now('grid.D2', null)).toEqual([
      ['grid.D2.customer', null],
      ['grid.D2.shop', null],
    ]);
  });
});

test('a cleared slot clears what it became', () => {
  for (const [slot, , meant] of FORMER)
    if (!slot.startsWith('photo.')) expect(now(slot, null)).toEqual([[meant, null]]);
});

test('what is of this version, or of none, stays as it is', () => {
  for (const [slot, value] of [
    ['part.sun-shell.crack', { is: 'seen' }],
    ['plate.high.2.thickness', { is: 1.6 }],
    ['grid.D2.shop', { any: { behaviours: ['slips'] } }],
    ['station.pan.out', true],
    ['nonsense', 1],
    ['grid.D2', { behaviours: 'slips' }],
    ['grid.D2', 7],
    ['part.sun-shell', 'failed'],
    ['fluid.level', { is: 'low' }],
  ] as [string, Json][])
    expect(now(slot, value)).toEqual([[slot, value]]);
});

test('filter and converter are found by what they are, whatever they are called', () => {
  const other = structuredClone(unit);
  other.parts.find((p) => p.role === 'filter')!.id = 'sieve';
  other.converter = { ...other.converter, part: 'coupling' };
  expect(now('filter.state', 'clear', other)).toEqual([['part.sieve.pleats', { is: 'clear' }]]);
  expect(now('converter.hub', 'blue', other)).toEqual([['part.coupling.hub', { is: 'blue' }]]);
});

describe('a record', () => {
  const entry = (seq: number, slot: string, value: Json): Entry => ({
    id: `entry-000${seq}`,
    seq,
    by: 'Mira',
    at: '2026-02-03T08:00:00.000Z',
    slot,
    value,
  });
  const told = (source: string, behaviours: string[]) => ({ behaviours, when: [], source }) as Json;
  const history = [
    entry(1, 'grid.D2', told('customer', ['slips'])),
    entry(2, 'grid.D2', told('shop', ['flares'])),
    entry(3, 'debris.fibre', { amount: 'some', where: 'pan' }),
    entry(4, 'debris.fibre', { amount: 'heavy', where: 'magnets' }),
    entry(5, 'fluid.level', 'low'),
    entry(6, 'fluid.level', null),
  ];
  test('folds to the state it had, the last word of each slot', () => {
    const state = fold(EMPTY_STATE, upgradeEntries(history, unit));
    expect(Object.fromEntries(Object.entries(state).map(([slot, s]) => [slot, s.value]))).toEqual({
      'grid.D2.shop': { any: { behaviours: ['flares'] } },
      'unit.debris.fibre': { is: { magnets: 'heavy' } },
    });
    expect(state['grid.D2.shop']).toMatchObject({ seq: 2, by: 'Mira' });
  });
  test('keeps ids and numbers; an entry that became two has a second id', () => {
    const entries = upgradeEntries(history, unit);
    expect(new Set(entries.map((e) => e.id)).size).toBe(entries.length);
    expect(entries.slice(0, 2).map((e) => [e.id, e.seq])).toEqual([
      ['entry-0001', 1],
      ['entry-0001-2', 1],
    ]);
  });
  test('as a document is numbered anew, one of this version is left alone', () => {
    const former = {
      format: 'pelvik-case/1',
      unit: unit.id,
      findings: [{ slot: 'fluid.level', value: 'low' }],
      history,
    };
    const document = upgradeCase(former, unit);
    expect(document.format).toBe('pelvik-case/2');
    expect(document.findings).toEqual([{ slot: 'unit.fluid.level', value: { is: 'low' } }]);
    expect(document.history!.map((e) => e.seq)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
    const current = {
      format: 'pelvik-case/2',
      unit: unit.id,
      findings: [{ slot: 'unit.fluid.level', value: { is: 'low' } }],
    };
    expect(upgradeCase(current, unit)).toEqual(current);
  });
});
