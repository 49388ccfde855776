import type { QuoteContent } from '@/core/quote';
import { demandQuotable } from './quotable';

type Problem = QuoteContent['options'][number]['problems'][number];

/** What is looked at of a quote's content. */
const content = (recommended: number | null, ...problems: Problem[][]) =>
  ({ recommended, options: problems.map((p) => ({ problems: p })) }) as unknown as QuoteContent;
const open = { kind: 'open', words: 'The pump has not been measured.' } as unknown as Problem;
const unpriced = { kind: 'unpriced', words: 'The sun shell has no price.' } as unknown as Problem;

test('a quote with something to recommend and every price stands', () => {
  expect(() => demandQuotable(content(0, [], [open]))).not.toThrow();
});

test('without anything to recommend there is nothing to quote', () => {
  expect(() => demandQuotable(content(null, [open]))).toThrow('nothing to quote yet');
});

test('a line without a price, in any option, is named', () => {
  expect(() => demandQuotable(content(0, [open], [open, unpriced]))).toThrow('The sun shell has no price.');
});
