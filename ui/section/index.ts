export { UnitStrip } from './drawing';
export type { DeviceMark } from './drawing';
export { marksOf } from './marks';
export type { Device } from './device';
