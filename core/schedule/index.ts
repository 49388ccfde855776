export { addDays, addOpenHours, isOpenOn, nextOpen, openingAfter, WEEKDAYS, weekdayOf } from './calendar';
export type { Calendar, Moment, Weekday } from './calendar';
export { answerBy, readyBy } from './ready';
export type { Capacity, Ready, WorkLeft } from './ready';
