import { moveUp } from '@/core/format';
import type { Format } from '@/core/format';
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

/** Quotes are frozen as they were made. */
const QUOTE_FORMAT: Format = {
  name: 'pelvik-quote',
  steps: [(content) => ({ ...fromFirst(content as unknown as FormerQuote) })],
};

/** A frozen quote as it is read today: what was not yet said then is empty, and no figure is changed. */
export const currentQuote = (content: { format: string }): QuoteContent =>
  moveUp(QUOTE_FORMAT, content, undefined);

function fromFirst({ taxRate, shop, options, ...rest }: FormerQuote): QuoteContent {
  return {
    ...(rest as unknown as QuoteContent),
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
