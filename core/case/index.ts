export type { Entry, Json, NewEntry } from './entry';
export {
  below,
  EMPTY_STATE,
  fold,
  FOLD_VERSION,
  recordOf,
  sameValue,
  sameValues,
  stateFromValues,
  takeIn,
  valueOf,
} from './fold';
export type { JobRecord, JobState, SlotState } from './fold';
export { clashesOf } from './clash';
export type { Clash } from './clash';
export { complaintsOf } from './complaint';
export type { Complaint } from './complaint';
export { isDonor } from './donor';
export { dangersOf } from './dangers';
export type { Danger } from './dangers';
export * from './finding';
export { upgradeCase, upgradeEntries, upgradeWrites } from './upgrade';
export type { Schema } from '@/core/format';
export { slotDocument } from './slot-document';
export { recordStage } from './slot-stage';
export * from './slots';
export * from './vocabulary';
export { caseUntil, findingsOf, stateOfCase } from './document';
export { CASE_FORMAT, caseSchema, MOST_VERSIONS } from './schema';
export type { CaseDocument, CasePhoto, CaseQuote, QuoteAnswer, QuoteStatus } from './schema';
export { stageReached, stageView, summaryOf, vehicleName } from './summary';
export type { BoardCard, BoardColumn, JobSummary, Quoted } from './summary';
export { POLICIES, POLICY_NAMES, policyWords, USUAL_POLICIES } from './policies';
export { policySchemas } from './policy-schemas';
export type { Policies, PolicyName } from './policies';
