export * from './schema';
export { currentFormat, moveUp } from './steps';
export type { Format } from './steps';
