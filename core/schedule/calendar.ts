/** A moment in the shop's own time: `YYYY-MM-DDTHH:MM`. No time zones, no clock: it is passed in. */
export type Moment = string;

export const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
export type Weekday = (typeof WEEKDAYS)[number];

/** When a shop is open. */
export interface Calendar {
  /** `HH:MM`; null: closed that day. */
  opening: Record<Weekday, { from: string; to: string } | null>;
  /** Closed besides, `YYYY-MM-DD`. */
  holidays: readonly string[];
}

/** Days looked ahead at most: a calendar that never opens is an error, not a loop. */
const MOST_DAYS = 3650;

const HALF_HOUR = 30;

const dayOf = (moment: Moment) => moment.slice(0, 10);
const minutesOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));
const timeOf = (minutes: number) =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;

/** Days later by the calendar. Throws a RangeError for what is no date. */
export function addDays(date: string, days: number): string {
  const day = new Date(`${date}T00:00:00Z`);
  if (Number.isNaN(day.getTime())) throw new RangeError(`"${date}" is not a date (YYYY-MM-DD).`);
  day.setUTCDate(day.getUTCDate() + days);
  return day.toISOString().slice(0, 10);
}

export function weekdayOf(date: string): Weekday {
  return WEEKDAYS[(new Date(`${date}T00:00:00Z`).getUTCDay() + 6) % 7]!;
}

/** Opening time of a day in minutes after midnight, or null where the shop is closed. */
function hoursOf({ opening, holidays }: Calendar, date: string): { from: number; to: number } | null {
  const day = opening[weekdayOf(date)];
  if (!day || holidays.includes(date)) return null;
  const [from, to] = [minutesOf(day.from), minutesOf(day.to)];
  return to > from ? { from, to } : null;
}

export const isOpenOn = (calendar: Calendar, date: string) => hoursOf(calendar, date) !== null;

/** This moment while the shop is open, else the next opening. Throws a RangeError where it never opens. */
export function nextOpen(calendar: Calendar, moment: Moment): Moment {
  let date = dayOf(moment);
  let minute = minutesOf(moment.slice(11));
  for (let k = 0; k < MOST_DAYS; k++) {
    const hours = hoursOf(calendar, date);
    if (hours && minute < hours.to) return `${date}T${timeOf(Math.max(minute, hours.from))}`;
    date = addDays(date, 1);
    minute = 0;
  }
  throw new RangeError('The shop is never open: set its opening hours.');
}

/** The moment after so many open hours, at the latest minute they reach: the end of a day, not the next morning. */
export function addOpenHours(calendar: Calendar, from: Moment, hours: number): Moment {
  let moment = nextOpen(calendar, from);
  let left = Math.round(Math.max(0, hours) * 60);
  for (;;) {
    const date = dayOf(moment);
    const start = minutesOf(moment.slice(11));
    const { to } = hoursOf(calendar, date)!;
    if (start + left <= to) return `${date}T${timeOf(start + left)}`;
    left -= to - start;
    moment = nextOpen(calendar, `${addDays(date, 1)}T00:00`);
  }
}

/** The opening so many open days later: the day itself, or the next open one, is none. */
export function openDaysLater(calendar: Calendar, from: Moment, days: number): Moment {
  let moment = nextOpen(calendar, from);
  for (let left = days; left > 0; left--) moment = openingAfter(calendar, moment, 1);
  return moment;
}

/** The next full half hour, or closing time where that comes first: a time one can promise. */
export function roundUp(calendar: Calendar, moment: Moment): Moment {
  const hours = hoursOf(calendar, dayOf(moment));
  const next = Math.ceil(minutesOf(moment.slice(11)) / HALF_HOUR) * HALF_HOUR;
  return `${dayOf(moment)}T${timeOf(hours ? Math.min(next, hours.to) : next)}`;
}

/** The opening of the first open day that is so many days later, or after it. */
export function openingAfter(calendar: Calendar, from: Moment, days: number): Moment {
  return days <= 0 ? nextOpen(calendar, from) : nextOpen(calendar, `${addDays(dayOf(from), days)}T00:00`);
}
