import fc from 'fast-check';
import { DISTANCES, distanceWords, inDistance, kmOf, readingIn, readingKm } from './distance';

test('kilometres stay, miles are the international ones', () => {
  expect([inDistance(40000), inDistance(40000, 'mi'), kmOf(24000, 'mi')]).toEqual([40000, 24855, 38624]);
  expect(distanceWords(40000)).toBe('40,000 km');
  expect(distanceWords(40000, 'mi')).toBe('24,855 mi');
});

test('what is typed comes back as it was typed', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 2_000_000 }), fc.constantFrom(...DISTANCES), (value, unit) => {
      expect(inDistance(kmOf(value, unit), unit)).toBe(value);
    }),
  );
});

test('an odometer reads to the tenth; kilometres are kept as they were written', () => {
  expect(readingKm(12500.5)).toBe(12500.5);
  expect(readingIn(12500.55)).toBe(12500.55);
  expect([readingKm(100.1, 'mi'), readingIn(161.095, 'mi')]).toEqual([161.095, 100.1]);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 20_000_000 }), fc.constantFrom(...DISTANCES), (tenths, unit) => {
      expect(readingIn(readingKm(tenths / 10, unit), unit)).toBe(tenths / 10);
    }),
  );
});
