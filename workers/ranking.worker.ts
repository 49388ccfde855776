import * as Comlink from 'comlink';
import type { Complaint } from '@/core/case';
import { suspectRanker } from '@/core/suspects';
import type { BehaviourTable, Suspect } from '@/core/suspects';
import type { UnitDefinition } from '@/core/unit';

/** Ranks faults by how well they fit a grid, away from the page's own thread. */
const api = {
  rank: (unit: UnitDefinition, table: BehaviourTable, complaints: Complaint[]): Suspect[] =>
    suspectRanker(unit, table, 12)(complaints),
};
export type RankingApi = typeof api;

Comlink.expose(api);
