export { faultKey, faultName, singleFaults } from './fault';
export type { Fault } from './fault';
export { coastBehaviour, gearOutcome, solveGear, turbineTorque } from './solve';
export type { GearOutcome, GearSolution, Outcome, ParkPawl } from './solve';
export { capacity, explainTieUp, fullPressure, marginOrder, margins } from './capacity';
export type { Margin, MarginConditions, TieUp } from './capacity';
