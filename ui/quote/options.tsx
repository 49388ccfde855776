'use client';
import styled from 'styled-components';
import { dayWords, formatMoney, shopMomentWords } from '@/core/shop';
import type { QuoteContent, QuoteOption } from '@/core/quote';
import { percent } from '@/ui/job/words';
import { Notice } from '@/ui/system';
import { BillRows } from './bill';
import { HANGS_ON, includedWords, riskWords } from './words';

const Wrap = styled.div`
  overflow-x: auto;
`;
const Table = styled.table<{ $columns: number }>`
  border-collapse: collapse;
  width: 100%;
  min-width: ${(p) => 150 + p.$columns * 180}px;
  table-layout: fixed;
  th,
  td {
    padding: 8px 14px 8px 12px;
    border-top: 1px solid var(--rule);
    text-align: left;
    vertical-align: top;
  }
  thead th {
    border-top: 5px solid var(--ink);
    padding-top: 12px;
    font-size: 1.125rem;
    font-weight: 650;
    font-stretch: 104%;
    line-height: 1.2;
  }
  thead td {
    border: 0;
    width: 150px;
  }
  tbody th {
    width: 150px;
    padding-left: 0;
    font-weight: 400;
    font-size: 0.9375rem;
    color: var(--ink-soft);
    font-stretch: 92%;
  }
  td[data-recommended],
  th[data-recommended] {
    background: var(--accent-wash);
  }
  thead th[data-recommended] {
    border-top-color: var(--accent);
  }
  .total td {
    font-size: 1.5rem;
    font-weight: 650;
    line-height: 1.2;
    small {
      display: block;
      font-size: 0.875rem;
      font-weight: 400;
      color: var(--ink-soft);
    }
  }
  .group th {
    padding-top: 18px;
    border-top: 2px solid var(--ink);
    font-weight: 650;
    color: var(--ink);
  }
  em {
    font-style: normal;
    font-weight: 650;
    color: var(--bad);
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-stretch: 92%;
  }
  details summary {
    min-height: 32px;
    cursor: pointer;
    text-decoration: underline dotted var(--rule-strong);
    text-underline-offset: 4px;
  }
  details ul {
    display: grid;
    gap: 3px;
    padding: 4px 0 6px;
    font-size: 0.875rem;
    font-stretch: 92%;
  }
  details li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 8px;
  }
`;
const Answer = styled.p`
  font-size: 1.25rem;
  line-height: 1.35;
  text-wrap: pretty;
  b {
    font-weight: 650;
  }
`;

