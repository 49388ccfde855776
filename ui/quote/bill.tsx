import type { ReactNode } from 'react';
import { formatMoney } from '@/core/shop';
import type { QuoteContent, QuoteOption } from '@/core/quote';
import { billSums, sumNames } from './words';

/** The sums of the options, each in its row: what is shown adds up to the total. */
export function BillRows({
  content,
  row,
}: {
  content: QuoteContent;
  row: (name: string, cell: (o: QuoteOption) => ReactNode) => ReactNode;
}) {
  return (
    <>
      {sumNames(content).map((name) =>
        row(name, (o) => {
          const found = billSums(o).find(([n]) => n === name);
          return found ? formatMoney(found[1], content.currency) : '–';
        }),
      )}
    </>
  );
}
