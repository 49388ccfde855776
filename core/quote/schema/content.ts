import {
  array,
  day,
  documentSchema,
  integer,
  literal,
  oneOf,
  optional,
  orNull,
  said,
  shape,
  string,
  text,
  words,
  yesNo,
} from '@/core/format';
import type { Of } from '@/core/format';
import { PAPERS } from '@/core/shop';
import { mediumId, money } from './fields';
import { optionId, quoteOption } from './option';

const evidence = shape({
  found: said('What was found wrong, the worst first', array(words(600), { maxItems: 20 })),
  sound: said('What was looked at and is sound, by name', array(words(200), { maxItems: 60 })),
  measured: said(
    'What was measured, with the limit it is held against',
    array(shape({ what: words(300), value: words(60), limit: words(80), within: yesNo }), { maxItems: 40 }),
  ),
});
export type Evidence = Of<typeof evidence>;

const recommendation = shape({ option: optionId, why: words(500) });
export type Recommendation = Of<typeof recommendation>;

const supplement = shape({
  version: said('The version that was accepted', integer(1, 10_000)),
  accepted: said('What of it was accepted', words(120)),
  option: said('The option that goes on from it; null where that is no longer offered', orNull(optionId)),
  was: money,
  now: money,
  lines: said(
    'Lines that came, went or cost something else, with what each came to; null where it was not there',
    array(shape({ name: words(200), was: orNull(money), now: orNull(money) }), { maxItems: 800 }),
  ),
});
export type Supplement = Of<typeof supplement>;

const media = array(shape({ id: mediumId, caption: words(300) }), { maxItems: 200 });

/** A quote as it is frozen, sent and printed. Money in minor units. */
const content = shape({
  format: literal('pelvik-quote/2'),
  shop: shape({ name: text(200), address: words(300), phone: words(60), letterhead: words(200) }),
  currency: said('ISO 4217', string({ pattern: '^[A-Z]{3}$' })),
  paper: oneOf(PAPERS),
  date: day,
  validUntil: day,
  job: shape({
    number: integer(1, 2 ** 31 - 1),
    unit: words(200),
    vehicle: words(200),
    customer: words(200),
    complaint: words(4000),
  }),
  cautions: optional(
    said(
      'What can hurt somebody until it is repaired; absent where nothing can',
      array(words(1000), { maxItems: 10 }),
    ),
  ),
  finding: words(8000),
  undetermined: yesNo,
  evidence: optional(said('What the inspection found; absent in quotes from before it was told', evidence)),
  couldChange: array(words(1000), { maxItems: 60 }),
  note: said('What the shop wants said besides', words(4000)),
  photos: media,
  clips: optional(said('Short clips that go along; absent where there are none', media)),
  recommended: said('Null in quotes from before one was recommended', orNull(recommendation)),
  options: array(quoteOption, { minItems: 1, maxItems: 6 }),
  barred: said(
    'Options that are not offered, and why',
    array(shape({ name: words(120), reason: words(500) }), { maxItems: 6 }),
  ),
  supplement: said(
    'What is new against the version the customer accepted; null where none was',
    orNull(supplement),
  ),
});
export type QuoteContent = Of<typeof content>;

export const quoteSchema = documentSchema(
  'pelvik-quote/2',
  'Pelvik quote',
  said('One frozen version of a quote: what the customer sees', content),
);
