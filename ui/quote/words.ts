import type { Included, QuoteContent, QuoteLine, QuoteOption, Risk } from '@/core/quote';
import type { Ready } from '@/core/schedule';

export const HANGS_ON: Record<Ready['hangsOn'], string> = {
  parts: 'the last part',
  queue: 'the work before it',
  bench: 'the work itself',
};

/** "all 12 renewed", "2 of 12", "measured". */
export function includedWords({ renewed, of, also }: Included): string {
  const some =
    renewed === 0
      ? ''
      : renewed === of
        ? of === 1
          ? 'renewed'
          : `all ${of} renewed`
        : `${renewed} of ${of}`;
  return [some, also].filter(Boolean).join('; ') || 'as it is';
}

/** "1 in 20": how often a repair like this is back within its warranty. */
export function riskWords({ returns }: Risk): string {
  if (returns >= 0.995) return 'nearly sure to be back';
  if (returns >= 0.3) return `${Math.round(returns * 100)} in 100`;
  return returns < 0.005 ? 'fewer than 1 in 200' : `1 in ${Math.round(1 / returns)}`;
}

/** The rate as it is: 8.875 %, not 9 %. */
const rateWords = (rate: number) => `${Number((rate * 100).toFixed(4))} %`;

/** Everything that is charged besides parts and labour, and what is taken off, in the order it is added up. */
export function billSums(o: QuoteOption): [string, number][] {
  const sums: [string, number][] = [
    ['Parts', o.parts],
    ['Labour', o.labour],
    ['Fluid', o.fluid],
    ['Shop supplies', o.supplies],
    ['Licensed disposal', o.waste],
    ['Discount', -o.discount],
    ...o.taxes.map((t): [string, number] => [`${t.name} ${rateWords(t.rate)}`, t.amount]),
    ['Core deposits, returned with the old part', o.coreDeposits],
    ['Rounding', o.rounding],
  ];
  return sums.filter(([, amount]) => amount !== 0);
}

/** The sums that stand beside the lines: what the lines are made of is in them already. */
export function sumsBesideLines(o: QuoteOption): [string, number][] {
  return billSums(o).filter(([name]) => !['Parts', 'Labour', 'Fluid'].includes(name));
}

/** Work that is done within other work is no line of its own for the customer. */
export const isCharged = (line: QuoteLine) => line.kind !== 'labour' || line.total !== 0;

/** The names of the sums that occur in any option, in their order. */
export function sumNames({ options }: QuoteContent): string[] {
  return [...new Set(options.flatMap((o) => billSums(o).map(([name]) => name)))];
}
