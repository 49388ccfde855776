'use client';
import styled from 'styled-components';
import { dayWords, formatMoney } from '@/core/quote';
import type { QuoteContent, QuoteOption } from '@/core/quote';
import { percent } from '@/ui/job/words';

const Wrap = styled.div`
  overflow-x: auto;
`;
const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  min-width: 640px;
  table-layout: fixed;
  th,
  td {
    padding: 9px 18px 9px 0;
    border-top: 1px solid var(--rule);
    text-align: left;
    vertical-align: top;
  }
  thead th {
    border-top: 4px solid var(--ink);
    padding-top: 14px;
    font-size: 1.25rem;
    font-weight: 650;
    font-stretch: 106%;
  }
  thead td {
    border: 0;
    width: 168px;
  }
  tbody th {
    width: 168px;
    font-weight: 400;
    color: var(--ink-soft);
    font-stretch: 94%;
  }
  .total td {
    font-size: 1.625rem;
    font-weight: 650;
  }
  details summary {
    cursor: pointer;
    color: var(--accent);
    min-height: 44px;
  }
  details ul {
    display: grid;
    gap: 4px;
    font-size: 0.875rem;
    margin-top: 4px;
  }
  details li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 8px;
  }
`;

/** The options side by side, the same facts in the same row. */
export function OptionTable({ content, chosen }: { content: QuoteContent; chosen?: string | null }) {
  const money = (amount: number) => formatMoney(amount, content.currency);
  const row = (name: string, cell: (o: QuoteOption) => React.ReactNode, className?: string) => (
    <tr className={className}>
      <th scope="row">{name}</th>
      {content.options.map((o) => (
        <td key={o.id}>{cell(o)}</td>
      ))}
    </tr>
  );
  return (
    <Wrap>
      <Table>
        <thead>
          <tr>
            <td />
            {content.options.map((o) => (
              <th key={o.id} scope="col">
                {o.name}
                {chosen === o.id && ' (accepted)'}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {row('Total, tax included', (o) => money(o.total), 'total')}
          {row('What is done', (o) => o.summary)}
          {row('Warranty', (o) => o.warranty)}
          {row('Ready by', (o) => (o.readyBy ? dayWords(o.readyBy) : '–'))}
          {row('Could miss the cause', (o) =>
            o.id === 'no-repair' ? 'nothing is repaired' : percent(o.missRisk),
          )}
          {row('Share of the vehicle’s value', (o) =>
            o.shareOfValue === null ? '–' : percent(o.shareOfValue),
          )}
          {row('Parts', (o) => money(o.parts))}
          {row('Labour', (o) => money(o.labour))}
          {row('Fluid', (o) => money(o.fluid))}
          {row('Shop supplies', (o) => money(o.supplies))}
          {row(`Tax ${Math.round(content.taxRate * 100)} %`, (o) => money(o.tax))}
          {row('Core deposits', (o) =>
            o.coreDeposits ? `${money(o.coreDeposits)}, back with the old part` : '–',
          )}
          {row('Lines', (o) => (
            <details>
              <summary>{o.lines.length} lines</summary>
              <ul>
                {o.lines.map((l, k) => (
                  <li key={k}>
                    <span>
                      {l.name}
                      {l.quantity > 1 && ` × ${l.quantity}`} {l.note && `(${l.note})`}
                    </span>
                    <span>{money(l.total)}</span>
                  </li>
                ))}
              </ul>
            </details>
          ))}
        </tbody>
      </Table>
    </Wrap>
  );
}
