'use client';
import { useSyncExternalStore } from 'react';
import { momentWords } from '@/core/shop';

const never = () => () => undefined;

/** A moment in the reader's own time; the server, which does not know it, writes UTC first. */
export function Moment({ at }: { at: string }) {
  const local = useSyncExternalStore(never, isHere, isElsewhere);
  return (
    <time dateTime={at}>
      {local ? momentWords(at, Intl.DateTimeFormat().resolvedOptions().timeZone) : momentWords(at)}
    </time>
  );
}

const isHere = () => true;
const isElsewhere = () => false;
