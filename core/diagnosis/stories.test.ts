import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import ostrelFour from '@/data/units/ostrel-four.json';
import { plates, soundPacks, told as shop } from '@/tests/fixtures/told';
import { chainWords, diagnoser } from './index';

const unit = ostrelFour as unknown as UnitDefinition;
const diagnose = diagnoser(unit, knowledge);
const run = (values: Record<string, Json>) => diagnose(stateFromValues(values));
const sound = (...elements: string[]) => soundPacks(unit, ...elements);

const bandGrid = {
  'grid.R.shop': shop(['normal']),
  'grid.D1.shop': shop(['normal']),
  'grid.D2.shop': shop(['flares', 'double-bump']),
  'grid.D3.shop': shop(['normal']),
  'grid.D4.shop': shop(['wrong-gear']),
};

describe('on the vehicle', () => {
  const checks = (values: Record<string, Json>) => run(values).nextChecks.map((c) => c.check);
  test('what needs it whole is asked for as long as nothing is out', () => {
    expect(checks(bandGrid)).toContain('measure-pressure');
    const opened = checks({ ...bandGrid, 'station.pan.out': true });
    for (const check of ['measure-pressure', 'check-level', 'read-codes'])
      expect(opened).not.toContain(check);
    expect(checks({ ...bandGrid, 'station.pan.out': false })).toContain('measure-pressure');
  });
  test('pressure that is right clears the pump, pressure that is low accuses it; so does a high stall', () => {
    const pump = (values: Record<string, Json>) =>
      run(values)
        .causes.filter((c) => c.id.endsWith(':low-output'))
        .reduce((sum, c) => sum + c.probability, 0);
    const limit = unit.specs.find((s) => s.kind === 'pressure' && s.load === 'full' && !s.range)!;
    const full = (kpa: number) => ({ 'unit.pressure.full': { is: kpa } });
    const before = pump({});
    expect(pump(full(limit.min! / 1000 + 50))).toBeLessThan(before);
    expect(pump(full(limit.min! / 1000 - 300))).toBeGreaterThan(before);
    expect(pump({ 'unit.checks.stall': { is: 'high' } })).toBeGreaterThan(before);
  });
  test('larger tyres and deep mud speak for overload, Park while rolling for a broken path', () => {
    const sum = (end: string, values: Record<string, Json>) =>
      run(values)
        .causes.filter((c) => c.id.endsWith(end))
        .reduce((s, c) => s + c.probability, 0);
    expect(sum('overload', { 'history.tyres': 'larger' })).toBeGreaterThan(sum('overload', {}));
    expect(sum('overload', { 'history.mud': 'mud' })).toBeGreaterThan(sum('overload', {}));
    expect(sum(':path-broken', { 'history.parkRolling': 'yes' })).toBeGreaterThan(sum(':path-broken', {}));
    expect(sum(':path-broken', { 'history.parkRolling': 'unknown' })).toBe(sum(':path-broken', {}));
  });
});

describe('a band that lets go, with codes about the ratio', () => {
  const before = run({
    ...bandGrid,
    'codes.scan': 'these',
    'codes.list.P0732': { kind: 'rationality' },
    'solenoid.S2.resistance': { is: 27, temperatureC: 45 },
  });

  test('before teardown the band’s circuit leads and the solenoid that measures well does not', () => {
    const band = before.causes.filter((c) => c.element === 'band-2-4').reduce((s, c) => s + c.probability, 0);
    const solenoid = before.causes
      .filter((c) => c.part?.startsWith('solenoid'))
      .reduce((s, c) => s + c.probability, 0);
    expect(band).toBeGreaterThan(0.6);
    expect(solenoid).toBeLessThan(0.1);
    expect(solenoid).toBeGreaterThan(0);
    expect(before.undetermined).toBe(true);
  });

  test('a torn servo seal and a charred band: the seal is the root, the lining its victim', () => {
    const after = run({
      ...bandGrid,
      ...sound('forward', 'high', 'reverse', 'low-reverse', 'overrun'),
      'element.band-2-4.lining': { is: 'charred' },
      'element.band-2-4.air-test': { is: 'leaks' },
      'part.servo-seal-rings.condition': { is: 'failed' },
      'part.filter.pleats': { is: 'dirty' },
      'unit.debris.grey-paste': { is: { sump: 'trace' } },
    });
    expect(after.causes[0]).toMatchObject({ id: 'servo-seal-rings:feed-loss', element: 'band-2-4' });
    expect(after.causes[0]!.probability).toBeGreaterThan(0.8);
    expect(after.undetermined).toBe(false);
    expect(chainWords(after.causes[0]!.chain)).toContain('slips and burns');
  });
});

