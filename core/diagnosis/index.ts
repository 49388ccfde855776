export { DETERMINED_AT, diagnoser } from './diagnose';
export type { Cause, Diagnosis } from './diagnose';
export type { Evidence } from './ledger';
export { chainWords } from './chain';
export type { ChainStep } from './chain';
export type { Check, NextCheck } from './checks';
export type { Group } from './groups';
export type { Upstream } from './upstream';
export type { CausalKnowledge, Knowledge } from './knowledge';
