import fc from 'fast-check';
import { daysUntil, doubtOf, hear, soldFor, sourceOf } from './offers';
import type { Offer } from './schema';

const question = { unit: 'u', supplier: 'Hallow Seals', parts: ['drum', 'ring'] };
const here = { currency: 'EUR', today: '2026-11-27' };
const offer = (more: Partial<Record<keyof Offer, unknown>> = {}) => ({
  part: 'drum',
  grade: 'new',
  price: 12000,
  stock: 3,
  arrivesOn: '2026-11-30',
  deposit: 0,
  returnDays: null,
  packaging: null,
  ...more,
});
const answer = (...offers: unknown[]) => ({ format: 'pelvik-offers/1', currency: 'EUR', offers });
const heard = (...offers: unknown[]) => hear(answer(...offers), question, here);

describe('an answer of a supplier', () => {
  test('that is right is taken, and says what nothing was said of', () => {
    expect(heard(offer())).toEqual({ offers: [offer()], refused: [], unanswered: ['ring'] });
  });

  test('one part may be offered in several grades, in each once', () => {
    const { offers, refused } = heard(offer(), offer({ grade: 'remanufactured' }), offer());
    expect(offers.map((o) => o.grade)).toEqual(['new', 'remanufactured']);
    expect(refused).toEqual([{ part: 'drum', why: 'it is offered twice' }]);
  });

  test.each([
    [{ price: -1200 }, /^the price /],
    [{ price: 0 }, /^the price /],
    [{ price: 1e12 }, /^the price /],
    [{ price: 12.5 }, /^the price /],
    [{ stock: -1 }, /^the stock /],
    [{ grade: 'excellent' }, /^the grade /],
    [{ arrivesOn: '2026-02-31' }, /^the day is not a day/],
    [{ arrivesOn: '9999-01-01' }, /^the day is not a day/],
    [{ arrivesOn: '2026-11-26' }, /would have arrived on 2026-11-26/],
    [{ arrivesOn: '2027-11-28' }, /more than a year/],
    [{ deposit: -1 }, /^the deposit /],
    [{ returnDays: 0 }, /^the days to return it /],
    [{ part: 'pump' }, /nobody asked/],
    [{ packaging: '' }, /^the packaging /],
    [{ part: 7 }, /^the part /],
  ])('that lies in one offer (%j) loses that offer, not the others', (lie, why) => {
    const { offers, refused } = heard(offer(lie), offer({ part: 'ring' }));
    expect(offers.map((o) => o.part)).toEqual(['ring']);
    expect(refused).toHaveLength(1);
    expect(refused[0]!.why).toMatch(why);
  });

  test('today and a year from now are still days a part may come', () => {
    expect(heard(offer({ arrivesOn: '2026-11-27' })).offers).toHaveLength(1);
    expect(heard(offer({ arrivesOn: '2027-11-27' })).offers).toHaveLength(1);
    expect(heard(offer({ arrivesOn: null })).offers).toHaveLength(1);
  });

  test.each([[null], ['no'], [[]], [{}], [{ ...answer(), format: 'other' }], [{ ...answer(), offers: 3 }]])(
    'that is none (%j) is said to be none',
    (value) => expect(() => hear(value, question, here)).toThrow(/cannot be read/),
  );

  test('in another currency is not reckoned with', () => {
    expect(() => hear({ ...answer(offer()), currency: 'USD' }, question, here)).toThrow(/USD.*EUR/);
  });

  test('whatever a stranger sends, nothing wrong is believed', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.jsonValue(),
            fc.object().map((o) => offer(o)),
          ),
        ),
        (offers) => {
          const { offers: taken, refused, unanswered } = heard(...offers);
          expect(taken.length + refused.length).toBe(offers.length);
          for (const o of taken) expect(o.price).toBeGreaterThan(0);
          for (const part of question.parts)
            expect(taken.some((o) => o.part === part)).toBe(!unanswered.includes(part));
        },
      ),
    );
  });
});

test('what the customer pays is the supplier’s price with the markup, in whole minor units', () => {
  expect(soldFor(offer() as Offer, 0.4)).toBe(16800);
  expect(soldFor(offer({ price: 333 }) as Offer, 0.35)).toBe(450);
});

test('an offer is taken with what it asks for, and not without a day', () => {
  const told = offer({ deposit: 4000, returnDays: 30, packaging: 'its box' }) as Offer;
  expect(sourceOf(told, 'Hallow Seals', 0.4, here.today)).toEqual({
    grade: 'new',
    supplier: 'Hallow Seals',
    price: 16800,
    leadDays: 3,
    coreDeposit: 4000,
    returnDays: 30,
    packaging: 'its box',
    on: '2026-11-27',
  });
  const plain = sourceOf(offer({ packaging: 'its box', returnDays: 9 }) as Offer, 'S', 0, here.today);
  expect(Object.keys(plain!).sort()).toEqual(['grade', 'leadDays', 'on', 'price', 'supplier']);
  expect(sourceOf(offer({ arrivesOn: null }) as Offer, 'S', 0, here.today)).toBeNull();
});

test('a price far from the book is doubted, one near it is not', () => {
  expect(doubtOf(300, 100)).toMatch(/^3 times/);
  expect(doubtOf(299, 100)).toBeNull();
  expect(doubtOf(33, 100)).toMatch(/third/);
  expect(doubtOf(10, 100)).toMatch(/10th/);
  expect(doubtOf(34, 100)).toBeNull();
  expect(doubtOf(34, undefined)).toBeNull();
});

test('days are counted over the turn of a month', () => {
  expect(daysUntil('2026-12-02', '2026-11-27')).toBe(5);
  expect(daysUntil('2026-11-27', '2026-11-27')).toBe(0);
});
