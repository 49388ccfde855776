import fc from 'fast-check';
import { formatMoney, fromMinor, minor, MOST_MONEY, sum, times, toMinor, writtenMoney } from './index';

const amount = fc.integer({ min: -1_000_000_000, max: 1_000_000_000 });

describe('money', () => {
  test.each([
    [1000, 0.2, 200],
    [999, 0.2, 200],
    [1, 0.5, 1],
    [-1, 0.5, -1],
    [3, 0.5, 2],
    [9200, 7.4, 68080],
    [0, 5, 0],
    [105, 0.1, 11],
  ])('%d × %d is %d, rounded as a till rounds', (a, factor, result) => expect(times(a, factor)).toBe(result));
  test('never leaves whole minor units, however large', () => {
    fc.assert(
      fc.property(amount, fc.double({ min: 0, max: 100, noNaN: true }), (a, f) => {
        expect(Number.isSafeInteger(times(a, f))).toBe(true);
      }),
    );
  });
  test('a sum does not hang on the order', () => {
    fc.assert(fc.property(fc.array(amount), (list) => expect(sum(list)).toBe(sum([...list].reverse()))));
  });
  test.each([0.5, Number.NaN, Number.POSITIVE_INFINITY, 2 ** 60])('%d is no amount', (a) =>
    expect(() => minor(a)).toThrow(/whole number of minor units/),
  );
  test.each([
    [12.5, 'EUR', 1250],
    [1.005, 'EUR', 101],
    [-1.005, 'EUR', -101],
    [0, 'EUR', 0],
    [1234, 'JPY', 1234],
    [12.6, 'JPY', 13],
    [1.2345, 'KWD', 1235],
    [0.001, 'KWD', 1],
  ])('%d %s typed is %d minor units', (major, currency, amount) => {
    expect(toMinor(major, currency)).toBe(amount);
  });
  test('is typed back as it is shown, in any currency', () => {
    const currency = fc.constantFrom('EUR', 'USD', 'JPY', 'KRW', 'KWD', 'TND');
    fc.assert(
      fc.property(fc.integer({ min: 0, max: MOST_MONEY }), currency, (a, c) => {
        expect(toMinor(fromMinor(a, c), c)).toBe(a);
        expect(toMinor(Number(writtenMoney(a, c)), c)).toBe(a);
        expect(formatMoney(a, c).replace(/[^\d.]/g, '')).toBe(writtenMoney(a, c));
      }),
    );
  });
  test('is shown with its currency’s own decimals', () => {
    expect(formatMoney(123450, 'EUR')).toBe('€1,234.50');
    expect(formatMoney(1234, 'JPY')).toMatch(/1,234$/);
    expect(formatMoney(1234, 'KWD')).toMatch(/1\.234$/);
  });
});
