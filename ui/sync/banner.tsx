'use client';
import styled from 'styled-components';
import { Button, drawnLater, Link } from '@/ui/system';
import { useSync } from './context';
import { useOthersWaiting } from './others-waiting';
import type { SaySlot } from './refused-list';
import { useNewVersion } from './version';
import { connectionNotice, othersWait, refusedWords } from './words';

const Strip = styled.div<{ $tone: 'quiet' | 'warn' | 'bad' }>`
  display: grid;
  gap: 8px;
  padding: 8px 24px;
  background: ${(p) => (p.$tone === 'quiet' ? 'var(--accent-wash)' : `var(--${p.$tone}-wash)`)};
  color: var(--ink);
  border-left: 8px solid ${(p) => (p.$tone === 'quiet' ? 'var(--accent)' : `var(--${p.$tone})`)};
  @media (max-width: 600px) {
    padding: 8px 14px;
  }
  > p {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 16px;
    min-height: 44px;
  }
`;

/** On the board: whose changes wait on this device beside one's own. */
export function OthersBanner({ self }: { self: string }) {
  return useOthersWaiting(self).map((person) => (
    <Strip key={person.id} $tone="quiet" role="status" data-testid="others-waiting" data-noprint>
      <p>{othersWait(person)}</p>
    </Strip>
  ));
}

/** Comes with the first change that is refused. */
const RefusedList = drawnLater(() => import('./refused-list').then((m) => m.RefusedList));

/** What a person must know of the saving, on every page: what waits, what was refused, and that a newer version is there. */
export function SyncBanner({ say = () => null }: { say?: SaySlot }) {
  const sync = useSync();
  const { aside } = sync;
  const away = connectionNotice(sync);
  const takeVersion = useNewVersion();
  return (
    <div data-noprint>
      {away && (
        <Strip $tone="warn" role="status" data-testid="offline">
          <p>
            <b>{away.title}</b>
            <span>{away.words}</span>
            {away.signIn && <Link href="/signin">Sign in again</Link>}
          </p>
        </Strip>
      )}
      {aside.length > 0 && (
        <Strip $tone="bad" role="alert" data-testid="refused">
          <b>{refusedWords(aside.length)}</b>
          <RefusedList say={say} />
        </Strip>
      )}
      {takeVersion && (
        <Strip $tone="quiet" role="status">
          <p>
            <span>A newer version of Pelvik is ready. What you typed is kept.</span>
            <Button $small onPress={takeVersion}>
              Use it now
            </Button>
          </p>
        </Strip>
      )}
    </div>
  );
}
