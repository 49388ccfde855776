import { policySchemas } from '@/core/case';
import {
  array,
  day,
  documentSchema,
  integer,
  literal,
  map,
  number,
  numberWithin,
  oneOf,
  optional,
  orNull,
  said,
  shape,
  string,
  text,
  usually,
  words,
} from '@/core/format';
import type { Of } from '@/core/format';
import { DISTANCES } from './distance';
import { MOST_MONEY } from './money';

/** Minor units. */
const money = integer(0, MOST_MONEY);
const share = number(0, 1);
const id = string({ pattern: '^[A-Za-z0-9][A-Za-z0-9-]{0,59}$' });
const days = integer(0, 365);
const clock = string({ pattern: '^([01][0-9]|2[0-3]):[0-5][0-9]$' });

export const PAPERS = ['A4', 'LETTER'] as const;

/** What of a bill a tax can be on. */
export const TAX_BASES = ['parts', 'labour', 'fluid', 'supplies', 'waste', 'deposits'] as const;
export type TaxBase = (typeof TAX_BASES)[number];

const taxRule = shape({
  name: text(40),
  on: array(oneOf(TAX_BASES), { minItems: 1, uniqueItems: true }),
  rate: share,
});

/** What the shop knows of a part better than the unit's definition: each field stands for the definition's. */
const bookPrice = shape({
  unit: id,
  part: id,
  price: optional(said('What the customer pays', money)),
  cost: optional(said('What the shop pays', money)),
  leadDays: optional(days),
  coreDeposit: optional(money),
  returnDays: optional(days),
  supplier: optional(text(80)),
});
export type BookPrice = Of<typeof bookPrice>;

/** What holds of each repair somebody can come back with. */
const byRepair = <T>(schema: T) => ({ targeted: schema, full: schema, upgrade: schema, exchange: schema });
const opening = orNull(shape({ from: clock, to: clock }));

/** Minor units a total is rounded to. */
export const ROUNDINGS = [1, 5, 10, 50, 100] as const;

const terms = shape({
  format: literal('pelvik-shop/3'),
  name: text(200),
  address: text(200),
  phone: text(40),
  letterhead: said(
    'A line under the name on paper: registration, opening, what the shop wants said',
    words(200),
  ),
  currency: said('ISO 4217', string({ pattern: '^[A-Z]{3}$' })),
  timeZone: said(
    'Where the shop’s clock hangs: an IANA name',
    string({ pattern: '^[A-Za-z]+(/[A-Za-z0-9_+-]+)*$', maxLength: 60 }),
  ),
  paper: oneOf(PAPERS),
  distance: usually('km', said('How distance is counted', oneOf(DISTANCES))),
  rates: said(
    'An hour, by what is done in it',
    shape({ bench: money, vehicle: money, diagnosis: money, machining: money }),
  ),
  costPerHour: said('What an hour costs the shop, all in', money),
  partsMarkup: said(
    'Price of a part over its cost, where the price book does not say: 0.4 is cost and 40 %',
    number(0, 20),
  ),
  times: said(
    'The shop’s own times, instead of the unit’s',
    array(shape({ unit: id, operation: id, hours: numberWithin({ exclusiveMinimum: 0, maximum: 200 }) }), {
      maxItems: 2000,
    }),
  ),
  prices: array(bookPrice, { maxItems: 20_000 }),
  fluidPerLitre: money,
  outside: usually(
    {},
    said(
      'What is fitted beside the unit, each with its work, by the line’s key; the others are agreed',
      map(money, { maxProperties: 20, propertyNames: { pattern: '^outside-[a-z-]{1,60}$' } }),
    ),
  ),
  supplies: shape({ rate: share, cap: money }),
  waste: said('Surcharge for what goes to licensed disposal, once a repair', money),
  taxes: array(taxRule, { maxItems: 6 }),
  roundTo: said('Totals are rounded to so many minor units', oneOf(ROUNDINGS)),
  downPayment: said('Share of the total asked for when the customer agrees', share),
  quoteValidDays: integer(1, 365),
  policies: shape(policySchemas),
  warranty: shape(byRepair(shape({ months: integer(0, 120), km: integer(0, 1_000_000) }))),
  warrantyVoids: said('What voids it, each in a sentence', array(text(200), { maxItems: 12 })),
  workmanship: said(
    'Share that comes back for the work itself, whatever the cause was',
    shape(byRepair(share)),
  ),
  calendar: shape({
    opening: shape({
      mon: opening,
      tue: opening,
      wed: opening,
      thu: opening,
      fri: opening,
      sat: opening,
      sun: opening,
    }),
    holidays: array(day, { maxItems: 400 }),
  }),
  capacity: shape({ benches: integer(1, 50), benchShare: numberWithin({ exclusiveMinimum: 0, maximum: 1 }) }),
});

/** A repair somebody can come back with. */
export type Repaired = keyof ShopTerms['warranty'];

/** What a shop charges and promises: `data/prices/shop.json`. Rates are shares, money minor units, hours decimal. */
export type ShopTerms = Of<typeof terms>;

export const shopSchema = documentSchema(
  'pelvik-shop/3',
  'What a shop charges and promises; money in integer minor units, rates as shares',
  terms,
);
