'use client';
import { createContext, useContext, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { ReactNode } from 'react';
import { below, valueOf } from '@/core/case';
import type { Clash, Json, JobState, Quoted, Stage, ValueAt, ValueBelow } from '@/core/case';
import type { Knowledge } from '@/core/diagnosis';
import type { ShopTerms } from '@/core/quote';
import type { ScopeRules } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import { SyncProvider, useEngine } from '@/ui/sync/context';
import { transport } from '@/ui/sync/transport';
import { JobView } from '@/ui/sync/view';
import type { ViewState } from '@/ui/sync/view';
import { useReasoner } from './use-reasoning';
import type { ReasoningValue } from './use-reasoning';

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
  closed: boolean;
  write: (slot: string, value: Json) => void;
  writeMany: (writes: [string, Json][]) => void;
  addPhoto: (id: string, blob: Blob) => void;
  /** The value of a slot at this moment, without following it. */
  now: <S extends string>(slot: S) => ValueAt<S> | undefined;
  /** A name for what is typed into a field of this job, per person. */
  keepName: (field: string) => string;
}

interface JobRecord {
  state: JobState;
  undo: (() => void) | null;
}

interface ClashValue {
  clashes: readonly Clash[];
  dismiss: (clash: Clash) => void;
}

/** What a page reads a job's record from. */
interface Source {
  read: () => ViewState;
  subscribe: (subscriber: () => void) => () => void;
}

const BenchContext = createContext<(JobBench & { source: Source }) | null>(null);
const RecordContext = createContext<JobRecord | null>(null);
// Apart from the job, so that the work is not drawn anew when only the verdict or the word "Saved" changes.
const ReasoningContext = createContext<ReasoningValue>({
  reasoning: null,
  before: new Map(),
  problem: null,
  retry: () => undefined,
});
const ClashContext = createContext<ClashValue>({ clashes: [], dismiss: () => undefined });

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
export function useSlot<S extends string>(slot: S): ValueAt<S> | undefined {
  const { source } = useContext(BenchContext)!;
  const read = () => valueOf(source.read().state, slot);
  return useSyncExternalStore(source.subscribe, read, read);
}

/** What the record says so far; null until the worker has answered once. */
export function useReasoning(): ReasoningValue {
  return useContext(ReasoningContext);
}

/** Slots two people wrote without knowing of each other. */
export function useClashes(): ClashValue {
  return useContext(ClashContext);
}

/** Every slot below a prefix; drawn anew only when one of them changes. */
export function useSlots<P extends string>(prefix: P): [string, ValueBelow<P>][] {
  const { source } = useContext(BenchContext)!;
  const last = useRef<[string, ValueBelow<P>][]>([]);
  const read = () => {
    const now = below(source.read().state, prefix);
    const before = last.current;
    const same =
      now.length === before.length && now.every(([k, v], i) => k === before[i]![0] && v === before[i]![1]);
    if (!same) last.current = now;
    return last.current;
  };
  return useSyncExternalStore(source.subscribe, read, read);
}

export interface JobStart {
  number: number;
  user: JobUser;
  stage: Stage;
  state: JobState;
  lastSeq: number;
  quoted: Quoted | null;
  closed: boolean;
  /** A `JobLibrary` as JSON: thousands of values are sent as one text in a fraction of the time. */
  library: string;
}

/** Holds one job: its record, the person's sync and the worker that reasons over it. */
export function JobProvider({ start, children }: { start: JobStart; children: ReactNode }) {
  return (
    <SyncProvider userId={start.user.id}>
      <OneJob start={start}>{children}</OneJob>
    </SyncProvider>
  );
}

const never = () => () => undefined;

function OneJob({ start, children }: { start: JobStart; children: ReactNode }) {
  const engine = useEngine();
  const [view] = useState(() =>
    engine ? new JobView(engine, transport, start.number, start.user, start.state, start.lastSeq) : null,
  );
  const source = useMemo<Source>(() => {
    const first: ViewState = { state: start.state, clashes: [] };
    return view ?? { read: () => first, subscribe: never };
  }, [view, start.state]);
  const { state, clashes } = useSyncExternalStore(source.subscribe, source.read, source.read);
  useEffect(() => {
    void view?.begin();
    return () => view?.end();
  }, [view]);
  const library = useMemo(() => JSON.parse(start.library) as JobLibrary, [start.library]);
  const verdict = useReasoner(library.unit, library.knowledge, state);
  const [past, setPast] = useState<[string, Json][][]>([]);
  const bench = useMemo(() => {
    const writeMany = (writes: [string, Json][]) => {
      const now = source.read().state;
      setPast((list) => [
        ...list.slice(-99),
        writes.map(([slot]): [string, Json] => [slot, now[slot]?.value ?? null]),
      ]);
      view?.write(writes);
    };
    return {
      ...library,
      number: start.number,
      user: start.user,
      stage: start.stage,
      quoted: start.quoted,
      closed: start.closed,
      source,
      writeMany,
      write: (slot: string, value: Json) => writeMany([[slot, value]]),
      addPhoto: (id: string, blob: Blob) => void engine?.addPhoto(start.number, id, blob),
      now: <S extends string>(slot: S) => valueOf(source.read().state, slot),
      keepName: (field: string) => `pelvik ${start.user.id} ${start.number} ${field}`,
    };
  }, [start, library, source, view, engine]);
  const record = useMemo<JobRecord>(
    () => ({
      state,
      undo: past.length
        ? () => {
            setPast(past.slice(0, -1));
            view?.write(past.at(-1)!);
          }
        : null,
    }),
    [state, past, view],
  );
  const clashing = useMemo<ClashValue>(
    () => ({ clashes, dismiss: (clash) => view?.dismiss(clash) }),
    [clashes, view],
  );
  return (
    <BenchContext value={bench}>
      <RecordContext value={record}>
        <ReasoningContext value={verdict}>
          <ClashContext value={clashing}>{children}</ClashContext>
        </ReasoningContext>
      </RecordContext>
    </BenchContext>
  );
}
