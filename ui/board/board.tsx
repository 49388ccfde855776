'use client';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Moon, Search, Sun } from 'lucide-react';
import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import { Input, SearchField } from 'react-aria-components';
import styled from 'styled-components';
import { STAGE_NAMES, STAGES } from '@/core/case';
import type { BoardCard, BoardColumn, Stage } from '@/core/case';
import { sayError, send } from '@/ui/net/request';
import { useEngine } from '@/ui/sync/context';
import { SignOut } from '@/ui/sync/sign-out';
import { SignedIn } from '@/ui/sync/signed-in';
import { Button, Choice, Mark, Shortcuts } from '@/ui/system';
import { Card } from './card';
import { NewJob } from './new-job';

const Top = styled.header`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px;
  padding: 12px 24px;
  background: var(--frame);
  color: var(--frame-ink);
  @media (max-width: 600px) {
    gap: 8px 12px;
    padding: 8px 14px;
    h1 {
      flex: 1 1 0;
      min-width: 0;
      font-size: 1.0625rem;
    }
  }
  h1 {
    font-size: 1.25rem;
    margin-right: auto;
    small {
      font-weight: 400;
      font-size: 1rem;
      color: var(--frame-soft);
      margin-left: 8px;
    }
  }
  a {
    color: inherit;
  }
`;
const Find = styled(SearchField)`
  position: relative;
  @media (max-width: 600px) {
    flex: 1 1 200px;
  }
  svg {
    position: absolute;
    left: 12px;
    top: 12px;
    color: var(--frame-soft);
    pointer-events: none;
  }
  input {
    height: 44px;
    width: 100%;
    min-width: 260px;
    max-width: 260px;
    @media (max-width: 600px) {
      min-width: 0;
      max-width: none;
    }
    padding: 0 12px 0 40px;
    border: 1.5px solid var(--frame-rule);
    border-radius: 3px;
    background: var(--frame-raised);
    color: var(--frame-ink);
    &::placeholder {
      color: var(--frame-soft);
    }
  }
`;
const Ways = styled.nav`
  display: flex;
  a {
    display: grid;
    place-items: center;
    min-height: 44px;
    padding: 0 8px;
  }
`;
const Filters = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 10px;
  padding: 8px 24px;
  span {
    margin-left: 14px;
    font-size: 0.9375rem;
    color: var(--ink-soft);
  }
  > [role='radiogroup']:last-child {
    margin-left: auto;
  }
  border-bottom: 1px solid var(--rule-strong);
  @media (max-width: 600px) {
    flex-wrap: nowrap;
    overflow-x: auto;
    padding: 8px 14px;
    white-space: nowrap;
    span {
      margin-left: 0;
    }
    > [role='radiogroup'] {
      flex-wrap: nowrap;
    }
  }
