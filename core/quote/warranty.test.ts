import { paperTerms, rule, scopeBy, scopeCause } from '@/tests/fixtures/paper';
import { warrantyOf, warrantyWords } from './warranty';
import type { Warranty } from './schema';

const of = (...args: Parameters<typeof scopeBy>) =>
  warrantyOf(scopeBy(...args).scope, paperTerms, 'converter');
const shaft = rule('a', [{ part: 'shaft' }], { firm: true });

test('covers what was done, as long as the shop promises for it', () => {
  expect(of([shaft])).toEqual({
    months: 12,
    km: 20000,
    covers: 'what was opened and renewed',
    except: [],
    voids: ['Towing'],
  });
  expect(of([rule('a', [{ role: 'converter' }])], {}, { repair: 'full' })).toMatchObject({
    months: 24,
    covers: 'the whole unit',
    except: [],
  });
  expect(of([], {}, { repair: 'exchange' })).toMatchObject({
    covers: 'the exchange unit and its converter',
    except: [],
  });
  expect(of([], {}, { repair: 'none' })).toBeNull();
});

test('not the converter that is kept under a new unit', () => {
  for (const repair of ['full', 'upgrade'] as const)
    expect(of([shaft], {}, { repair })!.except).toEqual(['the converter, which is kept']);
  const reline = rule('a', [{ role: 'converter', action: 'reline' }]);
  expect(of([reline], {}, { repair: 'full' })!.except).toEqual([]);
  expect(
    of([rule('a', [{ role: 'converter', action: 'measure' }])], {}, { repair: 'full' })!.except,
  ).toHaveLength(1);
});

test('not what was kept against advice, signed for or not, nor what a cause left in does', () => {
  const out = { 'scope.line.part-shaft': { change: 'remove', reason: 'r' } };
  expect(of([shaft], out)!.except).toEqual(['part shaft, kept against our advice']);
  const less = { 'scope.line.part-shaft': { change: 'change', action: 'clean', reason: 'r' } };
  expect(of([shaft], { ...less, 'scope.waiver.kept-part-shaft': { words: 'x' } })!.except).toEqual([
    'part shaft, kept against our advice',
  ]);
  const cause = scopeCause('c', []);
  expect(of([], {}, { causes: [cause] })!.except).toEqual(['what the cause left in does']);
  expect(of([rule('a', [{ part: 'lugs' }])])!.except).toEqual([]);
});

test('in words', () => {
  const words = (more: Partial<Warranty>) =>
    warrantyWords({ months: 12, km: 20000, covers: 'it', except: [], voids: [], ...more });
  expect(words({})).toBe('12 months or 20,000 km on it');
  expect(words({ months: 1, km: 0 })).toBe('1 month on it');
  expect(words({ months: 0 })).toBe('20,000 km on it');
  expect(words({ months: 0, km: 0 })).toBe('None');
  expect(words({ except: ['a', 'b'] })).toBe('12 months or 20,000 km on it, except a; b');
  expect(warrantyWords(null)).toBe('None');
});

test('a shop that counts miles promises miles', () => {
  const warranty = { months: 24, km: 38624, covers: 'the whole unit', except: [], voids: [] };
  expect(warrantyWords(warranty, 'mi')).toBe('24 months or 24,000 mi on the whole unit');
  expect(warrantyWords(warranty)).toBe('24 months or 38,624 km on the whole unit');
});
