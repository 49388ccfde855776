export * from './types';
export * from './equipment';
export * from './lookup';
export * from './roles';
export * from './words';
export { blankUnit } from './blank';
export * from './draft';
export { removeElement, removeGearset, tidy } from './tidy';
export type { UnitKey, UnitSummary } from './summary';
