'use client';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Moon, Search, Sun } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { Input, SearchField } from 'react-aria-components';
import styled from 'styled-components';
import { STAGE_NAMES, STAGES } from '@/core/case';
import type { BoardCard, Stage } from '@/core/case';
import { send } from '@/ui/job/request';
import { Button, Mark, Shortcuts } from '@/ui/system';
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
  svg {
    position: absolute;
    left: 12px;
    top: 12px;
    color: var(--frame-soft);
    pointer-events: none;
  }
  input {
    height: 44px;
    width: 260px;
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
const Columns = styled.main`
  display: grid;
  grid-template-columns: repeat(7, minmax(176px, 1fr));
  min-height: calc(100vh - 68px);
  overflow-x: auto;
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

export function Board(props: {
  user: { name: string; role: string };
  cards: BoardCard[];
  units: { id: string; name: string; layout: string }[];
  shop: string;
  currency: string;
  today: string;
}) {
  const [words, setWords] = useState('');
  const [creating, setCreating] = useState(false);
  const search = useRef<HTMLInputElement>(null);
  const { data } = useQuery({
    queryKey: ['board', words],
    queryFn: () => send<{ cards: BoardCard[] }>('GET', `/api/jobs?q=${encodeURIComponent(words)}`),
    initialData: words ? undefined : { cards: props.cards },
    placeholderData: keepPreviousData,
    refetchInterval: 15_000,
  });
  const cards = data?.cards ?? [];
  return (
    <>
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
          <small>{cards.length} open</small>
        </h1>
        <Find aria-label="Find a job" value={words} onChange={setWords}>
          <Search size={20} aria-hidden />
          <Input ref={search} placeholder="Find: name, vehicle, words" maxLength={200} />
        </Find>
        <Button $kind="main" onPress={() => setCreating(true)}>
          New job
        </Button>
        <Link href="/units">Units</Link>
        {props.user.role === 'owner' && <Link href="/shop">Shop</Link>}
        <ThemeSwitch />
        <SignOut name={props.user.name} />
      </Top>
      <Columns aria-label="Jobs by stage">
        {SHOWN.map((stage) => {
          const here = cards.filter((c) => c.stage === stage);
          return (
            <Column key={stage} aria-label={STAGE_NAMES[stage]}>
              <h2>
                {STAGE_NAMES[stage]} <span>{here.length || ''}</span>
              </h2>
              {here.length === 0 ? (
                <Empty>{words ? 'Nothing found here.' : TEACH[stage]}</Empty>
              ) : (
                <ul>
                  {here.map((card) => (
                    <li key={card.number}>
                      <Card card={card} today={props.today} currency={props.currency} />
                    </li>
                  ))}
                </ul>
              )}
            </Column>
          );
        })}
      </Columns>
      <NewJob units={props.units} isOpen={creating} onClose={() => setCreating(false)} />
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

function SignOut({ name }: { name: string }) {
  const router = useRouter();
  return (
    <Button
      $kind="frame"
      onPress={async () => {
        await send('DELETE', '/api/session').catch(() => undefined);
        router.replace('/signin');
        router.refresh();
      }}
    >
      {name}: sign out
    </Button>
  );
}
