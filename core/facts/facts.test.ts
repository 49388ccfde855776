import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { told } from '@/tests/fixtures/told';
import { factsOf, factWords, pattern } from './index';

const unit = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));
const facts = (values: Record<string, Json>) => factsOf(unit, stateFromValues(values), knowledge);
const said = (values: Record<string, Json>) => facts(values).map((f) => `${f.point}=${f.level}`);
const one = (values: Record<string, Json>, point: string) => facts(values).find((f) => f.point === point);

test('nothing recorded says nothing', () => expect(facts({})).toEqual([]));

describe('a part', () => {
  test('is as bad as the worst of what tells of it', () => {
    const values = {
      'part.sun-shell.condition': { is: 'marked' },
      'part.sun-shell.crack': { is: 'seen', where: 'lug' },
      'part.sun-shell.lugs': { is: 'notched' },
    };
    expect(one(values, 'part:sun-shell')).toMatchObject({ level: 'failed', weight: 1 });
    expect(one(values, 'part:sun-shell')!.slots).toHaveLength(3);
    expect(one(values, 'drum.crack:sun-shell')).toMatchObject({
      level: 'seen',
      slots: ['part.sun-shell.crack'],
    });
  });
  test('found sound in one place is not sound as a whole', () => {
    expect(one({ 'part.sun-shell.crack': { is: 'none' } }, 'part:sun-shell')).toMatchObject({
      level: 'sound',
      weight: 0.5,
      caution: expect.stringContaining('not graded as a whole'),
    });
    expect(one({ 'part.sun-shell.condition': { is: 'sound' } }, 'part:sun-shell')!.weight).toBe(1);
  });
  test('is not blamed for what its mates or its oil did', () => {
    expect(said({ 'part.input-shaft.galling': { is: 'galled' } })).toEqual([
      'shaft.galling:input-shaft=galled',
    ]);
    expect(said({ 'gearset.front.pins': { is: 'blue' } })).toEqual(['planetary.pins:front=blue']);
  });
  test('damaged by us is a fact of its own and no evidence', () => {
    expect(said({ 'part.pump-cover.condition': { is: 'takedown' } })).toEqual(['takedown:pump-cover=yes']);
    expect(said({ 'part.pump-cover.face': { is: 'cannot-tell' } })).toEqual([]);
  });
  test('a stuck valve, a worn pump and a slipping one-way clutch are failures of the part', () => {
    expect(said({ 'part.valve-2-3.moves': { is: 'stuck' } })).toContain('part:valve-2-3=failed');
    expect(said({ 'part.pump-gears.tip': { is: 0.9 } })).toContain('part:pump-gears=worn');
    expect(said({ 'part.low-owc.holds': { is: 'slips' } })).toContain('part:low-owc=failed');
  });
});

describe('several readings of one point', () => {
  const cold = { is: 'holds', temperatureC: 20, oilFilm: false };
  const hot = { 'grid.D3.shop': told(['slips'], ['hot']) };
  test('the worst counts', () => {
    const values = {
      ...hot,
      'element.high.air-test': cold,
      'element.high.air-test.hot': { is: 'leaks', temperatureC: 75 },
    };
    expect(one(values, 'pack.air-test:high')).toMatchObject({
      level: 'leaks',
      weight: 1,
      slots: ['element.high.air-test.hot'],
    });
  });
  test('of equally good ones the better test', () => {
    const values = {
      ...hot,
      'element.high.air-test': cold,
      'element.high.air-test.b': { is: 'holds', temperatureC: 70, oilFilm: true },
    };
    const fact = one(values, 'pack.air-test:high')!;
    expect(fact).toMatchObject({ level: 'holds', weight: 1 });
    expect(fact.slots).toHaveLength(2);
  });
  test.each<[string, Json, number]>([
    ['cold and dry', cold, 0.15],
    ['at a temperature nobody took', { is: 'holds' }, 0.15],
    ['warm', { is: 'holds', temperatureC: 60 }, 1],
    ['with an oil film', { is: 'holds', oilFilm: true }, 1],
    ['a leak, however cold', { is: 'leaks', temperatureC: 5 }, 1],
  ])('against a complaint that is hot only, a pass %s counts so much', (_, test, weight) => {
    expect(one({ ...hot, 'element.high.air-test': test }, 'pack.air-test:high')!.weight).toBe(weight);
    expect(one({ 'element.high.air-test': test }, 'pack.air-test:high')!.weight).toBe(1);
  });
});

describe('linings', () => {
  test('a welded pack is burnt and fused; a loose one is looked at and not fused', () => {
    expect(said({ 'face.high.2.a.heat': { is: 'welded' } })).toEqual([
      'friction-face.heat:high=welded',
      'lining:high=burnt',
      'fused:high=yes',
    ]);
    expect(said({ 'face.high.2.a.heat': { is: 'charred' } })).toContain('fused:high=no');
  });
  test('a few sound faces count for little', () => {
    const few = one(
      { 'face.high.2.a.heat': { is: 'sound' }, 'face.high.2.b.heat': { is: 'sound' } },
      'lining:high',
    )!;
    expect(few.weight).toBeCloseTo(2 / 18, 9);
    expect(few.caution).toMatch(/2 of 18/);
  });
  test('metal pressed in is a fact of the element, burnt or not', () => {
    const values = {
      'face.high.2.a.heat': { is: 'sound' },
      'face.high.2.a.metal': { is: 'none' },
      'face.high.4.b.metal': { is: 'covered' },
    };
    expect(said(values)).toContain('friction-face.metal:high=covered');
    expect(said(values)).toContain('lining:high=sound');
  });
  test('a band is judged by its lining, its drum apart', () => {
    expect(
      said({ 'element.band-2-4.lining': { is: 'torn' }, 'element.band-2-4.drum': { is: 'grooved' } }),
    ).toEqual([
      'band.drum:band-2-4=grooved',
      'band.lining:band-2-4=torn',
      'lining:band-2-4=burnt',
      'fused:band-2-4=no',
    ]);
  });
});

