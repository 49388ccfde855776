import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { inspection as data } from '@/data/inspection';
import { shippedUnits } from '@/data/shipped';
import {
  catalogueOf,
  compileCatalogue,
  drainStation,
  inspectionOf,
  limitOf,
  measureWords,
  stageOfIn,
} from './index';

const catalogue = catalogueOf(data);
const unitOf = (id: string) => shippedUnits.find((u) => u.id === id)!;
const four = inspectionOf(unitOf('ostrel-four'), catalogue);
const hadric = inspectionOf(unitOf('hadric-five'), catalogue);
const said = (inspection: typeof four, values: Record<string, Json>) =>
  inspection.findings(stateFromValues(values)).map((f) => f.judgement);

describe('the catalogue', () => {
  test('asks for no scale there is not', () => {
    const [file] = data.files;
    const point = { ...file!.points[0]!, field: { kind: 'scale' as const, scale: 'ghost' } };
    expect(() => compileCatalogue([{ ...file!, points: [point] }], data.scales)).toThrow(/no scale "ghost"/);
  });
  test('is compiled once, and so is the inspection of a unit', () => {
    expect(catalogueOf(data)).toBe(catalogue);
    expect(inspectionOf(unitOf('ostrel-four'), catalogue)).toBe(four);
  });
  test.each(shippedUnits.map((u) => [u.id, u] as const))(
    'gives no subject of %s one point twice',
    (_, unit) => {
      const { rows, catalogue: own } = inspectionOf(unit, catalogue);
      for (const station of unit.stations)
        for (const s of rows(station.id)) {
          const ids = own.filesFor(s.head, s.selectors).flatMap((f) => f.points.map((p) => p.id));
          expect([s.slot, new Set(ids).size]).toEqual([s.slot, ids.length]);
        }
    },
  );
});

describe('what is looked at where', () => {
  test.each(shippedUnits.map((u) => [u.id, u] as const))(
    '%s: everything has one row, at its own station',
    (_, unit) => {
      const { rows } = inspectionOf(unit, catalogue);
      const all = unit.stations.flatMap((s) => rows(s.id).map((r) => [s.id, r] as const));
      const slots = all.map(([, r]) => r.slot);
      expect(new Set(slots).size).toBe(slots.length);
      for (const [station, r] of all) expect([r.slot, r.station]).toEqual([r.slot, station]);
      for (const e of unit.elements.filter((x) => x.pack || x.band))
        expect(slots).toContain(`element.${e.id}`);
      for (const s of unit.solenoids) expect(slots).toContain(`solenoid.${s.id}`);
      for (const g of unit.gearsets) expect(slots).toContain(`gearset.${g.id}`);
    },
  );
  test('what a pack, a solenoid or a one-way clutch stands for has no second row', () => {
    const slots = unitOf('ostrel-four').stations.flatMap((s) => four.rows(s.id).map((r) => r.slot));
    for (const none of ['part.high-frictions', 'part.solenoid-s1', 'element.low-owc', 'part.overhaul-kit'])
      expect(slots).not.toContain(none);
    expect(slots).toContain('part.low-owc');
  });
  test('debris and drained fluid are asked where the oil runs out, pan or plug, before all else', () => {
    for (const [inspection, station] of [
      [four, 'pan'],
      [hadric, 'drain'],
    ] as const) {
      expect(drainStation(inspection.unit)).toBe(station);
      expect(inspection.rows(station)[0]!.slot).toBe('unit.debris');
      expect(inspection.rows(station).map((r) => r.slot)).toContain('unit.drained');
      expect(inspection.rows(station).map((r) => r.slot)).not.toContain('unit.fluid');
    }
  });
});

describe('a slot', () => {
  test.each([
    ['part.sun-shell.crack', 'drum.crack', 'Sun shell'],
    ['part.sun-shell.condition', 'part.condition', 'Sun shell'],
    ['element.high.air-test.hot', 'pack.air-test', 'High clutch'],
    ['element.band-2-4.air-test', 'band.air-test', '2-4 band'],
    ['face.high.2.a.metal', 'friction-face.metal', 'High clutch, friction 1, piston side'],
    ['plate.high.1.flat', 'steel-plate.flat', 'High clutch, steel 1'],
    ['gearset.front.pins', 'planetary.pins', 'Front planetary'],
    ['solenoid.S1.click', 'solenoid.click', 'Shift solenoid S1'],
    ['sensor.turbine-speed.tip', 'speed-sensor.tip', 'Turbine speed sensor'],
    ['station.pump.end-play', 'signs.end-play', 'Pump and support'],
    ['unit.debris.fibre', 'debris.fibre', 'Debris'],
  ])('%s is %s of %s', (slot, key, name) => {
    const found = four.named(slot)!;
    expect([found.point.key, found.subject.name]).toEqual([key, name]);
  });
  test.each([
    'part.ghost.crack',
    'part.sun-shell.pins',
    'face.high.0.a.heat',
    'face.high.2.c.heat',
    'plate.high.02.thickness',
    'plate.high.99.thickness',
    'element.low-owc.holds',
    'unit.nothing.fibre',
    'station.pump.out',
    'part.sun-shell',
    'part.sun-shell.crack.a.b',
    '__proto__.x.y',
  ])('%s names nothing', (slot) => expect(four.named(slot)).toBeNull());
  test('belongs to the stage of its point, or of the record', () => {
    const stageOf = stageOfIn(catalogue);
    expect(
      [
        'unit.fluid.level',
        'unit.drained.colour',
        'part.x.crack',
        'station.pump.out',
        'grid.D2.shop',
        'cause.commit',
        'nonsense',
      ].map(stageOf),
    ).toEqual(['intake', 'teardown', 'teardown', 'teardown', 'intake', 'cause', 'intake']);
  });
  test('of one name has one stage, whatever it is found on', () => {
    const stages = new Map<string, string>();
    for (const file of catalogue.files)
      for (const head of Object.keys(file.of))
        for (const p of file.points) {
          const key = head === 'unit' ? `${file.id} ${p.id}` : `${head} ${p.id}`;
          expect([key, stages.get(key) ?? file.stage]).toEqual([key, file.stage]);
          stages.set(key, file.stage);
        }
  });
});

