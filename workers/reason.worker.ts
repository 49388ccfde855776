import * as Comlink from 'comlink';
import type { JobState } from '@/core/case';
import { diagnoser } from '@/core/diagnosis';
import type { Diagnosis, Knowledge } from '@/core/diagnosis';
import { complaintsOf, suspectRanker } from '@/core/suspects';
import type { Suspect } from '@/core/suspects';
import type { UnitDefinition } from '@/core/unit';

/** What a job's record says, worked out: suspects from the grid alone, causes from everything. */
export interface Reasoning {
  diagnosis: Diagnosis;
  suspects: Suspect[];
  milliseconds: number;
}

/** Compiles a unit once and reasons over states away from the page's own thread. */
export class Reasoner {
  private diagnose!: (state: JobState) => Diagnosis;
  private rank!: ReturnType<typeof suspectRanker>;

  prepare(unit: UnitDefinition, knowledge: Knowledge): void {
    this.diagnose = diagnoser(unit, knowledge);
    this.rank = suspectRanker(unit, knowledge.behaviour, 12);
  }

  reason(state: JobState): Reasoning {
    const started = performance.now();
    const diagnosis = this.diagnose(state);
    const suspects = this.rank(complaintsOf(state));
    return { diagnosis, suspects, milliseconds: performance.now() - started };
  }
}

Comlink.expose(Reasoner);
