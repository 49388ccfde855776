export {
  digitsOf,
  formatMoney,
  fromMinor,
  MOST_MONEY,
  minor,
  sum,
  times,
  toMinor,
  writtenMoney,
} from './money';
export { dayWords, LOCALE, momentWords, shopMomentWords } from './dates';
export { distanceWords, inDistance, kmOf, readingIn, readingKm } from './distance';
export type { Distance } from './distance';
export { BOOK_COLUMNS, bookRows, readBook } from './price-book';
export { asPriced, costOf } from './terms';
export { currentTerms } from './format';
export { PAPERS, ROUNDINGS, shopSchema, TAX_BASES } from './schema';
export type { BookPrice, Repaired, ShopTerms, TaxBase } from './schema';
