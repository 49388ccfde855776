export { readSpeeds } from './speeds';
export type { SpeedReading, Speeds } from './speeds';
export { reportsOf } from './measured';
