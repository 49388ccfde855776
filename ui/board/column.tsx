'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { STAGE } from '@/core/stage';
import type { BoardCard, BoardColumn } from '@/core/case';
import type { Stage } from '@/core/stage';
import { sayError } from '@/ui/net/request';
import { Button } from '@/ui/system';
import { Card } from './card';
import type { Columns } from './filter';

const Frame = styled.section`
  padding: 0 7px 24px;
  border-right: 1px solid var(--rule);
  &:last-child {
    border-right: 0;
  }
  h2 {
    display: flex;
    justify-content: space-between;
    padding: 14px 4px 10px;
    font-size: 1.0625rem;
    span {
      font-weight: 400;
      color: var(--ink-soft);
    }
  }
  ul {
    display: grid;
    gap: 8px;
  }
`;
const Empty = styled.p`
  padding: 4px;
  font-size: 0.9375rem;
  color: var(--ink-soft);
`;

/** What an empty column is for. */
const TEACH: Partial<Record<Stage, string>> = {
  intake: 'New jobs begin here with the complaint.',
  suspects: 'Jobs whose complaint grid is filled.',
  teardown: 'Units on the bench, being taken apart.',
  cause: 'Apart and inspected: what failed first?',
  scope: 'The cause is settled; the repair is being put together.',
  quote: 'Priced and with the customer.',
  build: 'Accepted: ready to be built.',
};
/** The jobs of one stage. */
export function Column(props: {
  column: BoardColumn;
  /** The board shows everything: nothing was asked for. */
  plain: boolean;
  /** The question the column answers: with another one it is begun anew, what was fetched beyond belongs to the old. */
  question: string;
  more: (from: number) => Promise<Columns>;
  today: string;
  /** The day a job of this stage is usually ready. */
  usual: string;
  currency: string;
}) {
  const { column } = props;
  return (
    <Frame aria-label={STAGE[column.stage].name}>
      <h2>
        {STAGE[column.stage].name} <span>{column.total || ''}</span>
      </h2>
      {column.total === 0 ? (
        <Empty>{props.plain ? TEACH[column.stage] : 'Nothing found here.'}</Empty>
      ) : (
        <Cards key={props.question} {...props} />
      )}
    </Frame>
  );
}

/** A column's cards, and the way to those beyond. */
function Cards(props: {
  column: BoardColumn;
  more: (from: number) => Promise<Columns>;
  today: string;
  usual: string;
  currency: string;
}) {
  const { column } = props;
  const [beyond, setBeyond] = useState<BoardCard[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const known = new Set(column.cards.map((c) => c.number));
  const cards = [...column.cards, ...beyond.filter((c) => !known.has(c.number))];
  const fetchMore = () =>
    props.more(cards.length).then(
      (answer) => {
        setBeyond((now) => [...now, ...(answer.columns[0]?.cards ?? [])]);
        setProblem(null);
      },
      (error: unknown) => setProblem(sayError(error)),
    );
  return (
    <>
      <ul>
        {cards.map((card) => (
          <li key={card.number}>
            <Card card={card} today={props.today} usual={props.usual} currency={props.currency} />
          </li>
        ))}
      </ul>
      {cards.length < column.total && (
        <Button $kind="quiet" onPress={() => void fetchMore()}>
          {column.total - cards.length} more
        </Button>
      )}
      {problem && <Empty role="alert">{problem}</Empty>}
    </>
  );
}
