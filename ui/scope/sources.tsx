'use client';
import { useState } from 'react';
import styled from 'styled-components';
import type { ScopeLine } from '@/core/scope';
import { useJob, useSlots } from '@/ui/job/provider';
import { Button, Caption, Line, Stack } from '@/ui/system';
import { Queries } from '@/ui/system/query';
import { PartRow, Row } from './part-ways';
import { useOffers, useShelf } from './use-offers';
import type { ShownOffer } from '@/core/supply';
import type { Asked } from './use-offers';

const Rows = styled.ul`
  border-top: 2px solid var(--ink);
`;
/** Where every bought part comes from: the price book, what the suppliers offer today, and the shop's own shelf. */
export function Sources(props: { lines: ScopeLine[]; asking: boolean }) {
  return (
    <Queries>
      <Asking {...props} />
    </Queries>
  );
}

function Asking({ lines, asking }: { lines: ScopeLine[]; asking: boolean }) {
  const { writeMany, unit } = useJob();
  const [all, setAll] = useState(false);
  const { asked, ask } = useOffers(lines, asking);
  const shelf = useShelf();
  const chosen = new Map(useSlots('scope.source.'));
  const offers = asked.flatMap((a) => a.answer?.offers ?? []);
  const bookOf = ({ of }: ScopeLine) => unit.parts.find((p) => p.id === of)?.price ?? 0;
  const told = lines
    .filter(
      ({ of }) =>
        chosen.has(of!) ||
        offers.some((o) => o.part === of) ||
        shelf.pieces.some((p) => p.part === of && (p.heldBy === null || p.grade === 'sound')),
    )
    .sort((a, b) => bookOf(b) - bookOf(a));
  const isPlain = (line: ScopeLine) => {
    const { of } = line;
    const own = offers.filter((o) => o.part === of);
    const source = chosen.get(of!);
    return (
      own.length > 0 &&
      own.every((o) => isOrdinary(o, bookOf(line))) &&
      (source === undefined || source.grade === 'new') &&
      !shelf.pieces.some((p) => p.part === of)
    );
  };
  const plain = told.filter(isPlain).length;
  const ready = offers.filter(
    (o) => o.grade === 'new' && o.stock > 0 && o.source && o.doubt === null && !chosen.has(o.part),
  );
  return (
    <Stack $gap={12}>
      <Line>
        {ask && (
          <Button onPress={ask} isDisabled={lines.length === 0}>
            Ask the suppliers about {lines.length} {lines.length === 1 ? 'part' : 'parts'}
          </Button>
        )}
        {!ask && ready.length > 0 && (
          <Button onPress={() => writeMany(ready.map((o) => [`scope.source.${o.part}`, o.source]))}>
            Take the {ready.length} new ones that are in stock
          </Button>
        )}
      </Line>
      {!ask && <Heard asked={asked} />}
      {told.length > 0 && (
        <Rows aria-label="Ways to buy">
          {(all ? told : told.filter((l) => !isPlain(l))).map((line) => (
            <PartRow
              key={line.of}
              line={line}
              source={chosen.get(line.of!)}
              offers={offers.filter((o) => o.part === line.of)}
              pieces={shelf.pieces.filter((p) => p.part === line.of)}
              known={shelf.known}
              change={shelf.change}
            />
          ))}
          {plain > 0 && (
            <Row>
              <b>
                {plain} {plain === 1 ? 'part' : 'parts'}
              </b>
              <Line>
                <Caption as="span">New, in stock, and at about the price of the book.</Caption>
                <Button $small $kind="quiet" aria-expanded={all} onPress={() => setAll(!all)}>
                  {all ? 'Fold' : 'Show all'}
                </Button>
              </Line>
            </Row>
          )}
        </Rows>
      )}
    </Stack>
  );
}

/** So little above or below the book is no reason to look twice. */
const ABOUT = 0.1;

/** Nothing to decide: it is offered new and there, at about what the book says. */
function isOrdinary({ grade, stock, price, doubt }: ShownOffer, book: number): boolean {
  return grade === 'new' && stock > 0 && doubt === null && Math.abs(price - book) <= book * ABOUT;
}

const partsWords = (n: number) => (n === 1 ? '1 part' : `${n} parts`);

/** How each supplier answered: what is not known is said, and the price book stands. */
function Heard({ asked }: { asked: Asked[] }) {
  const { unit } = useJob();
  const nameOf = (id: string) => unit.parts.find((p) => p.id === id)?.name ?? (id || 'an unnamed part');
  return (
    <ul aria-label="Suppliers" style={{ display: 'grid', gap: 4 }}>
      {asked.map(({ supplier, parts, answer, asking, trouble, again }) => (
        <li key={supplier}>
          <Line $gap={8}>
            <b>{supplier || 'No supplier named'}</b>
            {asking ? (
              <Caption as="span">is asked about {partsWords(parts.length)} …</Caption>
            ) : trouble ? (
              <Caption as="span">
                {trouble.replace(/[.]?$/, '.')} The price book stands for {partsWords(parts.length)}.
              </Caption>
            ) : (
              <Caption as="span">
                {answer &&
                  `${parts.length - answer.unanswered.length} of ${partsWords(parts.length)} offered`}
              </Caption>
            )}
            {!asking && trouble && (
              <Button $small $kind="quiet" onPress={again}>
                Ask again
              </Button>
            )}
          </Line>
          {answer && answer.refused.length > 0 && (
            <Caption>
              Left out, because it cannot be meant:{' '}
              {answer.refused
                .slice(0, 6)
                .map((r) => `${nameOf(r.part)} (${r.why})`)
                .join('; ')}
              {answer.refused.length > 6 && ` and ${answer.refused.length - 6} more`}.
            </Caption>
          )}
        </li>
      ))}
    </ul>
  );
}
