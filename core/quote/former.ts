import type { QuoteContent } from './quote';
import type { OptionId, QuoteOption } from './options';

/** A quote as it was frozen before options had bills of several taxes, risks with workings and a recommendation. */
interface FormerQuote {
  format: 'pelvik-quote/1';
  taxRate: number;
  shop: { name: string; address: string; phone: string };
  options: FormerOption[];
}
interface FormerOption {
  id: OptionId;
  tax: number;
  taxable: number;
  total: number;
  missRisk: number;
}

/** A frozen quote as it is read today: what was not yet said then is empty, and no figure is changed. */
export function currentQuote(content: QuoteContent | FormerQuote): QuoteContent {
  if (content.format === 'pelvik-quote/2') return content;
  const { taxRate, shop, options, ...rest } = content;
  return {
    ...(rest as unknown as QuoteContent),
    format: 'pelvik-quote/2',
    shop: { ...shop, letterhead: '' },
    paper: 'A4',
    note: '',
    options: options.map((o): QuoteOption => ({
      ...(o as unknown as QuoteOption),
      waste: 0,
      discount: 0,
      taxes: [{ name: 'Tax', rate: taxRate, on: o.taxable, amount: o.tax }],
      rounding: 0,
      downPayment: 0,
      warrantyTerms: null,
      ready: null,
      late: false,
      risk: { uncured: o.missRisk, workmanship: 0, returns: o.missRisk, steps: [] },
      included: [],
      problems: [],
      inner: null,
    })),
    recommended: null,
    barred: [],
    supplement: null,
  };
}
