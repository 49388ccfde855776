export type { Bill, LineOrder, QuoteLine } from './bill';
export { quoteSchema } from './content';
export type { Evidence, QuoteContent, Recommendation, Supplement } from './content';
export { formerQuoteSchema } from './former';
export type { FormerQuote } from './former';
export type { Included, OptionId, QuoteOption, Risk, Warranty } from './option';
