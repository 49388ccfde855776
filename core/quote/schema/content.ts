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
  words,
  yesNo,
} from '@/core/format';
import type { Of } from '@/core/format';
import { PAPERS } from '@/core/shop';
import { currency, job, media, money, shopFields } from './fields';
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

/** A quote as it is frozen, sent and printed. Money in minor units. */
const content = shape({
  format: literal('pelvik-quote/2'),
  shop: shape({ ...shopFields, letterhead: words(200) }),
  currency,
  paper: oneOf(PAPERS),
  date: day,
  validUntil: day,
  job,
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
