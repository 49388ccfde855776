import { EMPTY_STATE, fold, stateFromValues } from './fold';
import type { JobState } from './fold';
import type { Stage, StageOf } from '@/core/stage';
import type { CaseDocument, CaseFinding } from './schema';

/** The state a case describes: its history folded, or its findings when it has none. */
export function stateOfCase(document: CaseDocument): JobState {
  if (document.history) return fold(EMPTY_STATE, document.history);
  return stateFromValues(Object.fromEntries(document.findings.map((f) => [f.slot, f.value])));
}

/** The findings of a state, in slot order, each with its stage. */
export function findingsOf(state: JobState, stageOf: StageOf): CaseFinding[] {
  return Object.keys(state)
    .sort()
    .map((slot) => ({ slot, value: state[slot]!.value, stage: stageOf(slot) }));
}

/** A case without what was found after `stage`; a finding's own stage goes before its slot's. */
export function caseUntil(
  document: CaseDocument,
  stage: Stage,
  order: readonly Stage[],
  stageOf: StageOf,
): CaseDocument {
  const last = order.indexOf(stage);
  const keep = (slot: string, own?: Stage) => order.indexOf(own ?? stageOf(slot)) <= last;
  const own = new Map(document.findings.map((f) => [f.slot, f.stage]));
  return {
    ...document,
    findings: document.findings.filter((f) => keep(f.slot, f.stage)),
    history: document.history?.filter((e) => keep(e.slot, own.get(e.slot))),
  };
}
