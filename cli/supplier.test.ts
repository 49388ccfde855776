import type { FAILURE_MODES } from '@/stand-ins/supplier';
import { answerOf } from '@/stand-ins/supplier';
import { hear } from '@/core/supply';
import { shippedUnits } from '@/data/shipped';

const TODAY = '2026-11-27';
const parts = shippedUnits[0]!.parts.map((p) => p.id);
const question = { unit: shippedUnits[0]!.id, supplier: 'Hallow Seals', parts };
const answer = (failure: (typeof FAILURE_MODES)[number], supplier = 'Hallow Seals') =>
  answerOf(question.unit, supplier, parts, failure, TODAY);

test('the same question has the same answer on the same day; another supplier has other prices', () => {
  expect(answer('none')).toEqual(answer('none'));
  expect(answer('none')).not.toEqual(answer('none', 'Tern Hydraulics'));
});

test('an ordinary answer is one Pelvik takes whole, for every unit that ships', () => {
  for (const unit of shippedUnits) {
    const ids = unit.parts.map((p) => p.id);
    const told = answerOf(unit.id, 'Hallow Seals', ids, 'none', TODAY);
    const asked = { unit: unit.id, supplier: 'Hallow Seals', parts: ids };
    const { offers, refused } = hear(told, asked, { currency: 'EUR', today: TODAY });
    expect(refused).toEqual([]);
    expect(offers.length).toBeGreaterThan(50);
  }
});

test('a lying one is believed in nothing of what it lies about', () => {
  const heard = hear(answer('lying'), question, { currency: 'EUR', today: TODAY });
  const told = (answer('lying') as { offers: unknown[] }).offers.length;
  expect(heard.offers.length + heard.refused.length).toBe(told);
  expect(heard.refused.length).toBeGreaterThan(told / 2);
});

test('what it does not know it does not offer', () => {
  expect(answerOf('no-such-unit', 'S', ['a'], 'none', TODAY)).toMatchObject({ offers: [] });
  expect(answerOf(question.unit, 'S', [], 'none', TODAY)).toMatchObject({ offers: [] });
});
