import { moveUp } from '@/core/format';
import type { Format } from '@/core/format';
import type { FormerQuote, QuoteContent, QuoteOption } from './schema';

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
    ...rest,
    format: 'pelvik-quote/2',
    shop: { ...shop, letterhead: '' },
    paper: 'A4',
    note: '',
    options: options.map(
      (o): QuoteOption => ({
        ...o,
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
      }),
    ),
    recommended: null,
    barred: [],
    supplement: null,
  };
}
