import fc from 'fast-check';
import { addDays, addWorkingDays, dayWords, formatMoney, minor, momentWords, sum, times } from './index';

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
  test('is shown with its currency’s own decimals', () => {
    expect(formatMoney(123450, 'EUR')).toBe('€1,234.50');
    expect(formatMoney(1234, 'JPY')).toMatch(/1,234$/);
    expect(formatMoney(1234, 'KWD')).toMatch(/1\.234$/);
  });
});

describe('days', () => {
  test.each([
    ['2026-11-25', 0, '2026-11-25'],
    ['2026-11-27', 1, '2026-11-30'],
    ['2026-11-28', 0, '2026-11-30'],
    ['2026-11-29', 1, '2026-12-01'],
    ['2026-11-25', 2.2, '2026-11-30'],
    ['2026-12-31', 1, '2027-01-01'],
    ['2028-02-28', 1, '2028-02-29'],
  ])('%s and %d working days are %s', (from, days, to) => expect(addWorkingDays(from, days)).toBe(to));
  test('a working day is never a Saturday or a Sunday', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3000 }), fc.integer({ min: 0, max: 60 }), (start, days) => {
        const day = new Date(`${addWorkingDays(addDays('2024-01-01', start), days)}T00:00:00Z`).getUTCDay();
        expect([0, 6]).not.toContain(day);
      }),
    );
  });
  test('days by the calendar cross months, years and the change of the clocks', () => {
    expect(addDays('2026-12-30', 3)).toBe('2027-01-02');
    expect(addDays('2026-03-28', 2)).toBe('2026-03-30');
  });
  test('in words, the same for everyone', () => {
    expect(dayWords('2026-12-07')).toBe('7 Dec 2026');
    expect(dayWords('2026-12-07', true)).toBe('7 Dec');
    expect(momentWords('2026-12-07T23:59:10.000Z')).toBe('7 Dec 2026, 23:59 UTC');
  });
  test('what is no date is said to be none', () => {
    expect(() => addWorkingDays('soon', 1)).toThrow(/"soon" is not a date/);
  });
});
