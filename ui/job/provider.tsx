'use client';
import { createContext, useContext, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { ReactNode } from 'react';
import { below, valueOf } from '@/core/case';
import type { Experience } from '@/core/diagnosis';
import type { Clash, Json, JobState, Quoted, ValueAt, ValueBelow } from '@/core/case';
import type { Stage } from '@/core/stage';
import type { Who } from '@/ui/sync/browser';
import { SyncProvider, useEngine } from '@/ui/sync/context';
import { typedName } from '@/ui/sync/left';
import { transportOf } from '@/ui/sync/transport';
import type { SyncEngine } from '@/ui/sync/engine';
import { JobView } from '@/ui/sync/view';
import type { ViewState } from '@/ui/sync/view';
import { useLibrary } from './library';
import type { JobLibrary, Opening } from './library';
import { NOTHING_YET, useReasoner } from './use-reasoning';
import type { ReasoningValue, Wanted } from './use-reasoning';

interface JobUser extends Who {
  role: 'technician' | 'counter' | 'owner';
}

/** What does not change while a job's page is open. */
interface JobBase {
  number: number;
  user: JobUser;
  stage: Stage;
  unitName: string;
  /** ISO 4217. */
  currency: string;
  /** Total of the newest quote, minor units. */
  quoted: Quoted | null;
  closed: boolean;
  /** The shop's own closed jobs of this unit. */
  experience: Experience;
  write: (slot: string, value: Json) => void;
  writeMany: (writes: [string, Json][]) => void;
  addPhoto: (id: string, blob: Blob) => void;
  /** The value of a slot at this moment, without following it. */
  now: <S extends string>(slot: S) => ValueAt<S> | undefined;
  /** A name for what is typed into a field of this job, per person. */
  keepName: (field: string) => string;
}

/** The same, with what the work is done with. */
interface JobBench extends JobBase, JobLibrary {}

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

const BaseContext = createContext<(JobBase & { source: Source }) | null>(null);
const OpeningContext = createContext<Opening>({ library: null, problem: null, retry: () => undefined });
const BenchContext = createContext<JobBench | null>(null);
const RecordContext = createContext<JobRecord | null>(null);
// Apart from the job, so that the work is not drawn anew when only the verdict or the word "Saved" changes.
const ReasoningContext = createContext<ReasoningValue>({
  ...NOTHING_YET,
  want: () => () => undefined,
  retry: () => undefined,
});
const ClashContext = createContext<ClashValue>({ clashes: [], dismiss: () => undefined });

/** What is there from the first moment, also where the library is still on its way. */
export function useBase(): JobBase {
  const value = useContext(BaseContext);
  if (!value) throw new Error('useBase stands outside a job.');
  return value;
}

/** Null while the library is on its way. */
export function useBenchOnceThere(): JobBench | null {
  return useContext(BenchContext);
}

/** How the library comes, and why it did not, when it did not. */
export function useOpening(): Opening {
  return useContext(OpeningContext);
}

/** What does not change while the page is open: for parts that follow single slots, not the whole record. */
export function useBench(): JobBench {
  const value = useContext(BenchContext);
  if (!value) throw new Error('useBench stands outside a job, or before its library.');
  return value;
}

export function useRecord(): JobRecord {
  return useContext(RecordContext)!;
}

/** The whole job: whoever uses it is drawn anew at every write. */
export function useJob(): JobBench & JobRecord {
  return { ...useBench(), ...useRecord() };
}

/** The value of one slot; drawn anew only when that slot changes. */
export function useSlot<S extends string>(slot: S): ValueAt<S> | undefined {
  const { source } = useContext(BaseContext)!;
  const read = () => valueOf(source.read().state, slot);
  return useSyncExternalStore(source.subscribe, read, read);
}

/** What the record says so far; null until the worker has answered once. It is worked out while somebody uses it. */
export function useReasoning(what: Wanted = 'verdict'): ReasoningValue {
  const value = useContext(ReasoningContext);
  const { want } = value;
  useEffect(() => want(what), [want, what]);
  return value;
}

/** Slots two people wrote without knowing of each other. */
export function useClashes(): ClashValue {
  return useContext(ClashContext);
}

/** Every slot below a prefix; drawn anew only when one of them changes. */
export function useSlots<P extends string>(prefix: P): [string, ValueBelow<P>][] {
  const { source } = useContext(BaseContext)!;
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
  /** The job's own id: numbers may be given again after a backup was brought back. */
  id: string;
  user: JobUser;
  stage: Stage;
  state: JobState;
  lastSeq: number;
  quoted: Quoted | null;
  closed: boolean;
  unitName: string;
  currency: string;
  experience: Experience;
  /** Where the `JobLibrary` stands. */
  library: string;
}

/** Holds one job: its record, the person's sync and the worker that reasons over it. */
export function JobProvider({ start, children }: { start: JobStart; children: ReactNode }) {
  return (
    <SyncProvider who={start.user}>
      <Opened start={start}>{children}</Opened>
    </SyncProvider>
  );
}

function Opened({ start, children }: { start: JobStart; children: ReactNode }) {
  return (
    <JobWith start={start} opening={useLibrary(start.library)}>
      {children}
    </JobWith>
  );
}

const never = () => () => undefined;

function viewOf(engine: SyncEngine, start: JobStart): JobView {
  const { number, id, user, state, lastSeq } = start;
  const view = new JobView(
    engine,
    transportOf(user.id),
    number,
    user,
    { id, generation: user.generation },
    state,
    lastSeq,
  );
  view.onRestored = () => location.reload();
  return view;
}

/** A job with its library, as far as that is there. */
export function JobWith({
  start,
  opening,
  children,
}: {
  start: JobStart;
  opening: Opening;
  children: ReactNode;
}) {
  const { library } = opening;
  const engine = useEngine();
  const [view] = useState(() => (engine ? viewOf(engine, start) : null));
  const source = useMemo<Source>(() => {
    const first: ViewState = { state: start.state, clashes: [] };
    return view ?? { read: () => first, subscribe: never };
  }, [view, start.state]);
  const { state, clashes } = useSyncExternalStore(source.subscribe, source.read, source.read);
  useEffect(() => {
    void view?.begin();
    return () => view?.end();
  }, [view]);
  // What the page began with: jobs closed meanwhile do not turn its verdict over.
  const [experience] = useState(start.experience);
  const verdict = useReasoner(library, state, experience);
  const [past, setPast] = useState<[string, Json][][]>([]);
  const base = useMemo(() => {
    const writeMany = (writes: [string, Json][]) => {
      const now = source.read().state;
      setPast((list) => [
        ...list.slice(-99),
        writes.map(([slot]): [string, Json] => [slot, now[slot]?.value ?? null]),
      ]);
      view?.write(writes);
    };
    return {
      number: start.number,
      user: start.user,
      stage: start.stage,
      quoted: start.quoted,
      closed: start.closed,
      experience,
      unitName: start.unitName,
      currency: start.currency,
      source,
      writeMany,
      write: (slot: string, value: Json) => writeMany([[slot, value]]),
      addPhoto: (id: string, blob: Blob) => void engine?.addPhoto(start.number, id, blob, view?.of),
      now: <S extends string>(slot: S) => valueOf(source.read().state, slot),
      keepName: (field: string) => typedName(start.user.id, `${start.number} ${field}`),
    };
  }, [start, source, view, engine, experience]);
  const bench = useMemo(() => library && { ...base, ...library }, [base, library]);
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
    <BaseContext value={base}>
      <OpeningContext value={opening}>
        <BenchContext value={bench}>
          <RecordContext value={record}>
            <ReasoningContext value={verdict}>
              <ClashContext value={clashing}>{children}</ClashContext>
            </ReasoningContext>
          </RecordContext>
        </BenchContext>
      </OpeningContext>
    </BaseContext>
  );
}
