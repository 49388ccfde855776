'use client';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button, Line, Link, TextInput } from '@/ui/system';
import { useEngine, useSync } from './context';
import { useOthersWaiting } from './others-waiting';
import type { SetAside } from './store';
import { useNewVersion } from './version';
import { connectionNotice, othersWait, refusedWords, slotPlain } from './words';

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
const Refused = styled.li`
  display: grid;
  gap: 6px;
  padding: 8px 0;
  border-top: 1px solid var(--rule-strong);
  q {
    overflow-wrap: anywhere;
    display: -webkit-box;
    -webkit-line-clamp: 2;
    -webkit-box-orient: vertical;
    overflow: hidden;
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

/** A slot of a job in words, where the page knows its unit; null elsewhere. */
export type SaySlot = (slot: string, job: number) => string | null;

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
          <ul>
            {aside.map((item) => (
              <RefusedChange
                key={item.key}
                item={item}
                words={say(item.slot, item.job) ?? slotPlain(item.slot)}
              />
            ))}
          </ul>
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

function RefusedChange({ item, words }: { item: SetAside; words: string }) {
  const engine = useEngine();
  const text = typeof item.value === 'string' ? item.value : null;
  const [mended, setMended] = useState<string | null>(null);
  const settle = (how: 'discard' | 'again', value = item.value) =>
    void engine?.settle({ ...item, value }, how);
  return (
    <Refused>
      <span>
        <Link href={`/jobs/${item.job}`}>Job {item.job}</Link>, {words}: {item.message}
      </span>
      {mended === null ? (
        <>
          {text !== null && <q>{text}</q>}
          {item.picture && <SavePicture item={item} picture={item.picture} />}
        </>
      ) : (
        <TextInput label="Mend it" value={mended} onChange={setMended} lines={3} />
      )}
      <Line>
        {text !== null && mended === null && (
          <Button $small onPress={() => setMended(text)}>
            Mend
          </Button>
        )}
        <Button $small onPress={() => settle('again', mended ?? item.value)}>
          {mended === null ? 'Try again' : 'Send'}
        </Button>
        <Button $small $kind="quiet" onPress={() => settle('discard')}>
          Discard
        </Button>
      </Line>
    </Refused>
  );
}

/** A photo whose job is gone can be kept outside Pelvik. */
function SavePicture({ item, picture }: { item: SetAside; picture: Blob }) {
  const [address, setAddress] = useState<string>();
  useEffect(() => {
    const made = URL.createObjectURL(picture);
    setAddress(made);
    return () => URL.revokeObjectURL(made);
  }, [picture]);
  return (
    <a href={address} download={`job-${item.job}-photo.jpg`}>
      Save the photo to this device
    </a>
  );
}
