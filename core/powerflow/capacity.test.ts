import fc from 'fast-check';
import { elementOf } from '@/core/unit';
import type { Element, UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import { capacity, explainTieUp, fullPressure, marginOrder, margins } from './index';
import { turbineTorque } from './solve';

const unit = ostrelFour as unknown as UnitDefinition;
const pack = (change: Partial<NonNullable<Element['pack']>> = {}): Element => {
  const high = elementOf(unit, 'high');
  return { ...high, pack: { ...high.pack!, ...change } };
};

describe('capacity of a pack', () => {
  test('by hand: μ·N·F·r with 4 frictions, 100 / 60 mm, 5 000 mm² at 10 bar against 500 N', () => {
    const element = pack({
      mu: 0.12,
      frictions: 4,
      outerDiameter: 0.1,
      innerDiameter: 0.06,
      pistonArea: 0.005,
      returnForce: 500,
    });
    // F = 1e6·0.005 − 500 = 4 500 N; r = 2/3·(0.05³ − 0.03³)/(0.05² − 0.03²) = 0.0408333 m; 8 faces.
    expect(capacity(element, 1e6)).toBeCloseTo(0.12 * 8 * 4500 * 0.040833333, 4);
  });
  test('grows in proportion to the faces, and linearly with pressure above the springs', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 400_000, max: 2_000_000 }), (n, p) => {
        const one = capacity(pack({ frictions: 1 }), p);
        expect(capacity(pack({ frictions: n }), p)).toBeCloseTo(one * n, 6);
        const [a, b, c] = [p, p + 50_000, p + 100_000].map((x) => capacity(pack(), x));
        expect(c! - b!).toBeCloseTo(b! - a!, 6);
      }),
    );
  });
  test('is nothing while the springs still hold the piston, never less', () => {
    expect(capacity(pack({ returnForce: 1e6 }), 1e6)).toBe(0);
  });
});

describe('capacity of a band', () => {
  const band = elementOf(unit, 'band-2-4');
  const with_ = (change: Partial<NonNullable<Element['band']>>): Element => ({
    ...band,
    band: { ...band.band!, ...change },
  });
  test('by hand: belt friction, wrapping with the drum and against it', () => {
    const change = { mu: 0.12, wrap: 5, drumRadius: 0.08, servoArea: 0.003, returnForce: 200 };
    const force = 1e6 * 0.003 - 200;
    expect(capacity(with_({ ...change, selfEnergising: true }), 1e6)).toBeCloseTo(
      force * 0.08 * (Math.exp(0.6) - 1),
      6,
    );
    expect(capacity(with_({ ...change, selfEnergising: false }), 1e6)).toBeCloseTo(
      force * 0.08 * (1 - Math.exp(-0.6)),
      6,
    );
  });
  test('pulls more with the drum than against it, the more so the further it wraps', () => {
    const gain = (wrap: number) =>
      capacity(with_({ wrap, selfEnergising: true }), 1e6) /
      capacity(with_({ wrap, selfEnergising: false }), 1e6);
    expect(gain(2)).toBeGreaterThan(1);
    expect(gain(5)).toBeGreaterThan(gain(2));
  });
});

describe('margins', () => {
  test('are capacity over share times turbine torque, at the gear’s own full pressure', () => {
    for (const m of margins(unit)) {
      const gear = unit.gears.find((g) => g.key === m.gear)!;
      expect(m.loadNm).toBeCloseTo(m.share * turbineTorque(unit, gear), 9);
      expect(m.capacityNm).toBeCloseTo(capacity(elementOf(unit, m.element), fullPressure(unit, gear)), 9);
      expect(m.margin).toBeCloseTo(m.capacityNm / m.loadNm, 12);
    }
  });
  test('lie between 1.2 and 2.5 with the stock engine, the high clutch weakest, then band and forward', () => {
    const order = marginOrder(unit);
    expect(order.slice(0, 3).map((m) => m.element)).toEqual(['high', 'band-2-4', 'forward']);
    for (const m of order) {
      expect(m.margin).toBeGreaterThanOrEqual(1.15);
      expect(m.margin).toBeLessThanOrEqual(2.6);
    }
  });
  test('fall as pressure falls and as torque rises', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.4, max: 0.99, noNaN: true }), (share) => {
        const full = new Map(margins(unit).map((m) => [`${m.element} ${m.gear}`, m.margin]));
        for (const m of margins(unit, { pressureShare: share }))
          expect(m.margin).toBeLessThan(full.get(`${m.element} ${m.gear}`)!);
        for (const m of margins(unit, { torqueFactor: 1 / share }))
          expect(m.margin).toBeCloseTo(full.get(`${m.element} ${m.gear}`)! * share, 6);
      }),
      { numRuns: 20 },
    );
  });
});

describe('who fights whom in a tie-up', () => {
  const gear = (key: string) => unit.gears.find((g) => g.key === key)!;
  test('with the forward clutch stuck, Reverse fights it and the weaker brake or clutch gives way', () => {
    const { fighting, weakest } = explainTieUp(unit, gear('R'), [{ kind: 'stuck', element: 'forward' }]);
    expect(fighting).toEqual(expect.arrayContaining(['forward', 'reverse', 'low-reverse']));
    expect(weakest).not.toBe('forward');
    expect(['reverse', 'low-reverse']).toContain(weakest);
  });
  test('what happens when it gives way is what losing it does', () => {
    const { weakest, thenDoes } = explainTieUp(unit, gear('R'), [{ kind: 'stuck', element: 'forward' }]);
    expect(thenDoes!.outcome).not.toBe('tie-up');
    expect(weakest).not.toBeNull();
  });
  test('a gear that does not tie up has nobody to blame but those whose loss would change nothing', () => {
    const { fighting } = explainTieUp(unit, gear('D3'), []);
    expect(fighting).toEqual(gear('D3').apply);
  });
});
