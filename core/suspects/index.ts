export { healthyTable, predict, predictGear } from './predict';
export type { HealthyTable, Prediction, PredictionKind } from './predict';
export { agrees, cellLogLikelihood, gridLogLikelihood } from './fit';
export type { BehaviourTable, Complaint } from './fit';
export { singleHypotheses, slipSweep } from './hypotheses';
export { complaintsOf, suspectRanker } from './rank';
export type { Suspect } from './rank';
