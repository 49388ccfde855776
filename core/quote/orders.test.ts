import { stateFromValues } from '@/core/case';
import { paperTerms, rule, scopeBy } from '@/tests/fixtures/paper';
import { orderLines, orderRows, orderStanding } from './orders';
import { billOf } from './price';
import type { QuoteOption } from './schema';

const OWN = { 'scope.line.own': { change: 'add', name: 'In-line filter!', price: 3150, reason: 'r' } };
const scope = scopeBy(
  [
    rule('a', [
      { part: 'shaft' },
      { part: 'ring' },
      { role: 'overhaul-kit' },
      { part: 'drum', action: 'measure' },
      { operation: 'teardown' },
    ]),
  ],
  OWN,
);
const option = billOf(scope.lines, paperTerms, null) as unknown as QuoteOption;
const lines = (values = {}) => orderLines(option, stateFromValues(values));
const line = (key: string, values = {}) => lines(values).find((l) => l.key === key)!;

test('what is bought is ordered, the kit with what it holds; work and what is measured are not', () => {
  expect(lines().map((l) => l.key)).toEqual(['shaft', 'kit', 'ring', 'in-line-filter']);
  expect(line('kit').contents).toEqual(['Part in-kit']);
  expect(line('shaft')).toMatchObject({
    part: 'shaft',
    quantity: 1,
    price: 5000,
    deposit: 700,
    leadDays: 4,
    state: 'to-order',
    on: null,
    due: null,
    coreBy: null,
  });
  expect(line('in-line-filter')).toMatchObject({ part: null, supplier: '', price: 3150 });
});

test('by supplier, the longest wait first', () => {
  const bought = (part: string, supplier: string, leadDays: number) => ({
    name: part,
    kind: 'part',
    quantity: 1,
    order: { part, supplier, leadDays, deposit: 0, returnDays: null },
  });
  const three = { lines: [bought('b', 'Tern', 1), bought('c', 'Tern', 5), bought('a', 'Hallow', 1)] };
  expect(orderLines(three as unknown as QuoteOption, stateFromValues({})).map((l) => l.key)).toEqual([
    'a',
    'c',
    'b',
  ]);
});

test('the record says how each stands, and from when the old part is due back', () => {
  const values = { 'order.shaft': { state: 'arrived', on: '2026-11-30', due: '2026-11-29' } };
  expect(line('shaft', values)).toMatchObject({
    state: 'arrived',
    on: '2026-11-30',
    due: '2026-11-29',
    coreBy: '2026-12-20',
    coreBack: null,
  });
  expect(line('shaft', { 'order.shaft': { state: 'ordered', on: '2026-11-30' } }).coreBy).toBeNull();
  expect(
    line('shaft', { 'order.shaft': { state: 'fitted', on: '2026-11-30', coreBack: '2026-12-02' } }),
  ).toMatchObject({ coreBy: '2026-12-20', coreBack: '2026-12-02' });
  expect(line('ring', { 'order.ring': { state: 'arrived', on: '2026-11-30' } }).coreBy).toBeNull();
});

test('what the build waits for, in figures', () => {
  expect(orderStanding(lines())).toEqual({
    total: 4,
    toOrder: 4,
    onTheWay: 0,
    here: 0,
    lastDue: null,
    deposits: 700,
    coreBy: null,
  });
  const values = {
    'order.shaft': { state: 'fitted', on: '2026-11-30' },
    'order.ring': { state: 'ordered', due: '2026-12-03' },
    'order.kit': { state: 'ordered', due: '2026-12-01' },
    'order.in-line-filter': { state: 'arrived' },
  };
  expect(orderStanding(lines(values))).toEqual({
    total: 4,
    toOrder: 0,
    onTheWay: 2,
    here: 2,
    lastDue: '2026-12-03',
    deposits: 700,
    coreBy: '2026-12-20',
  });
  const back = { ...values, 'order.shaft': { state: 'fitted', on: '2026-11-30', coreBack: '2026-12-01' } };
  expect(orderStanding(lines(back))).toMatchObject({ deposits: 0, coreBy: null });
});

test('as a table: money in major units, sizes in millimetres', () => {
  expect(orderRows(lines(), 'EUR')[0]).toEqual({
    supplier: '',
    part: 'shaft',
    name: 'Part shaft',
    quantity: '1',
    price: '50.00',
    deposit: '7.00',
    grade: '',
    return_days: '20',
    packaging: '',
    lead_days: '4',
    state: 'to-order',
    sizes_mm: '',
    holds: '',
  });
  const sized = [{ ...line('ring'), sizes: [0.0013, 0.0016] }];
  expect(orderRows(sized, 'EUR')[0]!.sizes_mm).toBe('1.3 1.6');
});
