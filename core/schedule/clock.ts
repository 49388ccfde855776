import type { Moment } from './calendar';

/** An instant as a shop's clock shows it: `YYYY-MM-DDTHH:MM`. `timeZone` is an IANA name. */
export function momentIn(at: Date, timeZone: string): Moment {
  const parts = new Intl.DateTimeFormat('en-CA', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(at);
  const of = (type: string) => parts.find((p) => p.type === type)!.value;
  return `${of('year')}-${of('month')}-${of('day')}T${of('hour')}:${of('minute')}`;
}