describe('what a finding says', () => {
  test('a word of a scale is its level, with how bad it is', () => {
    expect(said(four, { 'part.sun-shell.crack': { is: 'seen' } })).toEqual([{ level: 'seen', severity: 3 }]);
    expect(said(four, { 'unit.fluid.colour': { is: 'red' } })).toEqual([
      { level: 'red', severity: undefined },
    ]);
  });
  test('what cannot be told, was our own doing or is only words says nothing', () => {
    const values = {
      'part.sun-shell.crack': { is: 'cannot-tell' },
      'part.sun-shell.lugs': { is: 'takedown' },
      'part.sun-shell.other': { is: 'a file mark on the rim' },
    };
    expect(said(four, values)).toEqual([null, null, null]);
  });
  test.each([
    [0.79, 'under'],
    [0.8, 'in'],
    [1.4, 'in'],
    [1.41, 'over'],
  ])('a clearance of %d mm against 0.8 to 1.4 is %s', (is, level) =>
    expect(said(four, { 'element.high.clearance': { is } })[0]!.level).toBe(level),
  );
  test('a reading without a limit is no evidence', () => {
    expect(said(four, { 'part.pump-gears.body': { is: 0.2 } })).toEqual([null]);
  });
  test('a resistance is judged at 20 °C, and not at all without its temperature', () => {
    expect(said(four, { 'solenoid.S1.resistance': { is: 29.5, temperatureC: 80 } })[0]!.level).toBe('in');
    expect(said(four, { 'solenoid.S1.resistance': { is: 29.5, temperatureC: 20 } })[0]!.level).toBe('over');
    expect(said(four, { 'solenoid.S1.resistance': { is: 29.5 } })).toEqual([null]);
  });
  test('an amount by place says as much as its heaviest place', () => {
    const is = { sump: 'trace', magnets: 'heavy', lines: 'none' };
    expect(said(four, { 'unit.debris.grey-paste': { is } })).toEqual([{ level: 'heavy', severity: 3 }]);
  });
});

test('a limit is said as one measures it', () => {
  expect(measureWords({ min: 0.0008, max: 0.0014 }, 'mm')).toBe('0.80–1.40 mm');
  expect(measureWords({ min: 0.00003, max: 0.00006 }, 'mm')).toBe('0.030–0.060 mm');
  expect(measureWords({ max: 0.0002 }, 'mm')).toBe('at most 0.20 mm');
  expect(measureWords({ min: 0.0001 }, 'l/min')).toBe('at least 6.0 l/min');
  expect(measureWords({ min: 4, max: 4 }, '')).toBe('exactly 4');
  expect(measureWords({ nominal: 0.0018 }, 'mm')).toBe('new 1.80 mm');
  expect(measureWords(null, 'mm')).toBe('');
});

test('a spec belongs to what it names, and to its station when it names nothing', () => {
  const limit = (
    inspection: typeof four,
    head: 'part' | 'station' | 'gearset',
    id: string,
    kind: 'end-play' | 'pinion-play',
  ) => limitOf(inspection.unit as UnitDefinition, inspection.subject(head, [id])!, kind);
  expect(limit(four, 'station', 'pump', 'end-play')).toMatchObject({ id: 'input-end-play' });
  expect(limit(four, 'part', 'converter', 'end-play')).toMatchObject({ id: 'converter-end-play' });
  expect(limit(four, 'station', 'converter', 'end-play')).toBeNull();
  expect(limit(four, 'gearset', 'front', 'pinion-play')).toMatchObject({ id: 'front-pinion-play' });
  expect(limit(hadric, 'gearset', 'first', 'end-play')).toMatchObject({ id: 'first-gear-play' });
});
