'use client';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button, Line, Link, TextInput } from '@/ui/system';
import { useEngine, useSync } from './context';
import type { SetAside } from './store';
import { slotPlain } from './words';

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

/** A slot of a job in words, where the page knows its unit; null elsewhere. */
export type SaySlot = (slot: string, job: number) => string | null;

/** What was not taken, each with what can be done about it: mended, tried again, discarded. */
export function RefusedList({ say }: { say: SaySlot }) {
  const { aside } = useSync();
  return (
    <ul>
      {aside.map((item) => (
        <RefusedChange key={item.key} item={item} words={say(item.slot, item.job) ?? slotPlain(item.slot)} />
      ))}
    </ul>
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
