import fc from 'fast-check';
import { at20, coilVerdict, COPPER_PER_KELVIN } from './index';

test('a resistance is corrected to 20 °C and back again', () => {
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
  expect(coilVerdict(at20(ohm, t), { min: 20, max: 28 })).toBe(verdict),
);
