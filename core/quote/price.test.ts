import fc from 'fast-check';
import type { ScopeLine } from '@/core/scope';
import { paperTerms, paperUnit, rule, scopeBy } from '@/tests/fixtures/paper';
import { billOf, costOfLines, depositOf, linePrice, lineTotal } from './price';
import type { Discount } from './price';
import type { ShopTerms } from '@/core/shop';
import type { Bill } from './schema';

const terms = (more: Partial<ShopTerms> = {}): ShopTerms => ({ ...paperTerms, ...more });
const lines = (of: Parameters<typeof rule>[1], values = {}) => scopeBy([rule('a', of)], values).lines;

/** What is shown: the sums whose total the bill is. */
const shown = (b: Bill) =>
  b.parts + b.labour + b.fluid + b.supplies + b.waste - b.discount + b.tax + b.coreDeposits + b.rounding;

describe('a bill, worked out on paper', () => {
  const scope = lines([
    { part: 'shaft' },
    { operation: 'remove-refit' },
    { operation: 'teardown' },
    { supply: 'fluid' },
    { outside: 'outside-x', name: 'The trailer' },
  ]);
  test('shaft 50, 8 h at 50, 3 h at 60, five litres at 9, supplies at their cap, disposal 5, a fifth of tax, deposit 7', () => {
    expect(billOf(scope, terms(), null)).toMatchObject({
      parts: 5000,
      labour: 58000,
      fluid: 4500,
      supplies: 5000,
      waste: 500,
      discount: 0,
      taxable: 73000,
      taxes: [{ name: 'Tax', rate: 0.2, on: 73000, amount: 14600 }],
      tax: 14600,
      coreDeposits: 700,
      rounding: 0,
      total: 88300,
      downPayment: 22075,
    });
  });
  test('0 is a price: what is given away is not charged as the shop charges it otherwise', () => {
    const free = (key: string) => ({ [`scope.line.${key}`]: { change: 'change', price: 0, reason: 'ours' } });
    expect(billOf(lines([{ supply: 'fluid' }], free('fluid')), terms(), null).fluid).toBe(0);
    const cooler = lines([{ outside: 'outside-x', name: 'Cooler' }], free('outside-x'));
    expect(billOf(cooler, terms({ outside: { 'outside-x': 900 } }), null).parts).toBe(0);
    expect(billOf(lines([{ part: 'shaft' }], free('part-shaft')), terms(), null).parts).toBe(0);
  });
  test('supplies are a share of parts and labour up to their cap', () => {
    expect(billOf(lines([{ part: 'shaft' }]), terms(), null).supplies).toBe(500);
  });
  test('taxes are by what they are on, each rounded once', () => {
    const two = terms({
      taxes: [
        { name: 'Goods', on: ['parts', 'fluid', 'deposits'], rate: 0.08875 },
        { name: 'Work', on: ['labour'], rate: 0.05 },
      ],
    });
    expect(billOf(scope, two, null)).toMatchObject({
      taxes: [
        { name: 'Goods', on: 10200, amount: 905 },
        { name: 'Work', on: 58000, amount: 2900 },
      ],
      tax: 3805,
    });
  });
  test('disposal is charged once something is worked on, not for a look', () => {
    expect(billOf(lines([{ part: 'shaft', action: 'measure' }]), terms(), null).waste).toBe(0);
    expect(billOf(lines([{ part: 'shaft', action: 'clean' }]), terms(), null).waste).toBe(500);
    expect(billOf(lines([{ operation: 'teardown' }]), terms(), null).waste).toBe(0);
  });
  test('a total is rounded to what the shop rounds to, and the difference shown', () => {
    const bill = billOf(scope, terms({ roundTo: 100, fluidPerLitre: 907 }), null);
    expect(bill.total % 100).toBe(0);
    expect([bill.total, bill.rounding]).toEqual([88300, -42]);
  });
  test('a discount is taken off before tax, from each kind in proportion; deposits are not reduced', () => {
    const work = terms({ taxes: [{ name: 'Work', on: ['labour'], rate: 0.1 }] });
    const bill = billOf(scope, work, { amount: 7300, words: 'Friend' });
    expect(bill).toMatchObject({ discount: 7300, taxable: 65700, tax: 5220, coreDeposits: 700 });
    expect(billOf(scope, work, { share: 0.1, words: 'Friend' })).toEqual(bill);
    expect(billOf(scope, work, { amount: 999999, words: 'All' })).toMatchObject({
      discount: 73000,
      taxable: 0,
      tax: 0,
      total: 700,
    });
    expect(billOf(scope, work, { words: 'Nothing' }).discount).toBe(0);
  });
  test('a cent that does not divide comes off the largest', () => {
    const both = terms({
      waste: 0,
      supplies: { rate: 0, cap: 0 },
      taxes: [{ name: 'L', on: ['labour'], rate: 1 }],
    });
    const some = lines([{ part: 'ring' }, { operation: 'overhaul' }]);
    expect(billOf(some, both, { amount: 1, words: 'A cent' }).tax).toBe(36000 - 1);
  });
});

