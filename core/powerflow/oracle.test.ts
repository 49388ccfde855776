import type { UnitDefinition } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import four from '@/tests/fixtures/ostrel-four.powerflow.json';
import six from '@/tests/fixtures/ostrel-six.powerflow.json';
import { burningOrder, gearOutcome, marginOrder, solveGear, turning } from './index';
import type { Fault } from './index';

const unitOf = (id: string): UnitDefinition => shippedUnits.find((u) => u.id === id)!;
const unit = unitOf('ostrel-four');

interface OracleGear {
  outcome: string;
  ratio?: number;
  elementTorque?: Record<string, number>;
  oneWayHolding?: string[];
  coast?: string;
}

describe.each([
  ['ostrel-four', four],
  ['ostrel-six', six],
])('figures of an independent exact solver, %s', (id, oracle) => {
  const tested = unitOf(id);
  test('the application chart is the same', () => {
    for (const [key, applied] of Object.entries(oracle.applied as Record<string, string[]>))
      expect([...tested.gears.find((g) => g.key === key)!.apply].sort()).toEqual([...applied].sort());
  });
  test.each(Object.entries(oracle.gears as Record<string, OracleGear>))('%s healthy', (key, expected) => {
    const solution = solveGear(tested, key);
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
        const got = gearOutcome(tested, key, [{ kind, element }]);
        expect({ key, outcome: got.outcome }).toEqual({ key, outcome: expected.outcome });
        if (expected.ratio !== undefined) expect(Math.abs(got.ratio! - expected.ratio)).toBeLessThan(1e-6);
      }
    });
  }
});

describe('ratios worked out by hand', () => {
  // Overdrive set in front: 1 + 30/70 locked out is 1, held sun 70/100; Simpson: 1 + 36/72 and 30/72 by superposition.
  const fiveX = { D1: 2.7, D2: 2.7 * 0.7, D3: 1.5, D4: 1, D5: 0.7, R: -2.4 };
  // Meshes multiply: (38/31)(34/38)(44/17) and so on; each external mesh turns the sense around.
  const hadric = {
    D1: -((38 / 31) * (34 / 38) * (44 / 17)),
    D2: -((38 / 31) * (34 / 38) * (39 / 24)),
    D3: -38 / 31,
    D4: -34 / 37,
    D5: -28 / 43,
    R: 39 / 14,
  };
  test.each(Object.entries(fiveX))('Five-X %s', (key, ratio) =>
    expect(solveGear(unitOf('ostrel-five-x'), key).ratio).toBeCloseTo(ratio, 9),
  );
  test.each(Object.entries(hadric))('Hadric %s', (key, ratio) =>
    expect(solveGear(unitOf('hadric-five'), key).ratio).toBeCloseTo(ratio, 9),
  );
  test('Eight: sixth is direct, the others step evenly down', () => {
    const ratios = [1, 2, 3, 4, 5, 6, 7, 8].map((n) => solveGear(unitOf('ostrel-eight'), `D${n}`).ratio!);
    expect(ratios[5]).toBeCloseTo(1, 12);
    // First: the fourth set alone, ring held, sun driven: 1 + 84/24.
    expect(ratios[0]).toBeCloseTo(1 + 84 / 24, 9);
    for (let k = 1; k < 8; k++) {
      expect(ratios[k - 1]! / ratios[k]!).toBeGreaterThan(1.1);
      expect(ratios[k - 1]! / ratios[k]!).toBeLessThan(1.6);
    }
  });
});

describe('the weakest elements, in order', () => {
  test.each([
    ['ostrel-four', ['high', 'band-2-4', 'forward']],
    ['ostrel-five-x', ['direct', 'od-band', 'forward']],
    ['ostrel-six', ['K3', 'B1', 'K2']],
    ['hadric-five', ['C3', 'C2', 'C1']],
    ['ostrel-eight', ['K2', 'K3', 'B1']],
  ])('%s', (id, order) => {
    const worst = marginOrder(unitOf(id));
    expect(worst.slice(0, 3).map((m) => m.element)).toEqual(order);
    for (const m of worst) {
      expect(m.margin).toBeGreaterThan(1.2);
      expect(m.margin).toBeLessThan(2.5);
    }
    expect(burningOrder(unitOf(id), 'overload').map((m) => m.element)).toEqual(worst.map((m) => m.element));
  });
});

describe('what turns in which gear', () => {
  const turnsIn = (id: string, what: string) =>
    unitOf(id)
      .gears.filter((g) => g.gear !== null || g.range === 'R')
      .filter((g) => turning(unitOf(id), g.key).find((t) => t.id === what)!.speed !== 0)
      .map((g) => g.key);
  test('Eight: the pinions of P1 only in third, fourth, fifth, seventh and eighth', () =>
    expect(turnsIn('ostrel-eight', 'P1-pinion')).toEqual(['D3', 'D4', 'D5', 'D7', 'D8']));
  test('Six: the front pinions turn in every gear', () => {
    expect(turnsIn('ostrel-six', 'front-pinion')).toHaveLength(7);
    // A pinion of 18 teeth rolling in a fixed sun of 36 while the carrier turns at 2/3.
    expect(turning(unitOf('ostrel-six'), 'D1').find((t) => t.id === 'front-pinion')!.speed).toBeCloseTo(
      ((2 / 3) * 36) / 18,
      9,
    );
  });
  test('Hadric: the idler turns with fourth gear, at 14 to 25 against it', () => {
    const idler = turning(unitOf('hadric-five'), 'R').find((t) => t.id === 'reverse-idler')!;
    expect(idler.speed).toBeCloseTo(-14 / 25, 12);
  });
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
