export { readSpeeds } from './speeds';
export type { SpeedReading } from './speeds';
export { reportsOf } from './measured';
