import type { JobState } from './fold';
import { below, valueOf } from './fold';
import { furthestStage } from '@/core/stage';
import type { Stage, StageOf, StageView } from '@/core/stage';

/** What the board and the job's header show without opening the job. */
export type JobSummary = {
  customer: string;
  vehicle: string;
  complaint: string;
  promised: string | null;
  waitsFor: string | null;
  /** Stations taken out so far. */
  stationsOut: number;
};

/** "Veldt Carrow 2014", or "Bare unit". */
export function vehicleName(state: JobState): string {
  if (valueOf(state, 'vehicle.bare')) return 'Bare unit';
  const parts = ['make', 'model', 'year'].map((k) => valueOf(state, `vehicle.${k}`));
  return parts.filter((p) => p !== undefined && p !== '').join(' ') || 'Vehicle not recorded';
}

export function summaryOf(state: JobState): JobSummary {
  const text = (slot: string) => String(valueOf(state, slot) ?? '');
  return {
    customer: text('customer.name'),
    vehicle: vehicleName(state),
    complaint: text('complaint.words'),
    promised: valueOf(state, 'job.promised') ?? null,
    waitsFor: valueOf(state, 'job.waitsFor') ?? null,
    stationsOut: stationsOut(state),
  };
}

/** What the customer agreed to, or the first option of the newest quote while nothing is agreed. */
export interface Quoted {
  /** Minor units. */
  total: number;
  accepted: boolean;
  /** When it would be, or is, ready: a moment in the shop's own time. */
  readyAt: string | null;
  /** Hours of work still to be done. */
  hours: number | null;
}

/** A job as the board shows it. */
export interface BoardCard {
  number: number;
  unit: string;
  stage: Stage;
  summary: JobSummary;
  /** Stations the unit has. */
  stations: number;
  quoted: Quoted | null;
  closed: boolean;
  /** The customer accepted after it had been closed. */
  reopened: boolean;
  updatedAt: string;
}

/** A column of the board: some of its cards, and how many there are. */
export interface BoardColumn {
  stage: Stage;
  total: number;
  cards: BoardCard[];
}

type QuoteStanding = StageView['quote'];

/** A job as its stages look at it; `stations` are its unit's. */
export function stageView(
  state: JobState,
  stations: readonly { id: string }[],
  quote: QuoteStanding,
  stageOf: StageOf,
): StageView {
  return {
    quote,
    value: (slot) => valueOf(state, slot),
    any: (prefix) => below(state, prefix).length > 0,
    written: (stage) => Object.keys(state).some((slot) => stageOf(slot) === stage),
    allOut: stations.every(({ id }) => valueOf(state, `station.${id}.out`) === true),
  };
}

/** How far a job has come, from what its record holds and what became of its quotes. */
export const stageReached = (...job: Parameters<typeof stageView>): Stage => furthestStage(stageView(...job));

function stationsOut(state: JobState): number {
  return below(state, 'station.').filter(([, out]) => out === true).length;
}
