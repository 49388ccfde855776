export { furthestStage, isStage, lackingAt, PAGES, STAGE, STAGES } from './stages';
export type { Stage, StageOf } from './stages';
export type { StageView } from './descriptor';
export { ROLES } from './role';
export type { Role } from './role';
