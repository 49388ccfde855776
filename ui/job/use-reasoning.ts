'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { JobState } from '@/core/case';
import type { Experience, NextCheck, Ranking } from '@/core/diagnosis';
import type { AddedFriction } from '@/core/scope';
import type { Suspect } from '@/core/suspects';
import { WorkerClient } from '@/ui/worker/client';
import type { ReasonApi } from '@/workers/reason.worker';
import type { Change } from '@/workers/reasoner';
import type { JobLibrary } from './library';

interface Reasoning {
  diagnosis: Ranking;
  /** After the last pause in what is entered; null before the first. */
  nextChecks: NextCheck[] | null;
}

/** What somebody on the page shows: the verdict, or what to look at next as well. */
export type Wanted = 'verdict' | 'checks';

export interface ReasoningValue {
  /** Says that something is shown from now on; what it returns, that it is no more. */
  want: (what: Wanted) => () => void;
  /** Null until the worker has answered once, and for a unit it cannot judge. */
  reasoning: Reasoning | null;
  /** The unit is beyond what can be reasoned about: its jobs are recorded, and not judged. */
  beyond: boolean;
  /** Null until the worker has answered once. */
  suspects: Suspect[] | null;
  /** Packs of the unit that take one more friction; null until the worker has answered once. */
  frictions: AddedFriction[] | null;
  /** Probabilities before the last change, to show what rose and fell. */
  before: Map<string, number>;
  /** Why the verdict is not up to date; `retry` begins anew. */
  problem: string | null;
  retry: () => void;
}

/** Before the worker has answered. */
export const NOTHING_YET: Omit<ReasoningValue, 'retry' | 'want'> = {
  reasoning: null,
  beyond: false,
  suspects: null,
  frictions: null,
  before: new Map(),
  problem: null,
};

/** How long a verdict may take, ms; compiling a unit comes on top the first time. */
const LIMIT = 10_000;

/** How long nothing is entered before what to look at next is worked out anew, ms: it takes as long as the verdict. */
const PAUSE = 150;

const spawn = () =>
  new Worker(new URL('../../workers/reason.worker.ts', import.meta.url), { type: 'module' });

/** What of `next` a worker that knows `known` has not heard of. */
function changeBetween(known: JobState, next: JobState): Change {
  const set = Object.fromEntries(Object.entries(next).filter(([slot, value]) => known[slot] !== value));
  return { set, clear: Object.keys(known).filter((slot) => !(slot in next)) };
}

/**
 * Runs the worker on every new state, once there is something to reason with and somebody who shows it; while it is busy
 * only the newest waits. A failure is shown and can be tried again.
 */
export function useReasoner(
  library: JobLibrary | null,
  state: JobState,
  experience: Experience,
): ReasoningValue {
  const [shown, setShown] = useState(NOTHING_YET);
  const wanted = useRef(state);
  const pump = useRef<() => void>(() => undefined);
  /** How many show it; whoever shows the checks shows the verdict. */
  const shows = useRef<Record<Wanted, number>>({ verdict: 0, checks: 0 });
  const want = useCallback((what: Wanted) => {
    shows.current[what]++;
    pump.current();
    return () => {
      shows.current[what]--;
    };
  }, []);

  useEffect(() => {
    if (!library) return;
    const { unit, knowledge } = library;
    const client = new WorkerClient<ReasonApi>(spawn);
    let [alive, busy] = [true, false];
    let known: JobState = {};
    let done: JobState | null = null;
    let searched: JobState | null = null;
    let pause: ReturnType<typeof setTimeout> | undefined;
    const fail = (error: unknown) => {
      if (alive)
        setShown((old) => ({ ...old, problem: error instanceof Error ? error.message : String(error) }));
    };
    const work = async () => {
      if (busy || shows.current.verdict + shows.current.checks === 0) return;
      busy = true;
      clearTimeout(pause);
      try {
        while (alive && done !== wanted.current) {
          const next = wanted.current;
          const change = changeBetween(client.fresh ? {} : known, next);
          const unprepared = client.fresh;
          const verdict = await client.call(async (reasoner) => {
            if (unprepared) await reasoner.prepare(unit, knowledge, experience);
            return reasoner.reason(change);
          }, LIMIT);
          if (!alive) return;
          [known, done] = [next, next];
          const { ranking, suspects, frictions } = verdict;
          setShown((old) => ({
            reasoning: ranking && { diagnosis: ranking, nextChecks: old.reasoning?.nextChecks ?? null },
            beyond: ranking === null,
            suspects: suspects ?? old.suspects,
            frictions,
            before: new Map((old.reasoning?.diagnosis.causes ?? []).map((c) => [c.id, c.probability])),
            problem: null,
          }));
        }
        pause = setTimeout(() => void lookAhead(), PAUSE);
      } catch (error) {
        fail(error);
      } finally {
        busy = false;
      }
    };
    const lookAhead = async () => {
      if (shows.current.checks === 0 || searched === done) return;
      searched = done;
      try {
        const nextChecks = await client.call((reasoner) => reasoner.nextChecks(), LIMIT);
        if (alive && nextChecks)
          setShown((old) => ({ ...old, reasoning: old.reasoning && { ...old.reasoning, nextChecks } }));
      } catch (error) {
        // The worker was ended: it hears everything again.
        [done, searched] = [null, null];
        fail(error);
      }
    };
    pump.current = () => void work();
    pump.current();
    return () => {
      alive = false;
      clearTimeout(pause);
      client.end();
    };
  }, [library, experience]);

  useEffect(() => {
    wanted.current = state;
    pump.current();
  }, [state]);
  return useMemo(() => ({ ...shown, want, retry: () => pump.current() }), [shown, want]);
}
