'use client';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Search } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Input, SearchField } from 'react-aria-components';
import styled from 'styled-components';
import { PAGES } from '@/core/stage';
import type { BoardColumn } from '@/core/case';
import type { Stage } from '@/core/stage';
import { send } from '@/ui/net/request';
import { OthersBanner } from '@/ui/sync/banner';
import type { Who } from '@/ui/sync/browser';
import { useEngine } from '@/ui/sync/context';
import { SignOut } from '@/ui/sync/sign-out';
import { SignedIn } from '@/ui/sync/signed-in';
import { Button, Choice, Link, Mark, Shortcuts } from '@/ui/system';
import { Column } from './column';
import { asked, CLOSED, DUE, only, WAITS } from './filter';
import type { Columns, Due, Filter } from './filter';
import { NewJob } from './new-job';
import { ThemeSwitch } from './theme-switch';

const Top = styled.header`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  padding: 12px 24px;
  background: var(--frame);
  color: var(--frame-ink);
  @media (max-width: 600px) {
    gap: 8px 12px;
    padding: 8px 14px;
    h1 {
      flex: 1 1 150px;
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
  flex: 1 1 140px;
  max-width: 260px;
  @media (max-width: 600px) {
    flex-basis: 200px;
    max-width: none;
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
    padding: 0 12px 0 40px;
    border: 1.5px solid var(--frame-rule);
    border-radius: 3px;
    background: var(--frame-raised);
    color: var(--frame-ink);
    text-overflow: ellipsis;
    &::placeholder {
      color: var(--frame-soft);
    }
  }
`;
const Ways = styled.nav`
  display: flex;
  flex-wrap: wrap;
  a {
    display: grid;
    place-items: center;
    min-height: 44px;
    padding: 0 6px;
  }
  @media (max-width: 600px) {
    margin: 0 -6px;
    font-stretch: 88%;
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
const Stages = styled.main`
  display: grid;
  grid-template-columns: repeat(${PAGES.length}, minmax(176px, 1fr));
  min-height: calc(100vh - 134px);
  overflow-x: auto;
  /* On a phone the columns stand one under the other: nothing lies beyond the edge. */
  @media (max-width: 760px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

export function Board(props: {
  user: Who & { role: string };
  columns: BoardColumn[];
  due: Due;
  /** The day a job of each stage is usually ready. */
  usual: Record<Stage, string>;
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
    initialData: plain ? { columns: props.columns, due: props.due } : undefined,
    placeholderData: keepPreviousData,
    refetchInterval: 15_000,
  });
  const columns = data?.columns ?? [];
  const total = columns.reduce((sum, c) => sum + c.total, 0);
  return (
    <SignedIn who={props.user}>
      <OthersBanner self={props.user.id} />
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
          <Input ref={search} placeholder="Name, vehicle, words" maxLength={200} />
        </Find>
        <Button $kind="main" onPress={() => setCreating(true)}>
          New job
        </Button>
        <Ways>
          <Link href="/units">Units</Link>
          <Link href="/shelf">Shelf</Link>
          <Link href="/knowledge">Knowledge</Link>
          {props.user.role === 'owner' && <Link href="/shop">Shop</Link>}
          <Link href="/account">Account</Link>
        </Ways>
        <ThemeSwitch />
        <SignOut who={props.user} />
      </Top>
      <Filters>
        <Choice label="Due" value={only(filter, DUE)} options={DUE} onChange={setFilter} />
        <DueToday due={data?.due ?? props.due} />
        <span id="waits-for">Waits for</span>
        <Choice label="Waits for" value={only(filter, WAITS)} options={WAITS} onChange={setFilter} />
        <Choice label="Closed jobs" value={only(filter, CLOSED)} options={CLOSED} onChange={setFilter} />
      </Filters>
      <Stages id="main" tabIndex={-1} aria-label="Jobs by stage">
        {PAGES.map((stage) => {
          const column = columns.find((c) => c.stage === stage) ?? { stage, total: 0, cards: [] };
          return (
            <Column
              key={stage}
              column={column}
              plain={plain}
              question={`${words} ${filter}`}
              more={(from) => send<Columns>('GET', asked(words, filter, { stage, from }))}
              today={props.today}
              usual={props.usual[stage]}
              currency={props.currency}
            />
          );
        })}
      </Stages>
      <NewJob units={props.units} isOpen={creating} onClose={() => setCreating(false)} />
    </SignedIn>
  );
}

/** What the day asks, in a few words. */
function DueToday({ due }: { due: Due }) {
  if (due.today + due.late === 0) return <span>Nothing is due today</span>;
  const said = [due.today && `${due.today} due today`, due.late && `${due.late} late`].filter(Boolean);
  return <b data-testid="due">{said.join(', ')}</b>;
}

/** Tells the sync what the board has met: the network may be gone although nothing waits. */
function Heard({ failed, at }: { failed: boolean; at: number }) {
  const engine = useEngine();
  // What came with the page may come from this device: it says nothing of the network.
  const [since] = useState(() => Date.now());
  useEffect(() => {
    if (failed) engine?.met('offline');
    else if (at > since) engine?.met('online');
  }, [engine, failed, at, since]);
  return null;
}
