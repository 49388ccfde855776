import { array, integer, number, oneOf, optional, orNull, said, shape, text, words } from '@/core/format';
import type { Of } from '@/core/format';
import { GRADES } from '@/core/case';
import { money } from './fields';

/** How the part of a line is bought. */
const lineOrder = shape({
  part: said('Of the unit; null for a line of one’s own', orNull(words(80))),
  supplier: words(80),
  leadDays: integer(0, 1000),
  deposit: said('A piece, minor units', integer(0, 1e12)),
  returnDays: said('Days to bring the old part back for the deposit', orNull(integer(0, 1000))),
  sizes: optional(
    said('Sizes it is chosen from once it is measured, m', array(number(0, 1), { maxItems: 60 })),
  ),
  grade: optional(said('What it is bought as, where that was chosen', oneOf(GRADES))),
  packaging: optional(said('What the old part must come back in', words(200))),
  shelf: optional(said('The piece of the shop’s own shelf', words(60))),
});
export type LineOrder = Of<typeof lineOrder>;

const quoteLine = shape({
  name: text(200),
  kind: oneOf(['part', 'labour', 'outside', 'fluid']),
  action: words(40),
  quantity: said('Pieces, hours of a piece of work, or litres', number(0, 10000)),
  price: said('Unit price, minor units', money),
  total: money,
  note: words(1000),
  reason: words(2000),
  contents: optional(said('What a kit holds', array(words(200), { maxItems: 400 }))),
  order: optional(said('What is ordered for it', lineOrder)),
});
export type QuoteLine = Of<typeof quoteLine>;

/** A bill: what is charged, in whole minor units, each figure once and the total their sum. */
export const bill = {
  lines: array(quoteLine, { maxItems: 400 }),
  parts: money,
  labour: money,
  fluid: money,
  supplies: money,
  waste: money,
  discount: said('Taken off before tax; 0 or more, minor units', money),
  taxable: said('What was charged less the discount, minor units', money),
  taxes: array(shape({ name: words(40), rate: number(0, 1), on: money, amount: money }), { maxItems: 6 }),
  tax: money,
  coreDeposits: said('Returned when the old parts go back, minor units', money),
  rounding: said('What makes the total a round one; may be negative, minor units', money),
  total: money,
  downPayment: money,
};
export type Bill = { [K in keyof typeof bill]: Of<(typeof bill)[K]> };
