import {
  array,
  anything,
  day,
  documentSchema,
  integer,
  literal,
  oneOf,
  open,
  orNull,
  said,
  shape,
  string,
  text,
} from '@/core/format';
import type { Of, Schema } from '@/core/format';
import { GRADES } from '@/core/case';
import { MOST_MONEY } from '@/core/shop';

/** One part as a supplier offers it. Money in minor units. */
export const offerSchema = open(
  shape({
    part: text(80),
    grade: oneOf(GRADES),
    price: said('What the shop pays', integer(1, MOST_MONEY)),
    stock: said('Pieces the supplier has', integer(0, 100_000)),
    arrivesOn: said('The day it is here when it is ordered today; null: nobody can say', orNull(day)),
    deposit: said('On the old part, 0 for none', integer(0, MOST_MONEY)),
    returnDays: said('Days to bring the old part back', orNull(integer(1, 400))),
    packaging: said('What it must come back in', orNull(text(200))),
  }),
);
export type Offer = Of<typeof offerSchema>;

const answer = <T>(offer: Schema<T>) =>
  open(
    shape({
      format: literal('pelvik-offers/1'),
      currency: string({ pattern: '^[A-Z]{3}$' }),
      offers: array(offer, { maxItems: 1000 }),
    }),
  );

/** A supplier's answer as a whole: each offer is read by itself, so that a wrong one is left out and the others stand. */
export const answerSchema = answer(anything);

/** The same as it is published. */
export const offersSchema = documentSchema(
  'pelvik-offers/1',
  'What a parts supplier answers; money in integer minor units of the currency named',
  answer(offerSchema),
);