describe('a clutch welded on', () => {
  const grid = {
    'grid.N.shop': shop(['moves']),
    'grid.R.shop': shop(['binds']),
    'grid.D1.shop': shop(['normal']),
    'grid.D2.shop': shop(['normal']),
    'grid.D3.shop': shop(['normal']),
    'grid.D4.shop': shop(['normal']),
  };
  test('forward stuck leads before teardown; what keeps it on is still open', () => {
    const before = run(grid);
    expect(before.groups[0]).toMatchObject({ id: 'holds-on:forward' });
    expect(before.groups[0]!.probability).toBeGreaterThan(0.75);
    expect(before.causes[0]).toMatchObject({ element: 'forward' });
    expect(before.undetermined).toBe(true);
  });
  test('the first thing to do is to open that pack', () => {
    expect(run(grid).nextChecks[0]).toMatchObject({ check: 'open-pack', point: 'lining:forward' });
  });

  const welded = { ...grid, ...plates(unit, 'forward', 'welded', 'welded') };
  test('welded plates settle the weld, not what burnt it: that stays open, each candidate with its check', () => {
    const after = run(welded);
    expect(after.causes[0]!.id).toBe('forward:welded');
    expect(after.causes[0]!.probability).toBeGreaterThan(0.7);
    expect(after.undetermined).toBe(true);
    expect(after.upstream.length).toBeGreaterThan(4);
    expect(after.upstream.find((u) => u.id === 'forward-piston-seals:feed-loss')!.check).toMatchObject({
      check: 'inspect-part',
    });
    expect(after.upstream.map((u) => u.id)).not.toContain('sun-shell:path-broken');
    expect(after.nextChecks[0]!.point).not.toBe('lining:forward');
  });
  test('a clear filter and sound neighbours take the pressure off the list', () => {
    const share = (values: Record<string, Json>) =>
      run(values)
        .upstream.filter((u) => /filter|pump|regulator|fluid-low/.test(u.id))
        .reduce((sum, u) => sum + u.probability, 0);
    const cleared = share({
      ...welded,
      ...sound('high', 'low-reverse', 'reverse'),
      'part.filter.pleats': { is: 'clear' },
    });
    expect(cleared).toBeLessThan(share(welded) / 3);
  });
  test('a torn seal behind it is what failed first; the weld is its consequence', () => {
    const after = run({
      ...welded,
      ...sound('high', 'low-reverse', 'reverse'),
      'part.filter.pleats': { is: 'clear' },
      'part.forward-piston-seals.condition': { is: 'failed' },
    });
    expect(after.undetermined).toBe(false);
    expect(after.causes[0]!.id).toBe('forward-piston-seals:feed-loss');
    expect(chainWords(after.causes[0]!.chain)).toMatch(/circuit leaks.*weld together/);
    expect(after.causes.find((c) => c.id === 'forward:welded')!.present).toBeGreaterThan(0.95);
    expect(after.causes.reduce((s, c) => s + c.probability, 0)).toBeCloseTo(1, 9);
  });
});

describe('water', () => {
  test('milky fluid over lifted linings names water, and red fluid does not', () => {
    const grid = {
      'grid.D1.shop': shop(['slips']),
      'grid.D2.shop': shop(['slips']),
      'grid.D3.shop': shop(['slips']),
    };
    const water = (values: Record<string, Json>) =>
      run({ ...grid, ...values }).causes.find((c) => c.id === 'water')!.probability;
    expect(
      water({ 'unit.fluid.colour': { is: 'milky' }, 'unit.debris.water': { is: { sump: 'some' } } }),
    ).toBeGreaterThan(0.5);
    expect(water({ 'unit.fluid.colour': { is: 'red' } })).toBeLessThan(0.02);
  });
});

describe('repairs tried', () => {
  const replaced = (effect: string | null) =>
    run({
      ...bandGrid,
      ...(effect ? { 'history.repair.r1': { done: 'S2 renewed', part: 'solenoid-s2', effect } } : {}),
    }).causes.find((c) => c.id === 'S2:electrical')!.probability;
  test('a solenoid renewed without effect is hardly to blame; one that cured it was', () => {
    expect(replaced('nothing')).toBeLessThan(replaced(null)! / 4);
    expect(replaced('cured')).toBeGreaterThan(replaced(null)! * 4);
  });
});

