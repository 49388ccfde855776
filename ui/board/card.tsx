'use client';
import styled from 'styled-components';
import { Link } from '@/ui/system';
import type { BoardCard } from '@/core/case';
import { dayWords, formatMoney, shopMomentWords } from '@/core/shop';
import { promiseRisk } from '@/core/schedule';
import type { PromiseRisk } from '@/core/schedule';

const WAITS: Record<string, string> = {
  customer: 'Waits for the customer',
  part: 'Waits for a part',
  bench: 'Waits for the bench',
  measurement: 'Waits for a measurement',
};

const Tag = styled(Link)`
  display: grid;
  gap: 3px;
  padding: 10px 12px 11px 14px;
  background: var(--sheet);
  color: var(--ink);
  text-decoration: none;
  border-left: 5px solid var(--rule-strong);
  &[data-late] {
    border-left-color: var(--bad);
  }
  &[data-soon] {
    border-left-color: var(--warn);
  }
  &:hover {
    background: var(--inset);
  }
  b {
    font-size: 1.0625rem;
    font-weight: 650;
    line-height: 1.2;
  }
  p {
    font-size: 0.9375rem;
    line-height: 1.3;
    display: -webkit-box;
    -webkit-line-clamp: 2;
    -webkit-box-orient: vertical;
    overflow: hidden;
  }
`;
const Top = styled.span`
  display: flex;
  justify-content: space-between;
  font-size: 0.875rem;
  font-stretch: 90%;
  color: var(--ink-soft);
`;
const Foot = styled.span`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 2px 10px;
  margin-top: 4px;
  font-size: 0.875rem;
  font-stretch: 92%;
  color: var(--ink-soft);
  strong {
    color: var(--ink);
    font-weight: 650;
  }
  [data-risk='late'],
  [data-risk='clash'] {
    color: var(--bad);
    font-weight: 650;
  }
  [data-risk='tight'] {
    color: var(--warn);
    font-weight: 650;
  }
`;

/** One job on the board: what it is, what it does, when it is promised and ready, and what it waits for. */
export function Card({
  card,
  today,
  usual,
  currency,
}: {
  card: BoardCard;
  today: string;
  usual: string;
  currency: string;
}) {
  const { summary, quoted } = card;
  const readyAt = quoted?.readyAt ?? null;
  const risk = card.closed ? 'none' : promiseRisk({ promised: summary.promised, readyAt, usual }, today);
  return (
    <Tag
      href={`/jobs/${card.number}`}
      data-late={risk === 'late' || risk === 'clash' || undefined}
      data-soon={risk === 'tight' || undefined}
    >
      <Top>
        <span>{card.number}</span>
        <span>{card.unit}</span>
      </Top>
      <b>{summary.vehicle}</b>
      <p>{summary.complaint || 'No complaint written down yet'}</p>
      <Foot>
        <span data-risk={risk}>{promiseWords(summary.promised, risk)}</span>
        {quoted && (
          <strong>
            {formatMoney(quoted.total, currency)}
            {quoted.accepted ? ' agreed' : ''}
          </strong>
        )}
        {!card.closed && (
          <span>{readyAt ? `Ready ${shopMomentWords(readyAt)}` : `About ${dayWords(usual, true)}`}</span>
        )}
        {(card.stage === 'teardown' || card.stage === 'cause') && (
          <span>
            {summary.stationsOut} of {card.stations} stations out
          </span>
        )}
        {card.reopened && <span data-reopened>Reopened: the customer has accepted</span>}
        {summary.waitsFor && <span>{WAITS[summary.waitsFor]}</span>}
      </Foot>
    </Tag>
  );
}

function promiseWords(promised: string | null, risk: PromiseRisk): string {
  if (!promised) return 'No date promised';
  const day = dayWords(promised, true);
  const words: Record<PromiseRisk, string> = {
    late: `Late: ${day}`,
    clash: `Not by ${day}`,
    tight: `Tight: ${day}`,
    none: `For ${day}`,
  };
  return words[risk];
}
