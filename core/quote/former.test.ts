import { checkQuote } from '@/core/validation';
import { formerQuote } from '@/tests/fixtures/former-quote';
import { currentQuote } from './former';
import type { QuoteContent } from './schema';

/** Of the version before, with figures that must not change. */
const former = {
  ...formerQuote,
  options: [
    {
      ...formerQuote.options[0]!,
      parts: 1000,
      labour: 2000,
      fluid: 300,
      supplies: 100,
      taxable: 3400,
      tax: 680,
      total: 4080,
      warranty: 'a year',
      readyBy: '2026-12-01',
      missRisk: 0.1,
    },
  ],
};

test('a frozen quote of the version before is read as one of today, and no figure of it changes', () => {
  expect(checkQuote(former)).toEqual([]);
  const now = currentQuote(former);
  expect(checkQuote(now)).toEqual([]);
  expect(now).toMatchObject({
    format: 'pelvik-quote/2',
    recommended: null,
    barred: [],
    note: '',
    paper: 'A4',
  });
  expect('taxRate' in now).toBe(false);
  expect(now.options[0]).toMatchObject({
    ...former.options[0],
    taxes: [{ name: 'Tax', rate: 0.2, on: 3400, amount: 680 }],
    waste: 0,
    discount: 0,
    rounding: 0,
    downPayment: 0,
    warrantyTerms: null,
    ready: null,
    late: false,
    included: [],
    problems: [],
    inner: null,
    risk: { uncured: 0.1, workmanship: 0, returns: 0.1, steps: [] },
  });
});

test('one of today stays as it is', () => {
  const now = { format: 'pelvik-quote/2' } as QuoteContent;
  expect(currentQuote(now)).toBe(now);
});