`;
const Columns = styled.main`
  display: grid;
  grid-template-columns: repeat(7, minmax(176px, 1fr));
  min-height: calc(100vh - 134px);
  overflow-x: auto;
  /* On a phone the columns stand one under the other: nothing lies beyond the edge. */
  @media (max-width: 760px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Column = styled.section`
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
const SHOWN = STAGES.filter((s) => s !== 'release');

const WAITS = [
  { value: 'customer', label: 'Customer' },
  { value: 'part', label: 'Part' },
  { value: 'bench', label: 'Bench' },
  { value: 'measurement', label: 'Measurement' },
] as const;
const DUE = [{ value: 'due', label: 'Due or late' }] as const;
const CLOSED = [{ value: 'closed', label: 'Closed' }] as const;
type Filter = (typeof WAITS | typeof DUE | typeof CLOSED)[number]['value'];

/** The chosen filter where it is one of these. */
function only<T extends Filter>(filter: Filter | null, options: readonly { value: T }[]): T | undefined {
  return options.find((o) => o.value === filter)?.value;
}

/** The address that asks for the board as it is filtered. */
function asked(words: string, filter: Filter | null, more?: { stage: Stage; from: number }): string {
  const query = new URLSearchParams();
  if (words) query.set('q', words);
  if (filter === 'due' || filter === 'closed') query.set(filter, '1');
  else if (filter) query.set('waits', filter);
  if (more) query.set('stage', more.stage);
  if (more) query.set('from', String(more.from));
  return `/api/jobs?${query}`;
}

type Columns = { columns: BoardColumn[] };

export function Board(props: {
  user: { id: string; name: string; role: string };
  columns: BoardColumn[];
  units: { id: string; name: string; layout: string }[];
  shop: string;
  currency: string;
  today: string;
}) {
  const [words, setWords] = useState('');
  const [filter, setFilter] = useState<Filter | null>(null);
  const [creating, setCreating] = useState(false);
  const search = useRef<HTMLInputElement>(null);
  const plain = !words && !filter;
  const { data, isError, dataUpdatedAt } = useQuery({
    queryKey: ['board', words, filter],
    queryFn: () => send<Columns>('GET', asked(words, filter), { listening: true }),
    initialData: plain ? { columns: props.columns } : undefined,
    placeholderData: keepPreviousData,
    refetchInterval: 15_000,
  });
  const columns = data?.columns ?? [];
  const total = columns.reduce((sum, c) => sum + c.total, 0);
  return (
    <SignedIn userId={props.user.id}>
      <Heard failed={isError} at={dataUpdatedAt} />
      <Shortcuts
        list={[
          { key: '/', words: 'Find a job', run: () => search.current?.focus() },
          { key: 'n', words: 'New job', run: () => setCreating(true) },
        ]}
      />
      <Top>
        <Mark />
        <h1>
          {props.shop}
          <small>
            {total} {filter === 'closed' ? 'closed' : plain ? 'open' : 'found'}
          </small>
        </h1>
        <Find aria-label="Find a job" value={words} onChange={setWords}>
          <Search size={20} aria-hidden />
          <Input ref={search} placeholder="Find: name, vehicle, words" maxLength={200} />
        </Find>
        <Button $kind="main" onPress={() => setCreating(true)}>
          New job
        </Button>
        <Ways>
          <Link href="/units">Units</Link>
          {props.user.role === 'owner' && <Link href="/shop">Shop</Link>}
          <Link href="/account">Account</Link>
        </Ways>
        <ThemeSwitch />
        <SignOut name={props.user.name} />
      </Top>
      <Filters>
        <Choice label="Due" value={only(filter, DUE)} options={DUE} onChange={setFilter} />
        <span id="waits-for">Waits for</span>
        <Choice label="Waits for" value={only(filter, WAITS)} options={WAITS} onChange={setFilter} />
        <Choice label="Closed jobs" value={only(filter, CLOSED)} options={CLOSED} onChange={setFilter} />
      </Filters>
      <Columns id="main" tabIndex={-1} aria-label="Jobs by stage">
        {SHOWN.map((stage) => {
          const column = columns.find((c) => c.stage === stage) ?? { stage, total: 0, cards: [] };
          return (
            <Column key={stage} aria-label={STAGE_NAMES[stage]}>
              <h2>
                {STAGE_NAMES[stage]} <span>{column.total || ''}</span>
              </h2>
              {column.total === 0 ? (
                <Empty>{plain ? TEACH[stage] : 'Nothing found here.'}</Empty>
              ) : (
                // Begun anew with another question: what was fetched beyond belongs to the old one.
                <Cards
                  key={`${words} ${filter}`}
                  column={column}
                  more={(from) => send<Columns>('GET', asked(words, filter, { stage, from }))}
                  today={props.today}
                  currency={props.currency}
                />
              )}
            </Column>
          );
        })}
      </Columns>
      <NewJob units={props.units} isOpen={creating} onClose={() => setCreating(false)} />
    </SignedIn>
  );
}

/** Tells the sync what the board has met: the network may be gone although nothing waits. */
function Heard({ failed, at }: { failed: boolean; at: number }) {
  const engine = useEngine();
  useEffect(() => {
    if (at) engine?.met(failed || !navigator.onLine ? 'offline' : 'online');
  }, [engine, failed, at]);
  return null;
}

/** A column's cards, and the way to those beyond. */
function Cards(props: {
  column: BoardColumn;
  more: (from: number) => Promise<Columns>;
  today: string;
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
            <Card card={card} today={props.today} currency={props.currency} />
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

function ThemeSwitch() {
  const [dark, setDark] = useState<boolean | null>(null);
  const shown =
    dark ?? (typeof document !== 'undefined' && document.documentElement.dataset.theme === 'dark');
  return (
    <Button
      $kind="frame"
      aria-label="Switch between light and dark"
      onPress={() => {
        const next = document.documentElement.dataset.theme !== 'dark';
        document.documentElement.dataset.theme = next ? 'dark' : 'light';
        localStorage.setItem('pelvik-theme', next ? 'dark' : 'light');
        setDark(next);
      }}
    >
      <span suppressHydrationWarning>
        {shown ? <Sun size={20} aria-hidden /> : <Moon size={20} aria-hidden />}
      </span>
    </Button>
  );
}
