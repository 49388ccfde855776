import { shippedUnits } from '@/data/shipped';
import { elementOf, gearOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import {
  burningOrder,
  capacity,
  capacityInputs,
  fullPressure,
  margins,
  solveGear,
  withMoreFrictions,
} from './index';
import { pistonArea, pressureFor } from './capacity';

const all = shippedUnits.map((u): [string, UnitDefinition] => [u.id, u]);
const six = shippedUnits.find((u) => u.id === 'ostrel-six')!;

describe.each(all)('%s: where elements let go', (_, unit) => {
  test('at the pressure given an element carries just its load', () => {
    for (const m of margins(unit))
      expect(capacity(elementOf(unit, m.element), m.letsGoPa, { gear: m.gear })).toBeCloseTo(m.loadNm, 6);
  });
  test('at the engine torque given it is just asked for what it can carry', () => {
    for (const m of margins(unit)) {
      const gear = gearOf(unit, m.gear);
      const turbine = m.letsGoNm * (gear.launch ? unit.engine.stallTorqueRatio : 1);
      expect(m.share * turbine).toBeCloseTo(m.capacityNm, 6);
    }
  });
  test('just below that pressure it slips, just above it holds', () => {
    for (const m of margins(unit).slice(0, 6)) {
      const at = (pa: number) => {
        const capacityNm = capacity(elementOf(unit, m.element), pa, { gear: m.gear });
        return solveGear(unit, m.gear, [{ kind: 'slip', element: m.element, capacityNm }]).outcome;
      };
      expect(at(m.letsGoPa * 0.999)).toBe('slip');
      expect(at(m.letsGoPa * 1.001)).toBe('drive');
    }
  });
  test('both orders name every element that carries, once', () => {
    const carrying = new Set(margins(unit).map((m) => m.element));
    for (const cause of ['low-pressure', 'overload'] as const) {
      const order = burningOrder(unit, cause).map((m) => m.element);
      expect(new Set(order)).toEqual(carrying);
      expect(order.length).toBe(carrying.size);
    }
  });
});

describe('a piston with two areas', () => {
  const k2 = elementOf(six, 'K2');
  test('both press in Reverse, the inner one alone in third and fifth', () => {
    expect(pistonArea(k2.pack!, 'R')).toBeCloseTo(k2.pack!.pistonArea + k2.pack!.secondArea!.area, 12);
    expect(pistonArea(k2.pack!, 'D3')).toBe(k2.pack!.pistonArea);
    expect(pistonArea(k2.pack!, undefined)).toBe(k2.pack!.pistonArea);
  });
  test('so it carries more in Reverse than pressure alone would give', () => {
    const full = fullPressure(six, gearOf(six, 'R'));
    expect(capacity(k2, full, { gear: 'R' })).toBeGreaterThan(capacity(k2, full, { gear: 'D3' }) * 2);
  });
  test('losing capacity it lets go in Reverse first, then third, then fifth', () => {
    const load = Object.fromEntries(
      margins(six)
        .filter((m) => m.element === 'K2')
        .map((m) => [m.gear, m.loadNm]),
    );
    expect(load.R!).toBeGreaterThan(load.D3!);
    expect(load.D3!).toBeGreaterThan(load.D5!);
  });
});

describe('oil that turns with the drum', () => {
  const k1 = elementOf(six, 'K1');
  const force = (rpm: number) =>
    capacityInputs(k1, 1e6, { drumSpeed: (rpm * 2 * Math.PI) / 60 })!.centrifugalForce;
  test('presses with the square of the speed, and not at rest', () => {
    expect(force(0)).toBe(0);
    expect(force(4000) / force(2000)).toBeCloseTo(4, 9);
  });
  test('is what the pressure ρω²(r² − rf²)/2 adds up to over the chamber, less the balance piston’s share', () => {
    const { outerRadius, innerRadius, feedRadius, balanced } = k1.pack!.centrifugal!;
    const omega = 400;
    let sum = 0;
    const steps = 20000;
    for (let k = 0; k < steps; k++) {
      const r = innerRadius + ((outerRadius - innerRadius) * (k + 0.5)) / steps;
      sum +=
        ((850 * omega ** 2 * (r ** 2 - feedRadius ** 2)) / 2) *
        2 *
        Math.PI *
        r *
        ((outerRadius - innerRadius) / steps);
    }
    expect(capacityInputs(k1, 1e6, { drumSpeed: omega })!.centrifugalForce).toBeCloseTo(
      sum * (1 - balanced),
      3,
    );
  });
});

test('at speed a drum that turns holds more, one that stands and a brake do not', () => {
  const at = (inputSpeed: number) =>
    new Map(margins(six, { inputSpeed }).map((m) => [`${m.element} ${m.gear}`, m.margin]));
  const [rest, fast] = [at(0), at(500)];
  expect(fast.get('K3 D5')!).toBeGreaterThan(rest.get('K3 D5')!);
  expect(fast.get('B1 D2')).toBe(rest.get('B1 D2'));
});

describe('added frictions', () => {
  test('carry in proportion to their faces, and leave less steel for the heat', () => {
    const more = withMoreFrictions(six, 'K3', 1)!;
    expect(more.after / more.before).toBeCloseTo(
      (elementOf(six, 'K3').pack!.frictions + 1) / elementOf(six, 'K3').pack!.frictions,
      9,
    );
    expect(more.heat).toBeLessThan(1);
    expect(more.steelThickness).toBeLessThan(elementOf(six, 'K3').pack!.steelThickness);
  });
  test('none is as built; a band and an element that never carries have no answer', () => {
    expect(withMoreFrictions(six, 'K3', 0)).toMatchObject({ heat: 1 });
    const fiveX = shippedUnits.find((u) => u.id === 'ostrel-five-x')!;
    expect(withMoreFrictions(fiveX, 'od-band', 1)).toBeNull();
    expect(withMoreFrictions(fiveX, 'transfer', 1)).toBeNull();
  });
});

test('what has no lining needs no pressure', () => {
  const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
  expect(pressureFor(elementOf(four, 'low-owc'), 100)).toBeNull();
});
