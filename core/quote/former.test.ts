import { checkQuote } from '@/core/validation';
import { currentQuote } from './former';
import type { QuoteContent } from './schema';

/** A quote as it was frozen by the version before. */
const former = {
  format: 'pelvik-quote/1' as const,
  shop: { name: 'Shop', address: 'Street 1', phone: '00 1' },
  currency: 'EUR',
  taxRate: 0.2,
  date: '2026-11-25',
  validUntil: '2026-12-25',
  job: { number: 7, unit: 'Ostrel Four', vehicle: 'Marrick', customer: 'Ann', complaint: 'Slips' },
  finding: 'A torn seal.',
  undetermined: false,
  couldChange: [],
  photos: [],
  options: [
    {
      id: 'targeted' as const,
      name: 'Targeted repair',
      summary: 'Renewed: seal',
      lines: [],
      parts: 1000,
      labour: 2000,
      fluid: 300,
      supplies: 100,
      taxable: 3400,
      tax: 680,
      coreDeposits: 0,
      total: 4080,
      warranty: 'a year',
      readyBy: '2026-12-01',
      shareOfValue: null,
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
