import type { PartSource } from '@/core/scope';
import type { ShelfPiece } from '@/core/shelf';
import type { ShownOffer } from '@/core/supply';
import { asChosen, days, fromShelf, isSame, offered } from './ways';

const money = (amount: number) => `${amount / 100} €`;
const source = (more: Partial<PartSource> = {}): PartSource => ({
  grade: 'new',
  supplier: 'Hallow Seals',
  price: 1200,
  leadDays: 3,
  on: '2026-11-27',
  ...more,
});
const offer = (more: Partial<ShownOffer> = {}): ShownOffer => ({
  part: 'drum',
  grade: 'new',
  price: 1200,
  stock: 4,
  days: 3,
  doubt: null,
  source: source(),
  ...more,
});
const piece = (more: Partial<ShelfPiece> = {}): ShelfPiece => ({
  id: 'p1',
  unit: 'ostrel-four',
  part: 'drum',
  name: 'Drum',
  grade: 'sound',
  seen: 'Nothing found',
  origin: 'A breaker',
  fromJob: 1004,
  price: 900,
  addedAt: '2026-11-20T10:00:00.000Z',
  addedBy: 'Mira',
  heldBy: null,
  ...more,
});

describe('an offer as a way to buy', () => {
  test('says stock, days and deposit; what it costs the shop only where that is told', () => {
    expect(offered(offer(), money)).toMatchObject({ id: 'new', name: 'New', says: '4 there, 3 days' });
    const rebuilt = offer({
      grade: 'remanufactured',
      cost: 800,
      days: 1,
      source: source({ grade: 'remanufactured', coreDeposit: 4000 }),
    });
    expect(offered(rebuilt, money)).toMatchObject({
      id: 'remanufactured',
      name: 'Remanufactured',
      says: '4 there, 1 day, + 40 € deposit, costs 8 €',
    });
  });

  test('that nobody can promise is shown and cannot be taken', () => {
    const way = offered(offer({ stock: 0, days: null, source: null }), money);
    expect(way.says).toBe('out of stock, nobody can say when');
    expect(way.source).toBeUndefined();
  });
});

test('what was chosen another day says when it was offered, and for when', () => {
  expect(asChosen(source({ coreDeposit: 500 }), money)).toMatchObject({
    id: 'chosen',
    name: 'New, chosen',
    says: 'Hallow Seals, offered 27 Nov for 30 Nov, + 5 € deposit',
  });
});

test('a piece of the shelf is used, here at once, and asks no deposit', () => {
  expect(fromShelf(piece())).toEqual({
    grade: 'donor',
    supplier: 'Shelf',
    price: 900,
    leadDays: 0,
    shelf: 'p1',
    on: '2026-11-20',
  });
});

describe('what is chosen is found again among the ways', () => {
  test('a piece of the shelf by itself, whatever its price has become', () => {
    expect(isSame(fromShelf(piece({ price: 1 })), fromShelf(piece()))).toBe(true);
    expect(isSame(fromShelf(piece({ id: 'p2' })), fromShelf(piece()))).toBe(false);
    expect(isSame(source({ grade: 'donor' }), fromShelf(piece()))).toBe(false);
  });

  test.each([[{ price: 1 }], [{ leadDays: 9 }], [{ grade: 'donor' as const }], [{ supplier: 'Other' }]])(
    'an offer only as long as nothing of it changed (%j)',
    (more) => {
      expect(isSame(source(), source())).toBe(true);
      expect(isSame(source(more), source())).toBe(false);
    },
  );

  test('the price book is no source, and is never the same as one', () => {
    expect(isSame(null, source())).toBe(false);
    expect(isSame(undefined, source())).toBe(false);
  });
});

test('days in words', () => {
  expect([0, 1, 2].map(days)).toEqual(['here the same day', '1 day', '2 days']);
});
