import { array, integer, said, shape, string, text, words } from '@/core/format';

/** Minor units; a line taken off is less than nothing. */
export const money = said('Minor units', integer(-1e12, 1e12));
export const currency = said('ISO 4217', string({ pattern: '^[A-Z]{3}$' }));
/** Who made the quote, as every version of it says. */
export const shopFields = { name: text(200), address: words(300), phone: words(60) };
/** What the quote is about. */
export const job = shape({
  number: integer(1, 2 ** 31 - 1),
  unit: words(200),
  vehicle: words(200),
  customer: words(200),
  complaint: words(4000),
});
/** Photos or clips that go along. */
export const media = array(shape({ id: string({ pattern: '^[\\w-]{8,64}$' }), caption: words(300) }), {
  maxItems: 200,
});
