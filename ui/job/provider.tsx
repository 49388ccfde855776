'use client';
import * as Comlink from 'comlink';
import { createContext, useContext, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { ReactNode } from 'react';
import { below, valueOf } from '@/core/case';
import type { Json, JobState, Quoted, Stage } from '@/core/case';
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

/** What does not change while a job's page is open. */
interface JobBench extends JobLibrary {
  number: number;
  user: JobUser;
  stage: Stage;
  /** Total of the newest quote, minor units. */
  quoted: Quoted | null;
  write: (slot: string, value: Json) => void;
  writeMany: (writes: [string, Json][]) => void;
  addPhoto: (id: string, blob: Blob) => void;
  /** The value of a slot at this moment, without following it. */
  now: <T extends Json>(slot: string) => T | undefined;
  /** A name for what is typed into a field of this job, per person. */
  keepName: (field: string) => string;
}

interface JobRecord {
  state: JobState;
  undo: (() => void) | null;
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

const BenchContext = createContext<(JobBench & { sync: JobSync }) | null>(null);
const RecordContext = createContext<JobRecord | null>(null);
// Apart from the job, so that the work is not drawn anew when only the verdict or the word "Saved" changes.
const ReasoningContext = createContext<ReasoningValue>({ reasoning: null, before: new Map() });
const SavingContext = createContext<SavingValue | null>(null);

/** What does not change while the page is open: for parts that follow single slots, not the whole record. */
export function useBench(): JobBench {
  const value = useContext(BenchContext);
  if (!value) throw new Error('useBench stands outside a job.');
  return value;
}

/** The whole job: whoever uses it is drawn anew at every write. */
export function useJob(): JobBench & JobRecord {
  const bench = useBench();
  const record = useContext(RecordContext)!;
  return { ...bench, ...record };
}

/** The value of one slot; drawn anew only when that slot changes. */
export function useSlot<T extends Json>(slot: string): T | undefined {
  const { sync } = useContext(BenchContext)!;
  const read = () => valueOf<T>(sync.read().state, slot);
  return useSyncExternalStore(sync.subscribe, read, read);
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

/** Every slot below a prefix; drawn anew only when one of them changes. */
export function useSlots<T extends Json>(prefix: string): [string, T][] {
  const { sync } = useContext(BenchContext)!;
  const last = useRef<[string, T][]>([]);
  const read = () => {
    const now = below<T>(sync.read().state, prefix);
    const before = last.current;
    const same =
      now.length === before.length && now.every(([k, v], i) => k === before[i]![0] && v === before[i]![1]);
    if (!same) last.current = now;
    return last.current;
  };
  return useSyncExternalStore(sync.subscribe, read, read);
}

export interface JobStart {
  number: number;
  user: JobUser;
  stage: Stage;
  state: JobState;
  lastSeq: number;
  quoted: Quoted | null;
  /** A `JobLibrary` as JSON: thousands of values are sent as one text in a fraction of the time. */
  library: string;
}

/** Holds one job: its record, its outbox and the worker that reasons over it. */
export function JobProvider({ start, children }: { start: JobStart; children: ReactNode }) {
  const [sync] = useState(() => new JobSync(start.number, start.user, start.state, start.lastSeq));
  const { state, status, refusals } = useSyncExternalStore(sync.subscribe, sync.read, sync.read);
  useEffect(() => {
    void sync.begin();
    return () => sync.end();
  }, [sync]);
  const library = useMemo(() => JSON.parse(start.library) as JobLibrary, [start.library]);
  const verdict = useReasoner(library, state);
  const [past, setPast] = useState<[string, Json][][]>([]);
  const bench = useMemo(() => {
    const writeMany = (writes: [string, Json][]) => {
      const now = sync.read().state;
      setPast((list) => [
        ...list.slice(-99),
        writes.map(([slot]): [string, Json] => [slot, now[slot]?.value ?? null]),
      ]);
      sync.writeMany(writes);
    };
    return {
      ...library,
      number: start.number,
      user: start.user,
      stage: start.stage,
      quoted: start.quoted,
      sync,
      writeMany,
      write: (slot: string, value: Json) => writeMany([[slot, value]]),
      addPhoto: (id: string, blob: Blob) => void sync.addPhoto(id, blob),
      now: <T extends Json>(slot: string) => valueOf<T>(sync.read().state, slot),
      keepName: (field: string) => `pelvik ${start.user.id} ${start.number} ${field}`,
    };
  }, [start, library, sync]);
  const record = useMemo<JobRecord>(
    () => ({
      state,
      undo: past.length
        ? () => {
            setPast(past.slice(0, -1));
            sync.writeMany(past.at(-1)!);
          }
        : null,
    }),
    [state, past, sync],
  );
  const saving = useMemo<SavingValue>(
    () => ({ status, refusals, dismiss: (refusal) => sync.dismiss(refusal) }),
    [status, refusals, sync],
  );
  return (
    <BenchContext value={bench}>
      <RecordContext value={record}>
        <ReasoningContext value={verdict}>
          <SavingContext value={saving}>{children}</SavingContext>
        </ReasoningContext>
      </RecordContext>
    </BenchContext>
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
