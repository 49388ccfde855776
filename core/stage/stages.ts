import type { Lack, StageDescriptor, StageView } from './descriptor';
import { ROLES } from './role';
import type { Role } from './role';

const unset = (slot: string) => (job: StageView) => job.value(slot) === undefined;
const none = (prefix: string) => (job: StageView) => !job.any(prefix);
const onVehicle =
  (lacks: Lack['lacks']): Lack['lacks'] =>
  (job) =>
    !job.value('vehicle.bare') && lacks(job);

const EVERYBODY: readonly Role[] = ROLES;
/** Findings and causes are the bench's to write, what the customer pays is the counter's. */
const BENCH: readonly Role[] = ['technician', 'owner'];
const COUNTER: readonly Role[] = ['counter', 'owner'];

/** The stages of a job in the order of the work. */
const LIST = [
  {
    id: 'intake',
    name: 'Intake',
    writers: EVERYBODY,
    page: true,
    diagnosis: false,
    saysLacks: false,
    daysLeft: 6,
    reached: () => true,
    lacks: [
      { words: 'who brings it', lacks: unset('customer.name') },
      { words: 'the vehicle, or that there is none', lacks: onVehicle(unset('vehicle.make')) },
      { words: 'the complaint in words', lacks: unset('complaint.words') },
      { words: 'the complaint grid', lacks: onVehicle(none('grid.')) },
      { words: 'whether codes were scanned', lacks: unset('codes.scan') },
    ],
  },
  {
    id: 'suspects',
    name: 'Suspects',
    writers: EVERYBODY,
    page: true,
    diagnosis: true,
    saysLacks: false,
    daysLeft: 6,
    reached: (job) => job.any('grid.'),
    lacks: [{ words: 'fill the complaint grid at Intake', lacks: none('grid.') }],
  },
  {
    id: 'teardown',
    name: 'Teardown',
    writers: BENCH,
    page: true,
    diagnosis: true,
    saysLacks: true,
    daysLeft: 5,
    reached: (job) => job.written('teardown'),
    lacks: [{ words: 'stations still in the case', lacks: (job) => !job.allOut }],
  },
  {
    id: 'cause',
    name: 'Cause',
    writers: BENCH,
    page: true,
    diagnosis: true,
    saysLacks: false,
    daysLeft: 4,
    reached: (job) => job.any('station.') && job.allOut,
    lacks: [{ words: 'commit a cause, or that it is not determined', lacks: unset('cause.commit') }],
  },
  {
    id: 'scope',
    name: 'Scope',
    writers: EVERYBODY,
    page: true,
    diagnosis: true,
    saysLacks: false,
    daysLeft: 4,
    reached: (job) => !!job.value('cause.commit') || job.written('scope'),
    lacks: [{ words: 'the cause the scope stands on', lacks: unset('cause.commit') }],
  },
  {
    id: 'quote',
    name: 'Quote',
    writers: COUNTER,
    page: true,
    diagnosis: false,
    saysLacks: false,
    daysLeft: 4,
    reached: (job) => job.quote !== 'none',
    lacks: [],
  },
  {
    id: 'build',
    name: 'Build',
    writers: EVERYBODY,
    page: true,
    diagnosis: false,
    saysLacks: false,
    daysLeft: 2,
    reached: (job) => job.quote === 'accepted',
    lacks: [],
  },
  {
    id: 'release',
    name: 'Release',
    writers: BENCH,
    page: false,
    diagnosis: false,
    saysLacks: false,
    daysLeft: 1,
    reached: () => false,
    lacks: [],
  },
] as const satisfies readonly StageDescriptor[];

export type Stage = (typeof LIST)[number]['id'];

/** The stage a slot belongs to: its point's where it holds a finding. */
export type StageOf = (slot: string) => Stage;

export const STAGES: readonly Stage[] = LIST.map((s) => s.id);

export const STAGE = Object.fromEntries(LIST.map((s) => [s.id, s])) as unknown as Readonly<
  Record<Stage, StageDescriptor>
>;

/** Those there is a page for, in order. */
export const PAGES: readonly Stage[] = STAGES.filter((s) => STAGE[s].page);

export function isStage(value: string): value is Stage {
  return (STAGES as readonly string[]).includes(value);
}

/** How far a job has come. */
export function furthestStage(job: StageView): Stage {
  return STAGES.findLast((s) => STAGE[s].reached(job)) ?? STAGES[0]!;
}

/** What a stage lacks before it can be called done, in words. */
export function lackingAt(stage: Stage, job: StageView): string[] {
  return STAGE[stage].lacks.filter((l) => l.lacks(job)).map((l) => l.words);
}
