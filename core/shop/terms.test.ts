import { checkTerms } from '@/core/validation';
import shop from '@/data/prices/shop.json';
import { paperTerms, paperUnit } from '@/tests/fixtures/paper';
import { asPriced, costOf } from './terms';
import type { ShopTerms } from './schema';

const priced = (more: Partial<ShopTerms>) => asPriced(paperUnit, { ...paperTerms, ...more });

test('a shop without times or prices of its own prices the unit as it is', () => {
  expect(priced({})).toBe(paperUnit);
  expect(
    priced({
      times: [{ unit: 'another', operation: 'rr', hours: 1 }],
      prices: [{ unit: 'another', part: 'shaft', price: 1 }],
    }),
  ).toBe(paperUnit);
});

test('its own times and prices stand, field by field', () => {
  const unit = priced({
    times: [{ unit: 'ostrel-four', operation: 'rr', hours: 9 }],
    prices: [{ unit: 'ostrel-four', part: 'shaft', price: 4000, leadDays: 9, supplier: 'Tern' }],
  });
  expect(unit.labour.map((o) => o.hours)).toEqual([9, ...paperUnit.labour.slice(1).map((o) => o.hours)]);
  const [before, after] = [paperUnit, unit].map((u) => u.parts.find((p) => p.id === 'shaft')!);
  expect(after).toEqual({ ...before, price: 4000, leadDays: 9, supplier: 'Tern' });
  expect(unit.parts.filter((p) => p.id !== 'shaft')).toEqual(paperUnit.parts.filter((p) => p.id !== 'shaft'));
});

test('a deposit and its days can be the shop’s own too; what a part costs is known where the book says', () => {
  const prices = [{ unit: 'ostrel-four', part: 'shaft', coreDeposit: 1, returnDays: 2, cost: 3 }];
  expect(priced({ prices }).parts.find((p) => p.id === 'shaft')).toMatchObject({
    price: 5000,
    coreDeposit: 1,
    returnDays: 2,
  });
  const terms = { ...paperTerms, prices };
  expect(costOf(terms, 'ostrel-four', 'shaft')).toBe(3);
  expect(costOf(terms, 'ostrel-four', 'ring')).toBeUndefined();
  expect(costOf(terms, 'another', 'shaft')).toBeUndefined();
});

describe('terms are checked', () => {
  const problems = (more: object) =>
    checkTerms({ ...paperTerms, ...more }).map((p) => `${p.pointer} ${p.message}`);
  test('what ships and what the tests use is right', () => {
    expect(checkTerms(shop)).toEqual([]);
    expect(checkTerms(paperTerms)).toEqual([]);
  });
  test.each([
    [{ fluidPerLitre: -1 }, '/fluidPerLitre'],
    [{ fluidPerLitre: 1.5 }, '/fluidPerLitre'],
    [{ taxes: [{ name: 'T', on: ['love'], rate: 0.2 }] }, '/taxes/0/on/0'],
    [{ taxes: [{ name: 'T', on: ['parts'], rate: 1.2 }] }, '/taxes/0/rate'],
    [{ roundTo: 7 }, '/roundTo'],
    [{ extra: 1 }, ''],
    [{ timeZone: 'Moon/Base' }, '/timeZone is not a time zone'],
    [{ prices: [{ unit: 'u', part: 'p', price: -5 }] }, '/prices/0/price'],
  ])('%j: %s', (more, at) => expect(problems(more)[0]).toMatch(new RegExp(`^${at}`)));
  test('a day that closes before it opens, and a shop that never opens', () => {
    const { opening } = paperTerms.calendar;
    const calendar = { ...paperTerms.calendar, opening: { ...opening, mon: { from: '16:00', to: '08:00' } } };
    expect(problems({ calendar })).toEqual(['/calendar/opening/mon closes before it opens']);
    const never = {
      opening: { mon: null, tue: null, wed: null, thu: null, fri: null, sat: null, sun: null },
      holidays: [],
    };
    expect(problems({ calendar: never })).toEqual(['/calendar/opening is never open']);
  });
});