describe('the record beside its findings', () => {
  test('not scanned is not "no codes"', () => {
    expect(facts({ 'codes.scan': 'not-scanned' })).toEqual([]);
    expect(said({ 'codes.scan': 'none' })).toEqual(['codes=none']);
    expect(said({ 'codes.scan': 'these', 'codes.list.P0732': { kind: 'rationality' } })).toEqual([
      'codes=rationality',
      'code.P0732=yes',
    ]);
  });
  test('a code that names a shift solenoid speaks of that one: of its coil, or of the shift', () => {
    const listed = (code: string, kind: string) =>
      said({ 'codes.scan': 'these', [`codes.list.${code}`]: { kind } });
    expect(listed('P0758', 'electrical')).toEqual(['code-coil:S2=yes', 'code.P0758=yes']);
    expect(listed('P0752', 'rationality')).toEqual(['code-shift:S1=yes', 'code.P0752=yes']);
    expect(listed('P0749', 'electrical')).toContain('codes=electrical');
    expect(listed('P0775', 'electrical')).toContain('codes=electrical');
    expect(listed('U0100', 'electrical')).toContain('codes=electrical');
  });
  test('a code says what its number means, until it is cleared', () => {
    const code = (more: Record<string, string>) => ({
      'codes.scan': 'these',
      'codes.list.P0741': { kind: 'rationality', ...more },
    });
    expect(said(code({}))).toContain('code-lock-up=yes');
    expect(said(code({ cleared: 'by the last shop' })).join()).not.toMatch(/code-|code\./);
  });
  test('fresh fluid hides what the old one showed, at intake and as drained', () => {
    for (const slot of ['unit.fluid.colour', 'unit.drained.colour']) {
      const masked = facts({ [slot]: { is: 'black' }, 'history.fluid': 'recent' }).filter((f) =>
        f.slots.includes(slot),
      );
      expect(masked.map((f) => f.weight)).toEqual([0.05, 0.05, 0.05]);
    }
    expect(one({ 'unit.fluid.colour': { is: 'black' } }, 'fluid.colour')!.weight).toBe(1);
  });
  test('cloudy and milky are said of either look at the fluid, once', () => {
    const values = { 'unit.fluid.colour': { is: 'red' }, 'unit.drained.colour': { is: 'cloudy-tan' } };
    expect(
      said(values)
        .filter((f) => /^(cloudy|milky)=/.test(f))
        .sort(),
    ).toEqual(['cloudy=yes', 'milky=no']);
    expect(said({ 'unit.drained.colour': { is: 'milky' } })).toEqual(
      expect.arrayContaining(['milky=yes', 'spread=water']),
    );
  });
  test('hot is only said of what is not well hot', () => {
    expect(one({ 'grid.D2.customer': told(['slips'], ['hot']) }, 'only-hot')!.slots).toEqual([
      'grid.D2.customer',
    ]);
    expect(said({ 'grid.D2.customer': told(['normal'], ['hot']) })).toEqual([]);
    expect(said({ 'grid.D2.customer': told(['slips'], ['cold']) })).toEqual([]);
  });
});

test('every slot a fact cites is in the record', () => {
  const values: Record<string, Json> = {
    'unit.fluid.colour': { is: 'cloudy-tan' },
    'unit.debris.fibre': { is: { sump: 'heavy' } },
    'solenoid.S1.resistance': { is: 24, temperatureC: 20 },
    'element.high.air-test': { is: 'leaks' },
    'element.band-2-4.lining': { is: 'torn' },
    'history.powerFactor': 1.5,
    'part.of-another-unit.condition': { is: 'failed' },
  };
  expect(facts(values).length).toBeGreaterThan(7);
  for (const f of facts(values)) for (const slot of f.slots) expect(Object.keys(values)).toContain(slot);
});

test('a pattern is read at its first sign', () => {
  expect(pattern('drum.crack:$p=seen|air-test')).toEqual({
    point: 'drum.crack:$p',
    levels: ['seen', 'air-test'],
  });
});

test('every fact has words a person would say', () => {
  const values: Record<string, Json> = {
    'unit.debris.fibre': { is: { sump: 'heavy' } },
    'part.pump-gears.tip': { is: 0.9 },
    'face.high.2.a.metal': { is: 'specks' },
    'station.pump.rub': { is: 'seen' },
    'sensor.turbine-speed.tip': { is: 'covered' },
  };
  expect(facts(values).map((f) => factWords(inspection, f))).toEqual(
    expect.arrayContaining([
      'Debris, fibre, black mud: heavy',
      'Pump gears, tip clearance: over its limit',
      'High clutch, metal pressed in: specks',
      'Pump and support, rub mark where nothing should touch: seen',
      'Turbine speed sensor, tip: covered',
    ]),
  );
});

test('facts are said as a person says them', () => {
  const words = (point: string, level: string) => factWords(inspection, { point, level });
  expect(words('bubbled.sealing-rings:high', 'yes')).toBe('High clutch: bubbles at the sealing rings');
  expect(words('filter.by.fibre:filter', 'heavy')).toBe('Filter, held back fibre: heavy');
  expect(words('code-coil:S2', 'yes')).toBe('Shift solenoid S2 code: circuit');
  expect(words('code-lock-up', 'yes')).toBe('Code: lock-up slips');
  expect(words('lining:high', 'burnt')).toBe('High clutch lining: burnt');
  expect(words('pressure.full', 'under')).toBe('Line pressure, full, in drive: under its limit');
});
