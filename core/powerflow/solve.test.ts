import fc from 'fast-check';
import type { PlanetarySet, UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import { capacity, explainTieUp, gearOutcome, marginOrder, margins, singleFaults, solveGear } from './index';
import { solutionSpace } from './linear';
import { contains, isPoint, nearestToZero, rangeOver } from './range';

const unit = ostrelFour as unknown as UnitDefinition;

/** One planetary, input and held member chosen: the classic textbook ratios. */
function single(
  input: 'sun' | 'ring' | 'carrier',
  held: 'sun' | 'ring' | 'carrier',
  sun: number,
  ring: number,
  planets: 'single' | 'double' = 'single',
): UnitDefinition {
  const output = (['sun', 'ring', 'carrier'] as const).find((m) => m !== input && m !== held)!;
  const set: PlanetarySet = {
    id: 'set',
    name: 'Set',
    kind: 'planetary',
    station: 'pan',
    planets,
    sun: { member: 'sun', teeth: sun },
    ring: { member: 'ring', teeth: ring },
    carrier: 'carrier',
  };
  return {
    ...unit,
    input,
    output,
    gearsets: [set],
    members: ['sun', 'ring', 'carrier'].map((id) => ({ id, name: id })),
    elements: [
      {
        id: 'hold',
        name: 'Hold',
        short: 'H',
        kind: 'brake',
        station: 'pan',
        a: held,
        b: 'case',
        feedPath: [],
        powerPath: [],
      },
    ],
    gears: [{ key: 'D1', range: 'D', gear: 1, name: 'First', apply: ['hold'] }],
    parts: [],
  };
}

describe('a single planetary gives the textbook ratios', () => {
  const teeth = fc.record({ sun: fc.integer({ min: 12, max: 60 }), extra: fc.integer({ min: 20, max: 90 }) });
  test.each<
    [string, 'sun' | 'ring' | 'carrier', 'sun' | 'ring' | 'carrier', (s: number, r: number) => number]
  >([
    ['sun in, ring held: 1 + r/s', 'sun', 'ring', (s, r) => 1 + r / s],
    ['ring in, sun held: 1 + s/r', 'ring', 'sun', (s, r) => 1 + s / r],
    ['sun in, carrier held: −r/s', 'sun', 'carrier', (s, r) => -r / s],
    ['carrier in, sun held: r/(r+s)', 'carrier', 'sun', (s, r) => r / (r + s)],
  ])('%s', (_, input, held, formula) => {
    fc.assert(
      fc.property(teeth, ({ sun, extra }) => {
        const ring = sun + extra;
        expect(gearOutcome(single(input, held, sun, ring), 'D1').ratio).toBeCloseTo(formula(sun, ring), 9);
      }),
    );
  });
  test('a double-pinion set turns the ring with the sun', () => {
    expect(gearOutcome(single('sun', 'carrier', 30, 70, 'double'), 'D1').ratio).toBeCloseTo(70 / 30, 9);
  });
  test('without its brake it is neutral', () => {
    expect(
      gearOutcome(single('sun', 'ring', 30, 70), 'D1', [{ kind: 'lost', element: 'hold' }]).outcome,
    ).toBe('neutral');
  });
});

describe('properties of the shipped unit', () => {
  test('losing what does not carry changes no ratio', () => {
    for (const gear of unit.gears) {
      const healthy = solveGear(unit, gear.key);
      for (const element of unit.elements) {
        if ((healthy.elements[element.id] ?? 0) !== 0 || gear.apply.includes(element.id)) continue;
        const without = gearOutcome(unit, gear.key, [{ kind: 'lost', element: element.id }]);
        expect({ gear: gear.key, lost: element.id, ratio: without.ratio }).toEqual({
          gear: gear.key,
          lost: element.id,
          ratio: healthy.ratio,
        });
      }
    }
  });

  test('a gear with a carrying clutch lost never keeps its ratio', () => {
    for (const gear of unit.gears) {
      const healthy = solveGear(unit, gear.key);
      for (const [element, torque] of Object.entries(healthy.elements)) {
        if (!torque) continue;
        const without = gearOutcome(unit, gear.key, [{ kind: 'lost', element }]);
        // Beside a one-way clutch that takes over, the ratio may stay.
        const covered = unit.elements.some(
          (e) =>
            e.kind === 'one-way' &&
            solveGear(unit, gear.key, [{ kind: 'lost', element }]).holding.includes(e.id),
        );
        if (!covered)
          expect(without.ratio === null || Math.abs(without.ratio - healthy.ratio!) > 1e-6).toBe(true);
      }
    }
  });

  test('every single fault has an outcome in every gear', () => {
    for (const fault of singleFaults(unit)) {
      for (const gear of unit.gears) {
        const { outcome, ratio } = gearOutcome(unit, gear.key, [fault]);
        expect(outcome === 'drive').toBe(ratio !== null);
        if (ratio !== null) expect(Number.isFinite(ratio)).toBe(true);
      }
    }
  });

  test('a stripped set takes the gears that pass through it', () => {
    expect(gearOutcome(unit, 'D1', [{ kind: 'strip', gearset: 'front' }]).outcome).toBe('neutral');
    expect(gearOutcome(unit, 'R', [{ kind: 'strip', gearset: 'rear' }]).outcome).toBe('neutral');
    expect(gearOutcome(unit, 'R', [{ kind: 'strip', gearset: 'front' }]).outcome).toBe('drive');
  });

  test('in a tie-up those who fight are named, the weakest of the innocent too', () => {
    const gear = unit.gears.find((g) => g.key === 'R')!;
    const { fighting, weakest, thenDoes } = explainTieUp(unit, gear, [{ kind: 'stuck', element: 'forward' }]);
    expect(fighting).toEqual(expect.arrayContaining(['forward', 'reverse', 'low-reverse']));
    expect(weakest).toBe('reverse');
    expect(thenDoes!.outcome).toBe('drive');
  });

  test('unknown names are refused by name', () => {
    expect(() => gearOutcome(unit, 'D9')).toThrow(/no gear "D9"/);
    expect(() => gearOutcome(unit, 'D1', [{ kind: 'break', part: 'filter' }])).toThrow(
      /not part of a power path/,
    );
  });
});

describe('capacity and margins', () => {
  test('a pack by hand: T = μ·N·(p·A − F)·r', () => {
    const high = unit.elements.find((e) => e.id === 'high')!;
    const meanRadius = ((2 / 3) * (0.065 ** 3 - 0.05 ** 3)) / (0.065 ** 2 - 0.05 ** 2);
    expect(capacity(high, 1.2e6)).toBeCloseTo(0.13 * 8 * (1.2e6 * 0.005865 - 700) * meanRadius, 6);
  });
  test('no pressure, no capacity: never negative', () => {
    for (const e of unit.elements) if (e.pack || e.band) expect(capacity(e, 0)).toBe(0);
  });
  test('half the pressure more than halves a margin; raised torque divides it', () => {
    const full = margins(unit).find((m) => m.element === 'high' && m.gear === 'D4')!;
    const half = margins(unit, { pressureShare: 0.5 }).find((m) => m.element === 'high' && m.gear === 'D4')!;
    const more = margins(unit, { torqueFactor: 1.5 }).find((m) => m.element === 'high' && m.gear === 'D4')!;
    expect(half.margin).toBeLessThan(full.margin / 2);
    expect(more.margin).toBeCloseTo(full.margin / 1.5, 9);
    expect(marginOrder(unit, { torqueFactor: 1.5 })[0]!.margin).toBeLessThan(1);
  });
});

describe('the range of a form', () => {
  /** Rows of `a·x = b` as [a…, b]: the right side becomes one more unknown, fixed at 1. */
  const space = (rows: number[][], n: number) => {
    const { origin, directions } = solutionSpace(
      rows.map((r) => [...r.slice(0, n), -r[n]!]),
      [[Array.from({ length: n + 1 }, (_, k) => (k === n ? 1 : 0)), 1]],
      n + 1,
    )!;
    return { origin: origin.slice(0, n), directions: directions.map((d) => d.slice(0, n)) };
  };
  test('a determined form is a point', () => {
    const range = rangeOver(
      space(
        [
          [1, 0, 2],
          [0, 1, 3],
        ],
        2,
      ),
      [],
      [1, 1],
    )!;
    expect(isPoint(range)).toBe(true);
    expect(range.low).toBeCloseTo(5, 12);
  });
  test('inequalities bound it, and none left means nothing satisfies them', () => {
    const free = space([[1, 1, 1]], 2);
    expect(
      rangeOver(
        free,
        [
          [1, 0],
          [0, 1],
        ],
        [1, 0],
      ),
    ).toMatchObject({ low: expect.closeTo(0, 12), high: 1 });
    expect(
      rangeOver(
        free,
        [
          [-1, 0],
          [0, -1],
        ],
        [1, 0],
      ),
    ).toBeNull();
  });
  test('agrees with sampling', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -5, max: 5 }), { minLength: 3, maxLength: 3 }), (g) => {
        const range = rangeOver(space([[1, 0, 0, 1]], 3), [g], [0, 1, 1]);
        for (let y = -3; y <= 3; y++) {
          for (let z = -3; z <= 3; z++) {
            if (g[0]! + g[1]! * y + g[2]! * z >= 0) expect(range && contains(range, y + z)).toBe(true);
          }
        }
      }),
    );
  });
  test('nearest to rest', () => {
    expect(nearestToZero({ low: 2, high: 5 })).toBe(2);
    expect(nearestToZero({ low: -5, high: -2 })).toBe(-2);
    expect(nearestToZero({ low: -1, high: 5 })).toBe(0);
  });
});
