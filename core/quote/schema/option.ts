import {
  array,
  day,
  integer,
  number,
  oneOf,
  orNull,
  said,
  shape,
  string,
  text,
  words,
  yesNo,
} from '@/core/format';
import type { Of } from '@/core/format';
import { bill } from './bill';
import { money } from './fields';

const OPTIONS = ['targeted', 'full', 'upgrade', 'exchange', 'no-repair'] as const;
export const optionId = oneOf(OPTIONS);
export type OptionId = Of<typeof optionId>;

const count = integer(0, 1e9);
/** `YYYY-MM-DDTHH:MM` by the shop's clock. */
const shopMoment = string({ pattern: '^[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{2}:[0-9]{2}$' });

const warranty = shape({
  months: count,
  km: count,
  covers: said('What it covers, in words', words(200)),
  except: said('What was left in, and is not covered', array(words(400), { maxItems: 200 })),
  voids: said('What voids it', array(words(200), { maxItems: 20 })),
});
export type Warranty = Of<typeof warranty>;

const ready = shape({
  decideBy: said('The customer’s yes is assumed by then', shopMoment),
  at: shopMoment,
  hangsOn: said('What decides the date', oneOf(['parts', 'queue', 'bench'])),
  latest: said('The part that comes last, where parts decide', orNull(words(200))),
  steps: said(
    'How it comes about, in order',
    array(shape({ words: words(300), at: shopMoment }), { maxItems: 12 }),
  ),
});

/** Risk that what failed first stays in, and that the vehicle is back within the warranty. Shares of 1. */
const risk = shape({
  uncured: said('P(what failed first is not cured by this scope)', number(0, 1)),
  workmanship: said('P(back for the work itself, whatever the cause)', number(0, 1)),
  returns: said('P(back within the warranty)', number(0, 1)),
  steps: said(
    'How it comes about, the largest first',
    array(shape({ words: words(400), share: number(0, 1) }), { maxItems: 400 }),
  ),
});
export type Risk = Of<typeof risk>;

const included = shape({
  group: words(80),
  renewed: said('How many of how many are renewed', count),
  of: count,
  also: said('What else is done, in a word or two', words(300)),
  names: array(words(200), { maxItems: 400 }),
});
export type Included = Of<typeof included>;

const problem = shape({
  id: words(200),
  kind: oneOf(['kept', 'cause', 'variant', 'unpriced', 'proof']),
  words: words(2000),
  line: said('The line it is about', orNull(words(200))),
  slots: array(words(200), { maxItems: 400 }),
  needsWaiver: said('The job cannot be released with it unless somebody signs for it', yesNo),
  waiver: orNull(shape({ words: words(500), by: words(120) })),
});

/** For the shop's eyes only: what an option costs it, and what it keeps. */
const inner = shape({
  cost: money,
  margin: said('What is charged before tax, less the cost, minor units', money),
  expectedReturn: said('What returns within the warranty cost on average, minor units', money),
  hoursLeft: said('Hours of work still to be done', number(0, 100_000)),
});

export const quoteOption = shape({
  id: optionId,
  name: text(120),
  summary: said('What is done, in a sentence', words(2000)),
  ...bill,
  warranty: words(2000),
  warrantyTerms: orNull(warranty),
  readyBy: said('The day of `ready`', orNull(day)),
  ready: orNull(ready),
  late: said('It is ready later than was promised', yesNo),
  shareOfValue: said(
    'Total ÷ vehicle value; null for a bare unit or an unknown value',
    orNull(number(0, 1e9)),
  ),
  missRisk: said('P(what failed first is not cured by these lines)', number(0, 1)),
  risk,
  included: array(included, { maxItems: 20 }),
  problems: said(
    'What speaks against this scope and nobody has signed for',
    array(problem, { maxItems: 400 }),
  ),
  inner: said('Null for whom it is not meant', orNull(inner)),
});
export type QuoteOption = Of<typeof quoteOption>;
