import * as Comlink from 'comlink';
import { suspectRanker } from '@/core/suspects';
import type { BehaviourTable, Complaint, Suspect } from '@/core/suspects';
import type { UnitDefinition } from '@/core/unit';

/** Ranks faults by how well they fit a grid, away from the page's own thread. */
function rank(unit: UnitDefinition, table: BehaviourTable, complaints: Complaint[]): Suspect[] {
  return suspectRanker(unit, table, 12)(complaints);
}

export type RankingWorker = typeof rank;

Comlink.expose(rank);
