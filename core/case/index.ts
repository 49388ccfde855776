export type { Entry, Json, NewEntry } from './entry';
export { below, EMPTY_STATE, fold, FOLD_VERSION, stateFromValues, valueOf } from './fold';
export type { JobState, SlotState } from './fold';
export { isStage, STAGE_NAMES, STAGES } from './stage';
export type { Stage } from './stage';
export * from './slots';
export { CASE_FORMAT, caseUntil, findingsOf, stateOfCase } from './document';
export type { CaseDocument, CaseFinding, CasePhoto, CaseQuote } from './document';
