export {
  addDays,
  addOpenHours,
  isOpenOn,
  nextOpen,
  openDaysLater,
  openingAfter,
  WEEKDAYS,
  weekdayOf,
} from './calendar';
export type { Calendar, Moment, Weekday } from './calendar';
export { momentIn } from './clock';
export { promiseRisk, usualReady } from './promise';
export type { PromiseRisk } from './promise';
export { answerBy, readyBy } from './ready';
export type { Capacity, Ready, WorkLeft } from './ready';
