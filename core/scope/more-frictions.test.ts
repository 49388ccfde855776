import { shippedUnits } from '@/data/shipped';
import type { Pack, UnitDefinition } from '@/core/unit';
import { atTorque } from './added-friction';
import { moreFrictions } from './more-frictions';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
/** The high clutch: 4 frictions of 1.95, 4 steels of 1.9, steels from 1.7 on sale, worked out in mm. */
const changed = (more: (pack: Pack) => Pack): UnitDefinition => ({
  ...four,
  elements: four.elements.map((e) => (e.id === 'high' ? { ...e, pack: more(e.pack!) } : e)),
});
const setUp = (more: Partial<NonNullable<Pack['setUp']>>) =>
  changed((p) => ({ ...p, setUp: { ...p.setUp!, ...more } }));
const high = (unit: UnitDefinition, factor = 1) =>
  atTorque(moreFrictions(unit), factor).find((a) => a.element === 'high');

test('capacity goes with the faces, and torque over stock takes from both', () => {
  const stock = high(four)!;
  expect(stock.frictions).toBe(5);
  expect(stock.after / stock.before).toBeCloseTo(5 / 4, 9);
  const tuned = high(four, 1.5)!;
  expect(tuned.before).toBeCloseTo(stock.before / 1.5, 9);
  expect(tuned.after).toBeCloseTo(stock.after / 1.5, 9);
  expect([stock.weak, tuned.weak]).toEqual([false, true]);
});

test('the thickest steels that fit are taken, and the piston cut for what the stack grows', () => {
  const pack = four.elements.find((e) => e.id === 'high')!.pack!;
  const fit = high(four)!;
  const growth = 5 * fit.steel + pack.frictionThickness - 4 * pack.steelThickness;
  expect(fit.pistonCut).toBeCloseTo(growth, 9);
  expect(growth).toBeLessThanOrEqual(pack.setUp!.pistonHeight - pack.setUp!.pistonLowest + 1e-6);
  expect(fit.heat).toBeCloseTo((5 * fit.steel) / (4 * pack.steelThickness), 9);
  const deep = high(setUp({ pistonLowest: 0.01 }))!;
  expect(deep.steel).toBe(Math.max(...pack.setUp!.steelSizes));
});

test('a stack that shrinks needs no cut', () => {
  expect(high(setUp({ steelSizes: [0.0005] }))!.pistonCut).toBe(0);
});

describe('one more does not fit', () => {
  const height = 0.0241;
  test.each<[string, UnitDefinition]>([
    ['where the piston may not be cut so low', setUp({ pistonLowest: height - 0.0003 })],
    ['where the plates would come off the hub', setUp({ hubLength: 0.014 })],
    ['where the drum is too short', setUp({ drumLength: 0.02 })],
    ['where nobody sells the steels', setUp({ steelSizes: [] })],
    ['where nothing is known of how the pack is set up', changed(({ setUp: _, ...p }) => p)],
    [
      'in a pack that does not pull speeds together',
      { ...four, elements: four.elements.map((e) => ({ ...e, application: 'static' as const })) },
    ],
  ])('%s', (_, unit) => expect(high(unit)).toBeUndefined());
});

test('every shipped unit can be strengthened where it is weakest, weakest first', () => {
  for (const unit of shippedUnits) {
    const list = moreFrictions(unit);
    expect(list.length).toBeGreaterThan(0);
    expect(list.map((a) => a.before)).toEqual(list.map((a) => a.before).sort((a, b) => a - b));
  }
});
