import fc from 'fast-check';
import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import { at20, COPPER_PER_KELVIN, judgeSolenoid, liningState, observe, readPack } from './index';

const unit = ostrelFour as unknown as UnitDefinition;
const high = unit.elements.find((e) => e.id === 'high')!;
const forward = unit.elements.find((e) => e.id === 'forward')!;
const solenoid = unit.solenoids[0]!;

function pack(element: typeof high, grade: (kind: string, index: number, face: string) => string | null) {
  const values: Record<string, Json> = {};
  element.pack!.order.forEach((kind, k) => {
    for (const face of ['a', 'b']) {
      const g = kind === 'wave' ? null : grade(kind, k, face);
      if (g) values[`plate.${element.id}.${k}.${face}`] = g;
    }
  });
  return stateFromValues(values);
}

describe('a pack read from its faces', () => {
  test('nothing graded is nothing known', () => {
    const reading = readPack(stateFromValues({}), high);
    expect(reading).toMatchObject({ state: null, pattern: null, inspected: 0, faces: 18 });
  });

  test('the worst face makes the state', () => {
    const reading = readPack(
      stateFromValues({ 'plate.high.2.a': 'charred', 'plate.high.2.b': 'sound' }),
      high,
    );
    expect(reading).toMatchObject({ state: 'burnt', inspected: 2 });
  });

  test('not assessable is looked at and says nothing', () => {
    const reading = readPack(stateFromValues({ 'plate.high.2.a': 'not-assessable' }), high);
    expect(reading).toMatchObject({ state: null, inspected: 1 });
  });

  test.each<[string, (kind: string, index: number, face: string) => string | null]>([
    ['all-alike', (kind) => (kind === 'friction' ? 'charred' : 'blue')],
    [
      'worse-at-backing',
      (kind, k) =>
        k < 5 ? (kind === 'friction' ? 'sound' : 'bright') : kind === 'friction' ? 'charred' : 'blue',
    ],
    [
      'worse-at-piston',
      (kind, k) =>
        k > 5 ? (kind === 'friction' ? 'sound' : 'bright') : kind === 'friction' ? 'charred' : 'blue',
    ],
    ['one-face', (kind, _k, face) => (kind === 'friction' ? (face === 'a' ? 'charred' : 'sound') : 'bright')],
    ['steels-only', (kind) => (kind === 'friction' ? 'sound' : 'hot-spotted')],
    ['single-plate', (kind, k) => (k === 4 ? 'blue' : kind === 'friction' ? 'sound' : 'bright')],
  ])('%s is recognised', (pattern, grade) => {
    expect(readPack(pack(forward, grade), forward).pattern).toBe(pattern);
  });

  test('a sound pack has no pattern, and few faces name none', () => {
    expect(
      readPack(
        pack(high, (kind) => (kind === 'friction' ? 'sound' : 'bright')),
        high,
      ).pattern,
    ).toBeNull();
    expect(readPack(stateFromValues({ 'plate.high.2.a': 'charred' }), high).pattern).toBeNull();
  });

  test.each([
    [0, 'sound'],
    [1, 'heat-marked'],
    [2, 'heat-marked'],
    [3, 'burnt'],
    [5, 'burnt'],
    [6, 'welded'],
  ])('severity %i is %s', (severity, state) => expect(liningState(severity)).toBe(state));
});

describe('solenoid resistance', () => {
  test('corrected to 20 °C and back again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: -20, max: 150, noNaN: true }),
        (cold, t) => {
          const warm = cold * (1 + COPPER_PER_KELVIN * (t - 20));
          expect(at20(warm, t)).toBeCloseTo(cold, 9);
        },
      ),
    );
  });
  test.each([
    [24, 20, 'in'],
    [29.5, 80, 'in'],
    [29.5, 20, 'high'],
    [19, 20, 'low'],
    [1, 20, 'short'],
    [100000, 20, 'open'],
  ])('%d Ω at %d °C is %s', (ohm, t, verdict) =>
    expect(judgeSolenoid(solenoid, ohm, t).verdict).toBe(verdict),
  );
});

describe('what the record says', () => {
  const points = (values: Record<string, Json>) => observe(unit, stateFromValues(values));
  test('nothing recorded says nothing', () => expect(points({})).toEqual([]));
  test('damage of the takedown is no evidence', () => {
    expect(points({ 'part.pump-cover': { grade: 'takedown' } })).toEqual([]);
  });
  test('a welded pack is burnt and fused; a loose one is looked at and not fused', () => {
    expect(points({ 'plate.high.2.a': 'welded' }).map((o) => `${o.point}=${o.level}`)).toEqual([
      'lining:high=burnt',
      'fused:high=yes',
    ]);
    expect(points({ 'plate.high.2.a': 'charred' }).map((o) => `${o.point}=${o.level}`)).toContain(
      'fused:high=no',
    );
  });
  test('a few sound faces count for little', () => {
    const few = points({ 'plate.high.2.a': 'sound', 'plate.high.2.b': 'sound' })[0]!;
    expect(few.weight).toBeCloseTo(2 / 18, 9);
    expect(few.caution).toMatch(/2 of 18/);
  });
  test('not scanned is not "no codes"', () => {
    expect(points({ 'codes.scan': 'not-scanned' })).toEqual([]);
    expect(points({ 'codes.scan': 'none' })).toMatchObject([{ point: 'codes', level: 'none' }]);
  });
  test('every slot it cites is in the record', () => {
    const values: Record<string, Json> = {
      'fluid.colour': 'cloudy-tan',
      'debris.fibre': { amount: 'heavy' },
      'solenoid.S1': { ohm: 24, temperatureC: 20 },
      'airtest.high': { result: 'leaks' },
      'band.band-2-4.lining': 'torn',
      'history.powerFactor': 1.5,
    };
    for (const o of points(values)) for (const slot of o.slots) expect(Object.keys(values)).toContain(slot);
  });
});
