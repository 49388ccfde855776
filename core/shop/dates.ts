/** Calendar dates as `YYYY-MM-DD`; no time zones, no clock: the day is passed in. */

/** How the shop writes dates. */
export const LOCALE = 'en-IE';

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

/** "Tue 1 Dec, 16:00" from a moment in the shop's own time. */
export function shopMomentWords(moment: string): string {
  const day = new Date(`${moment.slice(0, 10)}T00:00:00Z`).toLocaleDateString(LOCALE, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
  });
  return `${day}, ${moment.slice(11, 16)}`;
}
