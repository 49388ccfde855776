export { formatMoney, minor, sum, times } from './money';
export { addDays, addWorkingDays, dayWords, LOCALE, momentWords } from './dates';
export { buildQuote, linePrice } from './quote';
export type { QuoteContent, QuoteInput, QuoteLine, QuoteOption, ShopTerms } from './quote';
export { cautionsFor, couldChange, findingWords, standingCause } from './words';
export type { CauseCommit } from './words';
