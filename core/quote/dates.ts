/** Calendar dates as `YYYY-MM-DD`; no time zones, no clock: the day is passed in. */

/** How the shop writes dates. */
export const LOCALE = 'en-IE';

/** The n-th working day (Monday to Friday) after a date; 0 gives the date itself, or the next working day. */
export function addWorkingDays(date: string, days: number): string {
  const day = new Date(`${date}T00:00:00Z`);
  if (Number.isNaN(day.getTime())) throw new RangeError(`"${date}" is not a date (YYYY-MM-DD).`);
  const weekend = () => day.getUTCDay() === 0 || day.getUTCDay() === 6;
  while (weekend()) day.setUTCDate(day.getUTCDate() + 1);
  for (let left = Math.max(0, Math.ceil(days)); left > 0;) {
    day.setUTCDate(day.getUTCDate() + 1);
    if (!weekend()) left--;
  }
  return day.toISOString().slice(0, 10);
}

/** Days later by the calendar. */
export function addDays(date: string, days: number): string {
  const day = new Date(`${date}T00:00:00Z`);
  day.setUTCDate(day.getUTCDate() + days);
  return day.toISOString().slice(0, 10);
}

/** "7 Dec 2026" from YYYY-MM-DD; "7 Dec" when `short`. */
export function dayWords(date: string, short = false): string {
  return new Date(`${date.slice(0, 10)}T00:00:00Z`).toLocaleDateString(LOCALE, {
    day: 'numeric',
    month: 'short',
    ...(short ? {} : { year: 'numeric' }),
    timeZone: 'UTC',
  });
}

/** "24 Nov 2026, 14:05 UTC" from an ISO time; with a time zone (`Europe/Dublin`) its own day and time, unnamed. */
export function momentWords(at: string, timeZone?: string): string {
  if (!timeZone) return `${dayWords(at)}, ${at.slice(11, 16)} UTC`;
  const moment = new Date(at);
  const day = moment.toLocaleDateString(LOCALE, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone,
  });
  return `${day}, ${moment.toLocaleTimeString(LOCALE, { hour: '2-digit', minute: '2-digit', hour12: false, timeZone })}`;
}
