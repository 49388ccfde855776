'use client';
import { useRef, useState } from 'react';
import { Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import { dayWords, formatMoney } from '@/core/quote';
import { isBought } from '@/core/scope';
import type { PartSource, Scope, ScopeLine } from '@/core/scope';
import { addDays } from '@/core/schedule';
import { partOf } from '@/core/unit';
import { useJob, useSlots } from '@/ui/job/provider';
import { sayError } from '@/ui/net/request';
import { Button, Caption, Line, Notice, Section, Stack } from '@/ui/system';
import { Queries } from '@/ui/system/query';
import { useOffers, useShelf } from './use-offers';
import type { Asked, ShelfPiece, ShownOffer } from './use-offers';

const Rows = styled.ul`
  border-top: 2px solid var(--ink);
`;
const Row = styled.li`
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
const Ways = styled(RadioGroup)`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(146px, 1fr));
  gap: 6px;
`;
/** One way to buy a part, as a shelf label: what it is, what it costs, when it is here. */
const Way = styled(Radio)`
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

/** What a way to buy a part is called and says. */
interface Choice {
  id: string;
  name: string;
  price: number | null;
  says: string;
  doubt: string | null;
  /** What is written; null: as the price book has it. Undefined: it cannot be chosen. */
  source: PartSource | null | undefined;
  piece: ShelfPiece | null;
}

const GRADES = { new: 'New', remanufactured: 'Remanufactured', donor: 'Used' } as const;

/** Where every bought part comes from: the price book, what the suppliers offer today, and the shop's own shelf. */
export function Sources({ scope }: { scope: Scope }) {
  return (
    <Queries>
      <Asking scope={scope} />
    </Queries>
  );
}

