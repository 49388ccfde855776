export { formerQuoteSchema, quoteSchema } from './schema';
export type {
  Bill,
  Evidence,
  Included,
  OptionId,
  QuoteContent,
  QuoteLine,
  QuoteOption,
  Recommendation,
  Risk,
  Supplement,
} from './schema';
export { buildQuote } from './quote';
export type { Clock, QuoteInput, QuoteRequest } from './quote';
export { nameOf } from './options';
export { billOf, depositOf, linePrice, lineTotal } from './price';
export type { Discount } from './price';
export { tellingFindings } from './evidence';
export type { Telling } from './evidence';
export { messageWords } from './message';
export { ORDER_COLUMNS, orderLines, orderRows, orderStanding } from './orders';
export type { OrderLine, OrderStanding, OrderState } from './orders';
export { riskOf } from './risk';
export { supplementTo } from './supplement';
export { currentQuote } from './former';
export { cautionsFor, couldChange, findingWords, standingCause, standingCauses } from './words';
export type { CauseCommit } from './words';
