import styled from 'styled-components';
import { formatMoney } from '@/core/shop';
import type { Supplement } from '@/core/quote';

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  margin-top: 10px;
  th,
  td {
    padding: 6px 8px 6px 0;
    border-top: 1px solid var(--rule);
    text-align: left;
    font-weight: 400;
  }
  td {
    text-align: right;
    white-space: nowrap;
  }
  thead th {
    font-size: 0.875rem;
    color: var(--ink-soft);
  }
  thead th:not(:first-child) {
    text-align: right;
  }
`;

/** What a later version changes of the one that was accepted: it needs a new yes. */
export function Changes({ supplement: s, currency }: { supplement: Supplement; currency: string }) {
  const money = (amount: number | null) => (amount === null ? '–' : formatMoney(amount, currency));
  const more = s.now - s.was;
  return (
    <section>
      <h2>What is new since you accepted</h2>
      <p>
        You accepted “{s.accepted}” of version {s.version} for {money(s.was)}.{' '}
        {more === 0
          ? 'The price stays.'
          : `It would now come to ${money(s.now)}: ${money(Math.abs(more))} ${more > 0 ? 'more' : 'less'}.`}{' '}
        What you accepted stands until you say yes to this one.
      </p>
      {s.lines.length > 0 && (
        <Table>
          <thead>
            <tr>
              <th scope="col">Changed</th>
              <th scope="col">was</th>
              <th scope="col">now</th>
            </tr>
          </thead>
          <tbody>
            {s.lines.map((l) => (
              <tr key={l.name}>
                <th scope="row">{l.name}</th>
                <td>{money(l.was)}</td>
                <td>{money(l.now)}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
    </section>
  );
}
