import {
  array,
  day,
  documentSchema,
  literal,
  number,
  oneOf,
  optional,
  orNull,
  said,
  shape,
  text,
  words,
  yesNo,
} from '@/core/format';
import type { Of } from '@/core/format';
import { currency, job, media, money, shopFields } from './fields';

const line = shape({
  name: text(200),
  kind: oneOf(['part', 'labour', 'outside']),
  action: words(40),
  quantity: number(0, 10000),
  price: money,
  total: money,
  note: words(1000),
  reason: words(1000),
});

const option = shape({
  id: oneOf(['targeted', 'full', 'no-repair']),
  name: text(120),
  summary: words(2000),
  lines: array(line, { maxItems: 400 }),
  parts: money,
  labour: money,
  fluid: money,
  supplies: money,
  taxable: money,
  tax: money,
  coreDeposits: money,
  total: money,
  warranty: words(500),
  readyBy: orNull(day),
  shareOfValue: orNull(number(0, 1e9)),
  missRisk: number(0, 1),
});

/** A quote as it was frozen before options had bills of several taxes, risks with workings and a recommendation. */
const content = shape({
  format: literal('pelvik-quote/1'),
  shop: shape(shopFields),
  currency,
  taxRate: number(0, 1),
  date: day,
  validUntil: day,
  job,
  finding: words(8000),
  undetermined: yesNo,
  cautions: optional(array(words(1000), { maxItems: 10 })),
  couldChange: array(words(1000), { maxItems: 60 }),
  photos: media,
  options: array(option, { minItems: 1, maxItems: 6 }),
});
export type FormerQuote = Of<typeof content>;

export const formerQuoteSchema = documentSchema(
  'pelvik-quote/1',
  'Pelvik quote',
  said('One frozen version of a quote: what the customer sees', content),
);
