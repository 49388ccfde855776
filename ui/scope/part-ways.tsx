'use client';
import { useRef, useState } from 'react';
import { Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import { formatMoney } from '@/core/shop';
import type { PartSource, ScopeLine } from '@/core/scope';
import { partOf } from '@/core/unit';
import { useJob } from '@/ui/job/provider';
import { sayError } from '@/ui/net/request';
import { Notice, Stack } from '@/ui/system';
import type { ShelfPiece } from '@/core/shelf';
import type { ShownOffer } from '@/core/supply';
import { asChosen, days, fromShelf, isSame, offered } from './ways';
import type { Way } from './ways';

export const Row = styled.li`
  display: grid;
  grid-template-columns: 196px minmax(0, 1fr);
  gap: 4px 18px;
  align-items: start;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
  > b {
    padding-top: 6px;
    font-weight: 650;
    font-stretch: 96%;
    line-height: 1.25;
  }
  @media (max-width: 700px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Tiles = styled(RadioGroup)`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(146px, 1fr));
  gap: 6px;
`;
/** One way to buy a part, as a shelf label: what it is, what it costs, when it is here. */
const Tile = styled(Radio)`
  position: relative;
  display: grid;
  align-content: start;
  min-height: 64px;
  padding: 6px 10px 6px 16px;
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  line-height: 1.25;
  cursor: pointer;
  &::before {
    content: '';
    position: absolute;
    inset: 0 auto 0 0;
    width: 6px;
    background: var(--rule);
  }
  &[data-hovered] {
    border-color: var(--ink);
  }
  &[data-selected] {
    border-color: var(--accent);
    box-shadow: inset 0 0 0 1px var(--accent);
    background: var(--accent-wash);
    &::before {
      background: var(--accent);
    }
  }
  &[data-focus-visible] {
    outline: 3px solid var(--accent);
    outline-offset: 2px;
  }
  &[data-disabled] {
    color: var(--ink-soft);
    cursor: default;
    background: none;
  }
  small {
    font-stretch: 92%;
    color: var(--ink-soft);
  }
  em {
    font-style: normal;
    font-size: 0.875rem;
    color: var(--warn);
  }
  span {
    font-weight: 650;
  }
`;
/** One part with the ways to buy it; the one that is chosen is marked. */
export function PartRow(props: {
  line: ScopeLine;
  source: PartSource | undefined;
  offers: ShownOffer[];
  pieces: ShelfPiece[];
  known: boolean;
  change: (id: string, body: object) => Promise<void>;
}) {
  const { line, source, offers, pieces, change } = props;
  const { unit, terms, write, number, now: record } = useJob();
  const [problem, setProblem] = useState<string | null>(null);
  const turns = useRef(0);
  const last = useRef<Promise<void>>(Promise.resolve());
  const part = partOf(unit, line.of!);
  const slot = `scope.source.${part.id}` as const;
  const money = (amount: number) => formatMoney(amount, terms.currency);
  const book = terms.prices.find((p) => p.part === part.id);
  const ways: Way[] = [
    {
      id: 'book',
      name: 'Price book',
      price: book?.price ?? part.price ?? null,
      says: `${part.supplier ?? 'no supplier named'}, ${days(book?.leadDays ?? part.leadDays ?? 0)}`,
      doubt: offers.some((o) => o.grade === 'new' && o.stock === 0) ? 'out of stock today' : null,
      source: null,
      piece: null,
    },
    ...offers.map((o) => offered(o, money)),
    ...pieces
      .filter((p) => p.heldBy === null || p.heldBy === number)
      .map(
        (piece): Way => ({
          id: piece.id,
          name: `Shelf, ${piece.grade}`,
          price: piece.price,
          says: `out of job ${piece.fromJob}, ${piece.origin}`,
          doubt: null,
          source: fromShelf(piece),
          piece,
        }),
      ),
  ];
  const now = source ? (ways.find((w) => isSame(w.source, source))?.id ?? 'chosen') : 'book';
  const held = pieces.find((p) => p.id === source?.shelf);
  if (source && now === 'chosen') ways.push(asChosen(source, money));
  const apply = async (way: Way) => {
    const before = record(slot)?.shelf;
    try {
      if (way.piece) await change(way.piece.id, { hold: number });
      write(slot, way.source!);
    } catch (error) {
      return setProblem(sayError(error));
    }
    if (before === undefined || before === way.piece?.id) return;
    await change(before, { putBack: true }).catch((error: unknown) =>
      setProblem(
        `The part is still held for this job. ${sayError(error)} To release it, put it back on the Shelf page.`,
      ),
    );
  };
  const choose = (id: string) => {
    const way = ways.find((w) => w.id === id);
    if (!way || way.source === undefined) return;
    setProblem(null);
    // Whoever goes through the ways with the keys means the last one: one after the other, those between not at all.
    const turn = ++turns.current;
    last.current = last.current.then(() => (turn === turns.current ? apply(way) : undefined));
  };
  // Nothing is said while nobody can say.
  const lost = props.known && source?.shelf !== undefined && held?.heldBy !== number;
  return (
    <Row data-part={part.id}>
      <b>{line.name}</b>
      <Stack $gap={6}>
        <Tiles aria-label={`Where ${line.name} comes from`} value={now} onChange={choose}>
          {ways.map((w) => (
            <Tile key={w.id} value={w.id} isDisabled={w.source === undefined}>
              <small>{w.name}</small>
              <span>{w.price === null ? 'no price' : money(w.price)}</span>
              <small>{w.says}</small>
              {w.doubt && <em>{w.doubt}</em>}
            </Tile>
          ))}
        </Tiles>
        {lost && (
          <Notice $tone="bad">
            This part of the shelf is not held for this job. Choose where it is bought before the quote is
            made.
          </Notice>
        )}
        {problem && <Notice $tone="bad">{problem}</Notice>}
      </Stack>
    </Row>
  );
}
