'use client';
import { useEffect, useState } from 'react';
import { waitingHere } from './people-here';
import type { WaitingHere } from './people-here';

/** Whose changes wait on this device, but for one person's. */
export function useOthersWaiting(except: string | null): WaitingHere[] {
  const [others, setOthers] = useState<WaitingHere[]>([]);
  useEffect(() => {
    let alive = true;
    const look = () =>
      void waitingHere(except).then(
        (found) => alive && setOthers(found),
        // A browser that keeps nothing has nothing waiting.
        () => undefined,
      );
    look();
    document.addEventListener('visibilitychange', look);
    return () => {
      alive = false;
      document.removeEventListener('visibilitychange', look);
    };
  }, [except]);
  return others;
}
