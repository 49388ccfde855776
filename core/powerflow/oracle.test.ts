import type { UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import oracle from '@/tests/fixtures/ostrel-four.powerflow.json';
import { gearOutcome, marginOrder, margins, solveGear } from './index';
import type { Fault } from './index';

const unit = ostrelFour as unknown as UnitDefinition;

interface OracleGear {
  outcome: string;
  ratio?: number;
  elementTorque?: Record<string, number>;
  oneWayHolding?: string[];
  coast?: string;
}

describe('figures of an independent exact solver', () => {
  test.each(Object.entries(oracle.gears as Record<string, OracleGear>))('%s healthy', (key, expected) => {
    const solution = solveGear(unit, key);
    expect(solution.outcome).toBe(expected.outcome);
    if (expected.ratio === undefined) return;
    expect(Math.abs(solution.ratio! - expected.ratio)).toBeLessThan(1e-6);
    for (const [element, torque] of Object.entries(expected.elementTorque!)) {
      expect(Math.abs(solution.elements[element]! - torque)).toBeLessThan(1e-6);
    }
    expect(Object.keys(solution.elements).sort()).toEqual(Object.keys(expected.elementTorque!).sort());
    expect(solution.holding.sort()).toEqual([...expected.oneWayHolding!].sort());
    expect(solution.coast).toBe(expected.coast);
  });

  for (const kind of ['lost', 'stuck'] as const) {
    const table = oracle[kind] as Record<string, Record<string, OracleGear>>;
    test.each(Object.keys(table))(`every range and gear with %s ${kind}`, (element) => {
      for (const [key, expected] of Object.entries(table[element]!)) {
        const got = gearOutcome(unit, key, [{ kind, element }]);
        expect({ key, outcome: got.outcome }).toEqual({ key, outcome: expected.outcome });
        if (expected.ratio !== undefined) expect(Math.abs(got.ratio! - expected.ratio)).toBeLessThan(1e-6);
      }
    });
  }
});

describe('what follows from the structure', () => {
  test('a cracked sun shell takes reverse, second and fourth', () => {
    const broken: Fault[] = [{ kind: 'break', part: 'sun-shell' }];
    expect(gearOutcome(unit, 'R', broken).outcome).toBe('neutral');
    expect(gearOutcome(unit, 'D2', broken).ratio).toBeCloseTo(gearOutcome(unit, 'D1').ratio!, 9);
    expect(gearOutcome(unit, 'D4', broken).ratio).toBeCloseTo(1, 9);
    for (const key of ['D1', 'D3', 'L1']) {
      expect(gearOutcome(unit, key, broken).ratio).toBeCloseTo(gearOutcome(unit, key).ratio!, 9);
    }
  });

  test('a broken output weld leaves no gear at all', () => {
    for (const gear of unit.gears) {
      expect(gearOutcome(unit, gear.key, [{ kind: 'break', part: 'output-weld' }]).outcome).toBe('neutral');
    }
  });

  test('the weakest elements, in order, are high, the band and forward', () => {
    expect(
      marginOrder(unit)
        .slice(0, 3)
        .map((m) => m.element),
    ).toEqual(['high', 'band-2-4', 'forward']);
    for (const margin of margins(unit)) expect(margin.margin).toBeGreaterThan(1.2);
    for (const margin of marginOrder(unit)) expect(margin.margin).toBeLessThan(2.5);
  });

  test('a slip appears only where the element carries more than it can', () => {
    const third = solveGear(unit, 'D3', [{ kind: 'slip', element: 'high', capacityNm: 250 }]);
    expect(third.outcome).toBe('drive');
    const fourth = solveGear(unit, 'D4', [{ kind: 'slip', element: 'high', capacityNm: 250 }]);
    expect(fourth).toMatchObject({ outcome: 'slip', slipping: 'high' });
    expect(fourth.fallsTo!.ratio).toBeCloseTo(1.637302, 6);
  });

  test('in Park a unit that drives works against the pawl', () => {
    expect(gearOutcome(unit, 'P').parkPawl).toBe('held');
    expect(gearOutcome(unit, 'P', [{ kind: 'stuck', element: 'forward' }]).parkPawl).toBe('driven');
    expect(gearOutcome(unit, 'N', [{ kind: 'stuck', element: 'forward' }]).parkPawl).toBe('free');
  });

  test('power in equals power out in every driving gear', () => {
    for (const gear of unit.gears) {
      const solution = solveGear(unit, gear.key);
      if (solution.outcome !== 'drive') continue;
      // Brakes do no work, so the output torque is the ratio; the reaction on the case is the difference.
      const onCase = unit.elements
        .filter((e) => e.b === 'case')
        .reduce((sum, e) => sum + (solution.elements[e.id] ?? 0), 0);
      expect(Math.abs(onCase)).toBeCloseTo(Math.abs(solution.ratio! - 1), 9);
    }
  });
});