describe('nothing is charged', () => {
  test('for what the kit holds, or the shop broke, nor its deposit', () => {
    const kit = lines([{ role: 'overhaul-kit' }]);
    expect(kit.map((l) => [l.of, linePrice(l, terms())])).toEqual([
      ['in-kit', 0],
      ['kit', 20000],
    ]);
    const broken = lines([{ part: 'shaft', onTheShop: true }])[0]!;
    expect(broken).toMatchObject({ price: 5000, coreDeposit: 700 });
    expect([linePrice(broken, terms()), depositOf(broken), lineTotal(broken, terms())]).toEqual([0, 0, 0]);
    expect(billOf([broken], terms(), null)).toMatchObject({ parts: 0, coreDeposits: 0 });
  });
  test('where there are no lines', () => {
    expect(billOf([], terms(), null)).toMatchObject({ lines: [], total: 0, tax: 0, downPayment: 0 });
    expect(billOf([], terms(), { share: 0.5, words: 'x' })).toMatchObject({ discount: 0, total: 0 });
  });
});

describe('lines as the customer reads them', () => {
  test('the kit says what is in it, and that stands nowhere else', () => {
    const { lines: told } = billOf(lines([{ role: 'overhaul-kit' }, { part: 'ring' }]), terms(), null);
    expect(told.map((l) => [l.name, l.contents])).toEqual([
      ['Part kit', ['Part in-kit']],
      ['Part ring', undefined],
    ]);
  });
  test('say pieces, hours, litres, and why there is no price', () => {
    const values = { 'scope.line.part-ring': { change: 'change', quantity: 3, reason: 'three of them' } };
    const told = billOf(
      lines(
        [
          { part: 'ring' },
          { part: 'lugs' },
          { part: 'drum', onTheShop: true },
          { operation: 'teardown' },
          { supply: 'fluid' },
          { outside: 'outside-x', name: 'The trailer' },
        ],
        values,
      ),
      terms(),
      null,
    ).lines;
    expect(told.map((l) => [l.name, l.quantity, l.price, l.total, l.note])).toEqual([
      ['Part lugs', 1, 0, 0, 'price not known'],
      ['Part ring', 3, 300, 900, ''],
      ['Part drum', 1, 0, 0, 'on the shop'],
      ['Transmission fluid', 5, 900, 4500, '5 l'],
      ['Take apart', 1, 18000, 18000, '3 h'],
      ['The trailer', 1, 0, 0, 'not in this price'],
    ]);
    expect(told[1]!.reason).toBe('Because of a; three of them');
  });
  test('what is outside costs what was agreed, as a part', () => {
    const values = { 'scope.line.outside-x': { change: 'change', price: 700, reason: 'ours' } };
    const bill = billOf(lines([{ outside: 'outside-x', name: 'Filter' }], values), terms(), null);
    expect([bill.parts, bill.lines[0]!.note]).toEqual([700, '']);
  });
  test('a price a litre of its own stands before the shop’s', () => {
    const values = { 'scope.line.fluid': { change: 'change', price: 1000, reason: 'better oil' } };
    expect(billOf(lines([{ supply: 'fluid' }], values), terms(), null).fluid).toBe(5000);
  });
});

test('what lines cost the shop: its book, prices less the markup, hours at what an hour costs', () => {
  const some = lines([{ part: 'shaft' }, { part: 'ring' }, { operation: 'teardown' }, { supply: 'fluid' }]);
  const book = terms({
    prices: [
      { unit: paperUnit.id, part: 'shaft', cost: 3100 },
      { unit: 'another', part: 'ring', cost: 1 },
    ],
  });
  // 31.00 and 3.00 / 1.25, three hours at 30.00, five litres at 9.00 / 1.25.
  expect(costOfLines(paperUnit, some, book)).toBe(3100 + 240 + 9000 + 3600);
  const kit = lines([{ role: 'overhaul-kit' }, { outside: 'outside-x', name: 'x' }]);
  expect(costOfLines(paperUnit, kit, terms())).toBe(16000);
  // What the shop broke costs it all the same.
  expect(costOfLines(paperUnit, lines([{ part: 'ring', onTheShop: true }]), terms())).toBe(240);
});