describe('a converter lining lost under sound clutches', () => {
  const given: Record<string, Json> = {
    'history.rebuilt': { by: 'here', monthsAgo: 8 },
    'history.converter': 'bought-rebuilt',
    'grid.D3.shop': shop(['shudder', 'no-drive'], ['hot']),
    'grid.D4.shop': shop(['shudder', 'no-drive'], ['hot']),
    'grid.D1.shop': shop(['no-drive'], ['hot']),
    'unit.fluid.colour': { is: 'cloudy-tan' },
    'part.filter.pleats': { is: 'blocked' },
    'unit.debris.fibre': { is: { sump: 'heavy' } },
    'unit.debris.grey-paste': { is: { sump: 'none' } },
    ...sound('forward', 'high', 'reverse', 'low-reverse', 'overrun'),
    'element.band-2-4.lining': { is: 'sound' },
  };
  test('the lining leads and opening the converter is the next check', () => {
    const before = run(given);
    expect(before.causes[0]!.id).toMatch(/^converter:lining-/);
    expect(before.nextChecks[0]!.check).toBe('open-converter');
    expect(chainWords(before.causes[0]!.chain)).toMatch(/lining.*filter blocks.*pressure falls/);
  });
  test('sound clutches do not hide the pressure that the hot complaint tells of', () => {
    const pressure = (values: Record<string, Json>) =>
      run(values).mechanisms.find((m) => m.id === 'low-pressure')!.probability;
    const silent = Object.fromEntries(Object.entries(given).filter(([slot]) => !slot.startsWith('grid.')));
    expect(pressure(given)).toBeGreaterThan(0.65);
    expect(pressure(silent)).toBeLessThan(0.5);
  });
  test('opened and found bare: certain, and the blocked filter is present though not the cause', () => {
    const after = run({
      ...given,
      'part.converter.lining': { is: 'gone' },
      'part.converter.face': { is: 'smooth' },
    });
    expect(after.causes[0]!.id).toBe('converter:lining-unbonded');
    expect(after.causes[0]!.probability).toBeGreaterThan(0.9);
    expect(after.mechanisms.find((m) => m.id === 'filter-blocked')!.probability).toBeGreaterThan(0.9);
    const filter = after.causes.find((c) => c.id === 'filter:blocked')!;
    expect(filter.probability).toBeLessThan(0.05);
  });
});

describe('honesty', () => {
  test('nothing known: nothing determined, probabilities add up to one', () => {
    const nothing = run({});
    expect(nothing.undetermined).toBe(true);
    expect(nothing.causes.reduce((s, c) => s + c.probability, 0)).toBeCloseTo(1, 9);
  });
  test('not inspected is not sound: an unseen pack moves nothing', () => {
    expect(run({ 'station.pan.out': true }).causes.map((c) => c.probability)).toEqual(
      run({}).causes.map((c) => c.probability),
    );
  });
  test('fresh fluid nearly silences colour and smell', () => {
    const red = { ...bandGrid, 'unit.fluid.colour': { is: 'red' }, 'unit.fluid.smell': { is: 'neutral' } };
    const move = (extra: Record<string, Json>) => {
      const a = run({ ...bandGrid, ...extra }).causes;
      const b = run({ ...red, ...extra }).causes;
      return Math.max(...a.map((c) => Math.abs(c.probability - b.find((x) => x.id === c.id)!.probability)));
    };
    expect(move({ 'history.fluid': 'recent' })).toBeLessThan(move({}) / 5);
  });
  test('a cold pass without oil film hardly clears a drum in a hot complaint', () => {
    const hot = {
      'grid.D3.shop': shop(['slips'], ['hot']),
      'grid.D4.shop': shop(['slips'], ['hot']),
      'grid.D1.shop': shop(['normal']),
    };
    const drum = (values: Record<string, Json>) =>
      run({ ...hot, ...values }).causes.find((c) => c.id === 'high-drum:feed-loss')!.probability;
    const cold = drum({ 'element.high.air-test': { is: 'holds', temperatureC: 18, oilFilm: false } });
    const warm = drum({ 'element.high.air-test': { is: 'holds', temperatureC: 80, oilFilm: true } });
    expect(cold).toBeGreaterThan(warm * 1.5);
  });
  test('the ledger says what each finding weighs: leaving one out gives exactly that change', () => {
    const values = {
      ...bandGrid,
      'element.band-2-4.lining': { is: 'charred' },
      'part.filter.pleats': { is: 'dirty' },
    };
    const logit = (p: number) => Math.log(p / (1 - p));
    const withIt = run(values).causes.find((c) => c.id === 'servo-seal-rings:feed-loss')!;
    const { 'part.filter.pleats': _, ...less } = values;
    const without = run(less).causes.find((c) => c.id === 'servo-seal-rings:feed-loss')!;
    const weight = withIt.evidence.find((e) => e.point === 'filter.pleats:filter')?.weight ?? 0;
    expect(weight).toBeCloseTo(logit(withIt.probability) - logit(without.probability), 1);
  });
});
