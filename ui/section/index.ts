export { UnitSection } from './drawing';
export type { DeviceMark } from './drawing';
export { marksOf } from './marks';
export type { Device } from './device';
export type { Flow, MemberState } from './flow';
export type { ElementState } from './glyph';
