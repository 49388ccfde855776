import fc from 'fast-check';
import {
  addDays,
  addOpenHours,
  isOpenOn,
  nextOpen,
  openDaysLater,
  openingAfter,
  roundUp,
  weekdayOf,
} from './calendar';
import type { Calendar } from './calendar';

const day = { from: '08:00', to: '17:00' };
/** Open Monday to Friday, Fridays till four; Christmas off. 2026-11-25 is a Wednesday. */
const shop: Calendar = {
  opening: {
    mon: day,
    tue: day,
    wed: day,
    thu: day,
    fri: { from: '08:30', to: '16:00' },
    sat: null,
    sun: null,
  },
  holidays: ['2026-12-25'],
};

test('days by the calendar cross months, years and the change of the clocks', () => {
  expect(addDays('2026-12-30', 3)).toBe('2027-01-02');
  expect(addDays('2026-03-28', 2)).toBe('2026-03-30');
  expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
  expect(addDays('2026-03-01', -1)).toBe('2026-02-28');
  expect(() => addDays('soon', 1)).toThrow(/"soon" is not a date/);
});

test('weekdays, and the days the shop is open', () => {
  expect(['2026-11-23', '2026-11-25', '2026-11-28', '2026-11-29'].map(weekdayOf)).toEqual([
    'mon',
    'wed',
    'sat',
    'sun',
  ]);
  expect(isOpenOn(shop, '2026-11-25')).toBe(true);
  expect(isOpenOn(shop, '2026-11-28')).toBe(false);
  expect(isOpenOn(shop, '2026-12-25')).toBe(false);
});

describe('the next opening', () => {
  test.each([
    ['2026-11-25T10:15', '2026-11-25T10:15'],
    ['2026-11-25T03:00', '2026-11-25T08:00'],
    ['2026-11-25T17:00', '2026-11-26T08:00'],
    ['2026-11-25T16:59', '2026-11-25T16:59'],
    ['2026-11-27T16:00', '2026-11-30T08:00'],
    ['2026-11-28T12:00', '2026-11-30T08:00'],
    ['2026-12-24T18:00', '2026-12-28T08:00'],
    ['2026-11-26T23:00', '2026-11-27T08:30'],
  ])('from %s is %s', (from, to) => expect(nextOpen(shop, from)).toBe(to));
  test('of a shop that never opens is an error', () => {
    const never = {
      ...shop,
      opening: { mon: null, tue: null, wed: null, thu: null, fri: null, sat: null, sun: null },
    };
    expect(() => nextOpen(never, '2026-11-25T10:00')).toThrow(/never open/);
    const inside = { ...never, opening: { ...never.opening, mon: { from: '10:00', to: '10:00' } } };
    expect(() => nextOpen(inside, '2026-11-25T10:00')).toThrow(/never open/);
  });
});

describe('open hours later', () => {
  test.each([
    ['2026-11-25T10:00', 2, '2026-11-25T12:00'],
    ['2026-11-25T10:00', 0, '2026-11-25T10:00'],
    ['2026-11-25T10:00', -3, '2026-11-25T10:00'],
    ['2026-11-25T10:00', 7, '2026-11-25T17:00'],
    ['2026-11-25T10:00', 7.5, '2026-11-26T08:30'],
    ['2026-11-26T16:00', 2, '2026-11-27T09:30'],
    ['2026-11-27T15:00', 2, '2026-11-30T09:00'],
    ['2026-12-24T16:30', 1, '2026-12-28T08:30'],
    ['2026-11-28T03:00', 0, '2026-11-30T08:00'],
    ['2026-11-25T08:00', 43.25, '2026-12-01T16:45'],
  ])('from %s, %d h are %s', (from, hours, at) => expect(addOpenHours(shop, from, hours)).toBe(at));
  test('are when the shop is open, never earlier for more of them, and add up', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2000 }),
        fc.integer({ min: 0, max: 1439 }),
        fc.integer({ min: 0, max: 400 }),
        fc.integer({ min: 0, max: 400 }),
        (d, m, a, b) => {
          const from = `${addDays('2025-01-01', d)}T${String(Math.floor(m / 60)).padStart(2, '0')}:${String(m % 60).padStart(2, '0')}`;
          const [one, both] = [addOpenHours(shop, from, a / 4), addOpenHours(shop, from, (a + b) / 4)];
          expect(both >= one).toBe(true);
          expect(isOpenOn(shop, one.slice(0, 10))).toBe(true);
          // The end of one day and the next opening are the same moment of work.
          expect(nextOpen(shop, addOpenHours(shop, one, b / 4))).toBe(nextOpen(shop, both));
        },
      ),
    );
  });
});

test('the opening so many days later, or the next after it; no days are no wait', () => {
  expect(openingAfter(shop, '2026-11-25T10:00', 1)).toBe('2026-11-26T08:00');
  expect(openingAfter(shop, '2026-11-25T10:00', 3)).toBe('2026-11-30T08:00');
  expect(openingAfter(shop, '2026-11-25T10:00', 0)).toBe('2026-11-25T10:00');
  expect(openingAfter(shop, '2026-11-28T10:00', -1)).toBe('2026-11-30T08:00');
});

test('a time one can promise is a full half hour, and closing time at the latest', () => {
  expect(roundUp(shop, '2026-11-25T10:01')).toBe('2026-11-25T10:30');
  expect(roundUp(shop, '2026-11-25T10:30')).toBe('2026-11-25T10:30');
  expect(roundUp(shop, '2026-11-25T16:31')).toBe('2026-11-25T17:00');
  const odd = { ...shop, opening: { ...shop.opening, wed: { from: '08:00', to: '16:45' } } };
  expect(roundUp(odd, '2026-11-25T16:40')).toBe('2026-11-25T16:45');
  expect(roundUp(shop, '2026-11-28T10:10')).toBe('2026-11-28T10:30');
});

test('open days later skip weekends and holidays', () => {
  expect(openDaysLater(shop, '2026-11-25T10:00', 0)).toBe('2026-11-25T10:00');
  expect(openDaysLater(shop, '2026-11-25T10:00', 1)).toBe('2026-11-26T08:00');
  expect(openDaysLater(shop, '2026-11-25T10:00', 3)).toBe('2026-11-30T08:00');
  expect(openDaysLater(shop, '2026-12-24T10:00', 1)).toBe('2026-12-28T08:00');
  expect(openDaysLater(shop, '2026-11-28T10:00', 1)).toBe('2026-12-01T08:00');
});
