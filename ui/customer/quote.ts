import type { QuoteAnswer, QuoteStatus } from '@/core/case';
import type { QuoteContent } from '@/core/quote';

/** A quote as its customer is shown it. */
export interface CustomerQuote {
  token: string;
  version: number;
  status: QuoteStatus;
  content: QuoteContent;
  answers: QuoteAnswer[];
}