/** The options side by side, the same facts in the same row, the recommended one marked and said first. */
export function OptionTable({ content, chosen }: { content: QuoteContent; chosen?: string | null }) {
  const money = (amount: number) => formatMoney(amount, content.currency);
  const { options, recommended } = content;
  const best = options.find((o) => o.id === recommended?.option);
  const row: Row = (name, cell, className) => (
    <tr className={className} key={name}>
      <th scope="row">{name}</th>
      {options.map((o) => (
        <td key={o.id} data-recommended={o === best || undefined} data-option={o.id}>
          {cell(o)}
        </td>
      ))}
    </tr>
  );
  const groups = options.find((o) => o.included.length)?.included.map((i) => i.group) ?? [];
  return (
    <>
      {best && recommended && (
        <Answer data-testid="recommended">
          We recommend <b>{best.name}</b>, {money(best.total)}. {recommended.why}
        </Answer>
      )}
      {!best && options.length > 0 && (
        <Answer>Nothing is recommended before the unit is apart: what failed first is not certain.</Answer>
      )}
      {content.barred.map((b) => (
        <Notice key={b.name}>
          No {b.name.toLowerCase()} is offered. {b.reason}
        </Notice>
      ))}
      <Wrap>
        <Table $columns={options.length}>
          <thead>
            <tr>
              <td />
              {options.map((o) => (
                <th key={o.id} scope="col" data-recommended={o === best || undefined}>
                  {o.name}
                  {chosen === o.id && ' (accepted)'}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {row(
              'Total, tax included',
              (o) => (
                <>
                  {money(o.total)}
                  {o.coreDeposits > 0 && (
                    <small>{money(o.coreDeposits)} of it comes back with the old parts</small>
                  )}
                </>
              ),
              'total',
            )}
            {row('Ready', (o) => (
              <ReadyCell option={o} />
            ))}
            {row('Warranty', (o) => (
              <WarrantyCell option={o} />
            ))}
            {row('Back within it', (o) => (
              <RiskCell option={o} />
            ))}
            {row('Of the vehicle’s worth', (o) => (o.shareOfValue === null ? '–' : percent(o.shareOfValue)))}
            {row('What is done', (o) => `${o.summary}.`)}
            <tr className="group">
              <th scope="colgroup" colSpan={options.length + 1}>
                Renewed
              </th>
            </tr>
            {groups.map((group) => row(group, (o) => <IncludedCell option={o} group={group} />))}
            <tr className="group">
              <th scope="colgroup" colSpan={options.length + 1}>
                The bill
              </th>
            </tr>
            <BillRows content={content} row={row} />
            {row('Every line', (o) => (
              <LinesCell option={o} money={money} />
            ))}
            {options.some((o) => o.inner) && (
              <InnerRows columns={options.length + 1} row={row} money={money} />
            )}
          </tbody>
        </Table>
      </Wrap>
    </>
  );
}

type Row = (name: string, cell: (o: QuoteOption) => React.ReactNode, className?: string) => React.ReactNode;
type Money = (amount: number) => string;

/** For the shop's eyes: what each costs it, and what it keeps. */
function InnerRows({ columns, row, money }: { columns: number; row: Row; money: Money }) {
  return (
    <>
      <tr className="group">
        <th scope="colgroup" colSpan={columns}>
          For the shop’s eyes
        </th>
      </tr>
      {row('Costs the shop', (o) => (o.inner ? money(o.inner.cost) : '–'))}
      {row('Margin before tax', (o) =>
        o.inner ? (
          <>
            {money(o.inner.margin)}
            {o.taxable > 0 && <small>{percent(o.inner.margin / o.taxable)} of what is charged</small>}
          </>
        ) : (
          '–'
        ),
      )}
      {row('Returns cost on average', (o) => (o.inner ? money(o.inner.expectedReturn) : '–'))}
      {row('Hours still to do', (o) => (o.inner ? `${round(o.inner.hoursLeft)} h` : '–'))}
    </>
  );
}

/** Longer lists are told by their number alone. */
const MOST_NAMES = 13;

function IncludedCell({ option, group }: { option: QuoteOption; group: string }) {
  const found = option.included.find((i) => i.group === group);
  if (!found) return '–';
  const words = includedWords(found);
  if (found.names.length === 0 || found.names.length > MOST_NAMES) return words;
  return (
    <details>
      <summary>{words}</summary>
      <ul>
        {found.names.map((n) => (
          <li key={n}>{n}</li>
        ))}
      </ul>
    </details>
  );
}

function LinesCell({ option: { lines }, money }: { option: QuoteOption; money: Money }) {
  return (
    <details>
      <summary>
        {lines.length} {lines.length === 1 ? 'line' : 'lines'}
      </summary>
      <ul>
        {lines.map((l, k) => (
          <li key={k}>
            <span>
              {l.name}
              {l.quantity > 1 && l.kind !== 'fluid' && ` × ${l.quantity}`} {l.note && `(${l.note})`}
              {l.contents && <small>with {l.contents.length} parts</small>}
            </span>
            <span>{money(l.total)}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

const round = (hours: number) => Math.round(hours * 10) / 10;

/** The date, what it hangs on, and how it comes about. */
function ReadyCell({ option: { ready, readyBy, late } }: { option: QuoteOption }) {
  if (!ready) return readyBy ? dayWords(readyBy) : '–';
  return (
    <details>
      <summary>
        <b>{shopMomentWords(ready.at)}</b>
        {late && <em> after the promise</em>}
      </summary>
      <small>
        if you say yes by {shopMomentWords(ready.decideBy)}; hangs on {HANGS_ON[ready.hangsOn]}
        {ready.latest && ` (${ready.latest})`}
      </small>
      <ul>
        {ready.steps.map((s) => (
          <li key={s.words}>
            <span>{s.words}</span>
            <span>{shopMomentWords(s.at)}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

function WarrantyCell({ option: { warranty, warrantyTerms } }: { option: QuoteOption }) {
  if (!warrantyTerms || warrantyTerms.voids.length === 0) return warranty;
  return (
    <details>
      <summary>{warranty}</summary>
      <ul>
        <li>Void with:</li>
        {warrantyTerms.voids.map((v) => (
          <li key={v}>{v}</li>
        ))}
      </ul>
    </details>
  );
}

function RiskCell({ option: o }: { option: QuoteOption }) {
  if (o.id === 'no-repair') return 'nothing is repaired';
  return (
    <details>
      <summary>{riskWords(o.risk)}</summary>
      <ul>
        {o.risk.steps.map((s) => (
          <li key={s.words}>
            <span>{s.words}</span>
            <span>{share(s.share)}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

const share = (p: number) => `${(p * 100).toFixed(1)} %`;
