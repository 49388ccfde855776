export { UnitStrip } from './strip';
export type { DeviceMark } from './strip';
export { marksOf } from './marks';
export type { Device } from './device';