describe('whatever the scope, the taxes and the discount', () => {
  const money = fc.integer({ min: 0, max: 900_000 });
  const scopeLines = fc.array(
    fc
      .record({
        kind: fc.constantFrom<ScopeLine['kind']>('part', 'labour', 'fluid', 'outside'),
        price: money,
        hours: fc.double({ min: 0, max: 20, noNaN: true }),
        quantity: fc.integer({ min: 1, max: 9 }),
        coreDeposit: money,
        inKit: fc.boolean(),
        onTheShop: fc.boolean(),
      })
      .map((more): ScopeLine => ({ ...lines([{ part: 'shaft' }])[0]!, ...more })),
    { maxLength: 12 },
  );
  const bases = fc.uniqueArray(
    fc.constantFrom('parts', 'labour', 'fluid', 'supplies', 'waste', 'deposits' as const),
    { minLength: 1 },
  );
  const anyTerms = fc
    .record({
      taxes: fc.array(
        fc.record({
          name: fc.constant('T'),
          on: bases,
          rate: fc.integer({ min: 0, max: 400_000 }).map((n) => n / 1e6),
        }),
        { maxLength: 3 },
      ),
      roundTo: fc.constantFrom(1, 5, 10, 50, 100),
      supplies: fc.record({ rate: fc.constantFrom(0, 0.03, 0.5), cap: money }),
      waste: money,
      downPayment: fc.constantFrom(0, 0.3, 1),
    })
    .map((more) => terms(more as Partial<ShopTerms>));
  const discount = fc.option(
    fc.oneof(
      fc.record({ share: fc.double({ min: 0, max: 1, noNaN: true }), words: fc.constant('d') }),
      fc.record({ amount: money, words: fc.constant('d') }),
    ) as fc.Arbitrary<Discount>,
    { nil: null },
  );
  test('the total is the sum of what is shown, to the cent, and the lines are its parts, labour and fluid', () => {
    fc.assert(
      fc.property(scopeLines, anyTerms, discount, (scope, t, off) => {
        const bill = billOf(scope, t, off);
        expect(bill.total).toBe(shown(bill));
        expect(bill.lines.reduce((sum, l) => sum + l.total, 0)).toBe(bill.parts + bill.labour + bill.fluid);
        expect(bill.tax).toBe(bill.taxes.reduce((sum, x) => sum + x.amount, 0));
        expect(
          Object.values(bill)
            .filter((v) => typeof v === 'number')
            .every(Number.isSafeInteger),
        ).toBe(true);
        expect(bill.total % t.roundTo).toBe(0);
        expect(Math.abs(bill.rounding)).toBeLessThanOrEqual(t.roundTo / 2);
        expect(bill.taxable).toBeGreaterThanOrEqual(0);
      }),
    );
  });
  test('a line more never makes it cheaper, a discount never dearer', () => {
    fc.assert(
      fc.property(scopeLines, anyTerms, discount, (scope, t, off) => {
        const exact = { ...t, roundTo: 1 as const };
        const less = billOf(scope.slice(1), exact, null).total;
        expect(billOf(scope, exact, null).total).toBeGreaterThanOrEqual(less);
        // Each tax is rounded by itself: a cent of each may go the other way.
        expect(billOf(scope, exact, off).total).toBeLessThanOrEqual(
          billOf(scope, exact, null).total + t.taxes.length,
        );
      }),
    );
  });
});

describe('a part that is not new', () => {
  const chosen = (grade: string) => ({
    'scope.source.shaft': { grade, supplier: 'Tern Hydraulics', price: 2800, leadDays: 1, on: '2026-11-27' },
  });
  const bought = (grade: string) => lines([{ part: 'shaft' }], chosen(grade));

  test.each([
    ['new', ''],
    ['remanufactured', 'remanufactured'],
    ['donor', 'used'],
  ])('%s is called so on the bill, and costs what was offered', (grade, note) => {
    const bill = billOf(bought(grade), terms(), null);
    expect(bill.lines[0]).toMatchObject({ price: 2800, note, order: { grade, supplier: 'Tern Hydraulics' } });
    expect(bill.coreDeposits).toBe(0);
  });

  test('of the own shelf it is said to be inspected', () => {
    const values = { 'scope.source.shaft': { ...chosen('donor')['scope.source.shaft'], shelf: 'piece' } };
    expect(billOf(lines([{ part: 'shaft' }], values), terms(), null).lines[0]!.note).toBe(
      'used, inspected here',
    );
  });

  test('costs the shop its price less the markup, whatever the book says of a new one', () => {
    const book = terms({ prices: [{ unit: paperUnit.id, part: 'shaft', cost: 9 }] });
    expect(costOfLines(paperUnit, bought('donor'), book)).toBe(Math.round(2800 / (1 + book.partsMarkup)));
  });
});

describe('what is fitted beside the unit', () => {
  const cooler = lines([{ outside: 'outside-cooler', name: 'External cooler' }]);
  const priced = terms({ outside: { 'outside-cooler': 28600 } });

  test('is agreed in the job where the shop has no price for it', () => {
    expect(billOf(cooler, terms(), null)).toMatchObject({ parts: 0, lines: [{ note: 'not in this price' }] });
  });

  test('is charged at the shop’s price, and costs the shop that less its markup', () => {
    const bill = billOf(cooler, priced, null);
    expect(bill).toMatchObject({ parts: 28600, lines: [{ price: 28600, total: 28600, note: '' }] });
    expect(costOfLines(paperUnit, cooler, priced)).toBe(Math.round(28600 / (1 + priced.partsMarkup)));
  });

  test('a price typed in the job stands before it', () => {
    const own = { 'scope.line.outside-cooler': { change: 'change', price: 9900, reason: 'His own.' } };
    const typed = lines([{ outside: 'outside-cooler', name: 'External cooler' }], own);
    expect(billOf(typed, priced, null).parts).toBe(9900);
  });
});