function Asking({ scope }: { scope: Scope }) {
  const { writeMany, unit } = useJob();
  const [all, setAll] = useState(false);
  const lines = scope.lines.filter(
    (l) => l.kind === 'part' && l.of !== null && isBought(l.action) && !l.inKit && !l.unpriced,
  );
  const { asked, ask } = useOffers(lines);
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
    <Section
      wide
      title="Where the parts come from"
      note="As the price book has them, until something else is chosen here. Prices are what the customer pays."
    >
      <Stack $gap={12}>
        <Line>
          {ask && (
            <Button onPress={ask} isDisabled={lines.length === 0}>
              Ask {asked.length === 1 ? 'the supplier' : `the ${asked.length} suppliers`} about {lines.length}{' '}
              parts
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
    </Section>
  );
}

/** So little above or below the book is no reason to look twice. */
const ABOUT = 0.1;

/** Nothing to decide: it is offered new and there, at about what the book says. */
function isOrdinary({ grade, stock, price, doubt }: ShownOffer, book: number): boolean {
  return grade === 'new' && stock > 0 && doubt === null && Math.abs(price - book) <= book * ABOUT;
}

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
              <Caption as="span">is asked about {parts.length} parts …</Caption>
            ) : trouble ? (
              <Caption as="span">
                {trouble.replace(/[.]?$/, '.')} The price book stands for {parts.length} parts.
              </Caption>
            ) : (
              <Caption as="span">
                {answer && `${parts.length - answer.unanswered.length} of ${parts.length} parts offered`}
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

function PartRow(props: {
  line: ScopeLine;
  source: PartSource | undefined;
  offers: ShownOffer[];
  pieces: ShelfPiece[];
  known: boolean;
  change: (id: string, body: object) => Promise<void>;
}) {
  const { line, source, offers, pieces, change } = props;
  const { unit, terms, write, number } = useJob();
  const [problem, setProblem] = useState<string | null>(null);
  const turns = useRef(0);
  const part = partOf(unit, line.of!);
  const money = (amount: number) => formatMoney(amount, terms.currency);
  const book = terms.prices.find((p) => p.part === part.id);
  const ways: Choice[] = [
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
      .map((piece): Choice => ({
        id: piece.id,
        name: `Shelf, ${piece.grade}`,
        price: piece.price,
        says: `out of job ${piece.fromJob}, ${piece.origin}`,
        doubt: null,
        source: fromShelf(piece),
        piece,
      })),
  ];
  const now = source ? (ways.find((w) => isSame(w.source, source))?.id ?? 'chosen') : 'book';
  const held = pieces.find((p) => p.id === source?.shelf);
  if (source && now === 'chosen') ways.push(asChosen(source, money));
  const choose = async (id: string) => {
    const way = ways.find((w) => w.id === id);
    if (!way || way.source === undefined || id === now) return;
    setProblem(null);
    // Whoever goes through the ways with the keys means the last one: what comes back late is let go.
    const turn = ++turns.current;
    try {
      if (way.piece) await change(way.piece.id, { hold: number });
      if (turn !== turns.current) {
        if (way.piece) await change(way.piece.id, { putBack: true });
        return;
      }
      write(`scope.source.${part.id}`, way.source);
      if (held && held.id !== way.piece?.id) await change(held.id, { putBack: true });
    } catch (error) {
      setProblem(sayError(error));
    }
  };
  // Nothing is said while nobody can say.
  const lost = props.known && source?.shelf !== undefined && held?.heldBy !== number;
  return (
    <Row data-part={part.id}>
      <b>{line.name}</b>
      <Stack $gap={6}>
        <Ways aria-label={`Where ${line.name} comes from`} value={now} onChange={(id) => void choose(id)}>
          {ways.map((w) => (
            <Way key={w.id} value={w.id} isDisabled={w.source === undefined}>
              <small>{w.name}</small>
              <span>{w.price === null ? 'no price' : money(w.price)}</span>
              <small>{w.says}</small>
              {w.doubt && <em>{w.doubt}</em>}
            </Way>
          ))}
        </Ways>
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

const days = (n: number) => (n === 0 ? 'here the same day' : n === 1 ? '1 day' : `${n} days`);

function offered(o: ShownOffer, money: (amount: number) => string): Choice {
  const deposit = o.source?.coreDeposit;
  const stock = o.stock > 0 ? `${o.stock} there` : 'out of stock';
  const when = o.days === null ? 'nobody can say when' : days(o.days);
  const cost = o.cost === undefined ? '' : `, costs ${money(o.cost)}`;
  return {
    id: o.grade,
    name: GRADES[o.grade],
    price: o.price,
    says: `${stock}, ${when}${deposit ? `, + ${money(deposit)} deposit` : ''}${cost}`,
    doubt: o.doubt,
    source: o.source ?? undefined,
    piece: null,
  };
}

/** A source of another day, or of a supplier that is not asked now. */
function asChosen(source: PartSource, money: (amount: number) => string): Choice {
  const deposit = source.coreDeposit ? `, + ${money(source.coreDeposit)} deposit` : '';
  return {
    id: 'chosen',
    name: `${GRADES[source.grade]}, chosen`,
    price: source.price,
    says: `${source.supplier}, offered ${dayWords(source.on, true)} for ${dayWords(addDays(source.on, source.leadDays), true)}${deposit}`,
    doubt: null,
    source,
    piece: null,
  };
}

/** Who sells what lies on the shop's own shelf. */
const SHELF = 'Shelf';

const fromShelf = (piece: ShelfPiece): PartSource => ({
  grade: 'donor',
  supplier: SHELF,
  price: piece.price,
  leadDays: 0,
  shelf: piece.id,
  on: piece.addedAt.slice(0, 10),
});

/** A piece of the shelf is the same whatever it cost when it was taken; an offer is the same as long as nothing changed. */
function isSame(a: PartSource | null | undefined, b: PartSource): boolean {
  if (!a) return false;
  if (a.shelf !== undefined || b.shelf !== undefined) return a.shelf === b.shelf;
  return a.grade === b.grade && a.supplier === b.supplier && a.price === b.price && a.leadDays === b.leadDays;
}
