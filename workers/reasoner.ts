import type { Complaint, JobState, SlotState } from '@/core/case';
import { shopRanker } from '@/core/diagnosis';
import type { Experience, Knowledge, NextCheck, Ranked, Ranking } from '@/core/diagnosis';
import { TooLarge } from '@/core/inference';
import { reportsOf } from '@/core/roadtest';
import { moreFrictions } from '@/core/scope';
import type { AddedFriction } from '@/core/scope';
import { suspectRanker } from '@/core/suspects';
import type { Suspect } from '@/core/suspects';
import type { UnitDefinition } from '@/core/unit';
import { inSlices } from './slices';

/** What of a job's record is new to the worker. */
export interface Change {
  set: Record<string, SlotState>;
  clear: string[];
}

/** What a job's record says, worked out; `suspects` is null where the grid, and so they, are as before. */
export interface Verdict {
  /** Null: the unit is beyond what can be reasoned about. */
  ranking: Ranking | null;
  suspects: Suspect[] | null;
  /** Packs of the unit that take one more friction. */
  frictions: AddedFriction[];
}

/** Compiles a unit once, keeps the job's state, and reasons over it away from the page's own thread. */
export class Reasoner {
  private judge!: (state: JobState) => Ranked;
  private ranked: Ranked | null = null;
  /** The unit's model was too large once: it is not tried again at every change. */
  private beyond = false;
  private unit!: UnitDefinition;
  private rank!: ReturnType<typeof suspectRanker>;
  private state: Record<string, SlotState> = {};
  private grid = '';
  private frictions: AddedFriction[] = [];

  prepare(unit: UnitDefinition, knowledge: Knowledge, experience: Experience): void {
    this.unit = unit;
    this.judge = shopRanker(unit, knowledge, experience);
    this.rank = suspectRanker(unit, knowledge.behaviour, 12);
    this.frictions = moreFrictions(unit);
  }

  reason({ set, clear }: Change): Verdict {
    Object.assign(this.state, set);
    for (const slot of clear) delete this.state[slot];
    const complaints: Complaint[] = reportsOf(this.unit, this.state);
    const grid = `grid ${JSON.stringify(complaints)}`;
    const same = grid === this.grid;
    this.grid = grid;
    this.ranked = this.judged();
    return {
      ranking: this.ranked?.ranking ?? null,
      suspects: same ? null : this.rank(complaints),
      frictions: this.frictions,
    };
  }

  private judged(): Ranked | null {
    if (this.beyond) return null;
    try {
      return this.judge(this.state);
    } catch (error) {
      if (!(error instanceof TooLarge)) throw error;
      this.beyond = true;
      return null;
    }
  }

  /** What tells most next, after the last change; null when another came while it was being searched. */
  async nextChecks(): Promise<NextCheck[] | null> {
    const { ranked } = this;
    if (!ranked) return null;
    return inSlices(ranked.nextChecks(), () => this.ranked !== ranked);
  }
}
