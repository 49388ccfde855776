import { checkTerms } from '@/core/validation';
import shop from '@/data/prices/shop.json';
import { currentTerms } from './index';

test('terms kept before distance and work outside had to be said mean what they meant', () => {
  const former: Partial<typeof shop> & { format: string } = { ...shop, format: 'pelvik-shop/2' };
  delete former.distance;
  delete former.outside;
  expect(currentTerms(former)).toEqual({ ...shop, distance: 'km', outside: {} });
  expect(currentTerms({ ...former, ...{ distance: 'mi' } }).distance).toBe('mi');
  expect(checkTerms(currentTerms(former))).toEqual([]);
});

test('a policy nobody was asked about goes the usual way, the others stay as they were set', () => {
  const policies: Partial<typeof shop.policies> = { ...shop.policies, cooler: 'replace' };
  delete policies.plates;
  const kept = { ...shop, policies };
  const terms = currentTerms(kept);
  expect(terms.policies).toMatchObject({ plates: 'stock', cooler: 'replace' });
  expect(checkTerms(terms)).toEqual([]);
});

test('a setting nobody was asked about is as it usually is, without a new version', () => {
  const kept: Partial<typeof shop> & { format: string } = { ...shop };
  delete kept.outside;
  expect(currentTerms(kept)).toEqual({ ...shop, outside: {} });
  expect(currentTerms({ ...shop }).outside).toEqual(shop.outside);
});
