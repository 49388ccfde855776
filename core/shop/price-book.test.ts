import { paperUnit } from '@/tests/fixtures/paper';
import { bookRows, readBook } from './price-book';
import type { BookPrice } from './schema';

const units = [paperUnit];
const row = (part: string, more: Record<string, string> = {}) => ({ unit: 'ostrel-four', part, ...more });
const read = (rows: Record<string, string>[], before: BookPrice[] = []) =>
  readBook(rows, units, before, 'EUR');

test('a book lists every part that is sold, with what the shop knows better', () => {
  const rows = bookRows(units, [{ unit: 'ostrel-four', part: 'shaft', price: 6150, cost: 4000 }], 'EUR');
  expect(rows.map((r) => r.part)).not.toContain('inner');
  expect(rows.find((r) => r.part === 'shaft')).toEqual({
    unit: 'ostrel-four',
    part: 'shaft',
    name: 'Part shaft',
    supplier: '',
    price: '61.50',
    cost: '40.00',
    lead_days: '4',
    core_deposit: '7.00',
    return_days: '20',
  });
  expect(rows.find((r) => r.part === 'lugs')!.price).toBe('');
});

test('written out and read back it is the same book, whatever stands in it', () => {
  const prices: BookPrice[] = [
    {
      unit: 'ostrel-four',
      part: 'shaft',
      price: 6150,
      cost: 4000,
      leadDays: 9,
      coreDeposit: 100,
      returnDays: 5,
      supplier: 'Tern',
    },
    { unit: 'ostrel-four', part: 'ring', cost: 0 },
  ];
  expect(read(bookRows(units, prices, 'EUR')).prices).toEqual(prices);
  expect(read(bookRows(units, [], 'EUR')).prices).toEqual([]);
});

test('what says the same as the unit is left to the unit; what is not in the table stays', () => {
  const before: BookPrice[] = [
    { unit: 'ostrel-four', part: 'ring', price: 1 },
    { unit: 'ostrel-four', part: 'drum', price: 2 },
  ];
  expect(
    read([row('ring', { price: '3' }), row('shaft', { price: '50.00', lead_days: '4' })], before),
  ).toEqual({
    prices: [{ unit: 'ostrel-four', part: 'drum', price: 2 }],
    problems: [],
  });
});

test('comma and point are both read, spaces and empty fields say nothing', () => {
  expect(read([row('shaft', { price: ' 61,5 ', cost: '', supplier: ' Tern ' })]).prices).toEqual([
    { unit: 'ostrel-four', part: 'shaft', price: 6150, supplier: 'Tern' },
  ]);
  expect(readBook([row('shaft', { price: '700' })], units, [], 'JPY').prices[0]!.price).toBe(700);
});

test.each([
  [row('shaft', { price: '-5' }), 'price'],
  [row('shaft', { cost: 'NaN' }), 'cost'],
  [row('shaft', { price: '1e9' }), 'price'],
  [row('shaft', { price: '9999999' }), 'price'],
  [row('shaft', { lead_days: 'soon' }), 'lead_days'],
  [row('ghost'), 'part'],
  [{ unit: 'ghost', part: 'shaft' }, 'unit'],
  [{}, 'unit'],
])('%j is refused at %s, and nothing is taken', (wrong, column) => {
  const before: BookPrice[] = [{ unit: 'ostrel-four', part: 'drum', price: 2 }];
  const { prices, problems } = read([row('ring', { price: '9' }), wrong as Record<string, string>], before);
  expect(prices).toEqual(before);
  expect(problems).toMatchObject([{ row: 2, column }]);
});
