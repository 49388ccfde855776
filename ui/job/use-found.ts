import { useEffect, useState } from 'react';
import { sayError, send } from '@/ui/net/request';
import type { FoundInJob } from '@/core/inspection';

const known = new Map<number, FoundInJob>();

/** What another job found, from the server; kept while the page lives, so that it is at hand without a connection. */
export function useFoundInJob(number: number | undefined): {
  found: FoundInJob | null;
  problem: string | null;
} {
  const [answer, setAnswer] = useState<{ number: number; problem: string | null } | null>(null);
  useEffect(() => {
    if (number === undefined || known.has(number)) return;
    let gone = false;
    send<FoundInJob>('GET', `/api/jobs/${number}/found`).then(
      (found) => {
        known.set(number, found);
        if (!gone) setAnswer({ number, problem: null });
      },
      (error: unknown) => {
        if (!gone) setAnswer({ number, problem: sayError(error) });
      },
    );
    return () => {
      gone = true;
    };
  }, [number]);
  return {
    found: (number !== undefined && known.get(number)) || null,
    problem: answer && answer.number === number ? answer.problem : null,
  };
}
