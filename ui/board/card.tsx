'use client';
import Link from 'next/link';
import styled from 'styled-components';
import type { BoardCard, Stage } from '@/core/case';
import { dayWords, formatMoney } from '@/core/quote';

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
  [data-risk='late'] {
    color: var(--bad);
    font-weight: 650;
  }
  [data-risk='soon'] {
    color: var(--warn);
    font-weight: 650;
  }
`;

/** One job on the board: what it is, what it does, when it is promised and what it waits for. */
export function Card({ card, today, currency }: { card: BoardCard; today: string; currency: string }) {
  const { summary } = card;
  const risk = riskOf(summary.promised, card.stage, today);
  return (
    <Tag
      href={`/jobs/${card.number}`}
      data-late={risk === 'late' || undefined}
      data-soon={risk === 'soon' || undefined}
    >
      <Top>
        <span>{card.number}</span>
        <span>{card.unit}</span>
      </Top>
      <b>{summary.vehicle}</b>
      <p>{summary.complaint || 'No complaint written down yet'}</p>
      <Foot>
        <span data-risk={risk}>{promiseWords(summary.promised, risk)}</span>
        {card.quoted && (
          <strong>
            {formatMoney(card.quoted.total, currency)}
            {card.quoted.accepted ? ' agreed' : ''}
          </strong>
        )}
        {(card.stage === 'teardown' || card.stage === 'cause') && (
          <span>
            {summary.stationsOut} of {card.stations} stations out
          </span>
        )}
        {summary.waitsFor && <span>{WAITS[summary.waitsFor]}</span>}
      </Foot>
    </Tag>
  );
}

/** Days a job usually still needs from its stage on; a promise nearer than that is at risk. */
const DAYS_LEFT: Record<Stage, number> = {
  intake: 6,
  suspects: 6,
  teardown: 5,
  cause: 4,
  scope: 4,
  quote: 4,
  build: 2,
  release: 1,
};

export function riskOf(promised: string | null, stage: Stage, today: string): 'late' | 'soon' | 'none' {
  if (!promised) return 'none';
  const days = (Date.parse(promised) - Date.parse(today)) / 86_400_000;
  return days < 0 ? 'late' : days < DAYS_LEFT[stage] ? 'soon' : 'none';
}

function promiseWords(promised: string | null, risk: string): string {
  if (!promised) return 'No date promised';
  const day = dayWords(promised, true);
  return risk === 'late' ? `Late: ${day}` : risk === 'soon' ? `Tight: ${day}` : `For ${day}`;
}
