export { addDays, openDaysLater, WEEKDAYS } from './calendar';
export type { Moment } from './calendar';
export { momentIn } from './clock';
export { promiseRisk, usualReady } from './promise';
export type { PromiseRisk } from './promise';
export { answerBy, readyBy } from './ready';
export type { Ready } from './ready';
