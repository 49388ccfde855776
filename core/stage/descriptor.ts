import type { Role } from './role';

/** What is asked of a job to say how far it has come and what it lacks. */
export interface StageView {
  quote: 'none' | 'open' | 'accepted';
  value(slot: string): unknown;
  /** Whether anything stands below a prefix (`grid.`). */
  any(prefix: string): boolean;
  /** Whether anything was written that belongs to a stage. */
  written(stage: string): boolean;
  /** Every station is taken out. */
  allOut: boolean;
}

/** Something a stage is not done without. */
export interface Lack {
  words: string;
  lacks(job: StageView): boolean;
}

/** All there is to know of a stage of the work, but for its page (`app/jobs/[number]/ID/page.tsx`) and its slots. */
export interface StageDescriptor {
  id: string;
  name: string;
  /** Who may write what belongs to it; everybody may read it. */
  writers: readonly Role[];
  /** It has a page: a place in the rail, a column on the board, a key, and a copy kept for work without the network. */
  page: boolean;
  /** The diagnosis stands beside its page. */
  diagnosis: boolean;
  /** Its page says itself what is still to do. */
  saysLacks: boolean;
  /** Open days a job usually still needs from here on, before anybody has priced it. */
  daysLeft: number;
  /** Whether a job has come this far; the last stage that says so is the job's. */
  reached(job: StageView): boolean;
  lacks: readonly Lack[];
}
