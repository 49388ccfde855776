'use client';
import * as Comlink from 'comlink';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
} from 'react';
import type { ReactNode } from 'react';
import type { Json, JobState, Stage } from '@/core/case';
import type { Knowledge } from '@/core/diagnosis';
import type { ShopTerms } from '@/core/quote';
import type { ScopeRules } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import type { Reasoner, Reasoning } from '@/workers/reason.worker';
import { JobSync } from './sync';
import type { Refusal, SaveStatus } from './sync';

export interface JobLibrary {
  unit: UnitDefinition;
  knowledge: Knowledge;
  rules: ScopeRules;
  terms: ShopTerms;
}

export interface JobUser {
  id: string;
  name: string;
  role: 'technician' | 'counter' | 'owner';
}

interface JobContextValue extends JobLibrary {
  number: number;
  user: JobUser;
  stage: Stage;
  state: JobState;
  write: (slot: string, value: Json) => void;
  writeMany: (writes: [string, Json][]) => void;
  undo: (() => void) | null;
  addPhoto: (id: string, blob: Blob) => void;
}

interface ReasoningValue {
  reasoning: Reasoning | null;
  /** Probabilities before the last change, to show what rose and fell. */
  before: Map<string, number>;
}

interface SavingValue {
  status: SaveStatus;
  refusals: Refusal[];
  dismiss: (refusal: Refusal) => void;
}

const JobContext = createContext<JobContextValue | null>(null);
// Apart from the job, so that the work is not drawn anew when only the verdict or the word "Saved" changes.
const ReasoningContext = createContext<ReasoningValue>({ reasoning: null, before: new Map() });
const SavingContext = createContext<SavingValue | null>(null);

export function useJob(): JobContextValue {
  const value = useContext(JobContext);
  if (!value) throw new Error('useJob stands outside a job.');
  return value;
}

/** What the record says so far; null until the worker has answered once. */
export function useReasoning(): ReasoningValue {
  return useContext(ReasoningContext);
}

/** How the saving goes. */
export function useSaving(): SavingValue {
  const value = useContext(SavingContext);
  if (!value) throw new Error('useSaving stands outside a job.');
  return value;
}

export interface JobStart {
  number: number;
  user: JobUser;
  stage: Stage;
  state: JobState;
  lastSeq: number;
  library: JobLibrary;
}

/** Holds one job: its record, its outbox and the worker that reasons over it. */
export function JobProvider({ start, children }: { start: JobStart; children: ReactNode }) {
  const [sync] = useState(() => new JobSync(start.number, start.user, start.state, start.lastSeq));
  const { state, status, refusals } = useSyncExternalStore(sync.subscribe, sync.read, sync.read);
  useEffect(() => {
    void sync.begin();
    return () => sync.end();
  }, [sync]);
  const verdict = useReasoner(start.library, state);
  const [past, setPast] = useState<[string, Json][][]>([]);
  const latest = useRef(state);
  useEffect(() => {
    latest.current = state;
  }, [state]);

  const writeMany = useCallback(
    (writes: [string, Json][]) => {
      const inverse = writes.map(([slot]): [string, Json] => [slot, latest.current[slot]?.value ?? null]);
      setPast((list) => [...list.slice(-99), inverse]);
      sync.writeMany(writes);
    },
    [sync],
  );
  const undo = useCallback(() => {
    const last = past.at(-1);
    if (!last) return;
    setPast(past.slice(0, -1));
    sync.writeMany(last);
  }, [past, sync]);

  const value = useMemo<JobContextValue>(
    () => ({
      ...start.library,
      number: start.number,
      user: start.user,
      stage: start.stage,
      state,
      write: (slot, v) => writeMany([[slot, v]]),
      writeMany,
      undo: past.length ? undo : null,
      addPhoto: (id, blob) => void sync.addPhoto(id, blob),
    }),
    [start, state, writeMany, past.length, undo, sync],
  );
  const saving = useMemo<SavingValue>(
    () => ({ status, refusals, dismiss: (refusal) => sync.dismiss(refusal) }),
    [status, refusals, sync],
  );
  return (
    <JobContext value={value}>
      <ReasoningContext value={verdict}>
        <SavingContext value={saving}>{children}</SavingContext>
      </ReasoningContext>
    </JobContext>
  );
}

/** Runs the worker on every new state; while it is busy only the newest state waits. */
function useReasoner(library: JobLibrary, state: JobState) {
  const [shown, setShown] = useState<ReasoningValue>({
    reasoning: null,
    before: new Map(),
  });
  const wanted = useRef(state);
  const pump = useRef<() => Promise<void>>(async () => undefined);

  useEffect(() => {
    const worker = new Worker(new URL('../../workers/reason.worker.ts', import.meta.url), { type: 'module' });
    const Remote = Comlink.wrap<typeof Reasoner>(worker);
    const ready = (async () => {
      const reasoner = await new Remote();
      await reasoner.prepare(library.unit, library.knowledge);
      return reasoner;
    })();
    let alive = true;
    let busy = false;
    let done: JobState | null = null;
    pump.current = async () => {
      if (busy) return;
      busy = true;
      const reasoner = await ready;
      while (alive && done !== wanted.current) {
        done = wanted.current;
        const reasoning = (await reasoner.reason(done)) as Reasoning;
        if (!alive) return;
        setShown((old) => ({
          reasoning,
          before: new Map((old.reasoning?.diagnosis.causes ?? []).map((c) => [c.id, c.probability])),
        }));
      }
      busy = false;
    };
    void pump.current();
    return () => {
      alive = false;
      worker.terminate();
    };
  }, [library]);

  useEffect(() => {
    wanted.current = state;
    void pump.current();
  }, [state]);
  return shown;
}
