export { compareRecords } from './compare';
export type { Compared } from './compare';
export { responsibilityOf } from './responsibility';
export type { EarlierWork, Party, Responsibility, Why } from './responsibility';
export type { Comeback } from './comeback';
