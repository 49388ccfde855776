import { addDays, addOpenHours, isOpenOn, nextOpen, openingAfter, roundUp } from './calendar';
import type { Calendar, Moment } from './calendar';

/** How much a shop gets done. */
export interface Capacity {
  benches: number;
  /** Share of the open hours that goes into the work itself. */
  benchShare: number;
}

/** What is left to do on a job. */
export interface WorkLeft {
  /** Hours of work. */
  hours: number;
  /** Hours of other jobs before it, all benches together. */
  queueHours: number;
  /** What must come first, in days from the order. */
  parts: { name: string; days: number }[];
  /** What takes time by the clock after the work, open or not: adhesive that cures, a flush that drains. */
  waits: { words: string; hours: number }[];
}

/** When a job is ready, and what that hangs on. */
export interface Ready {
  /** The customer's yes is assumed by then. */
  decideBy: Moment;
  at: Moment;
  /** What decides the date. */
  hangsOn: 'parts' | 'queue' | 'bench';
  /** The part that comes last, where parts decide. */
  latest: string | null;
  /** How it comes about, in order. */
  steps: { words: string; at: Moment }[];
}

/**
 * Ready-by: the work begins when the customer has agreed, the last part is there and a bench is free, and takes its hours
 * of the open time.
 */
export function readyBy(calendar: Calendar, capacity: Capacity, decideBy: Moment, work: WorkLeft): Ready {
  const agreed = nextOpen(calendar, decideBy);
  const last = work.parts.reduce<WorkLeft['parts'][number] | null>(
    (latest, part) => (part.days > (latest?.days ?? 0) ? part : latest),
    null,
  );
  const partsAt = openingAfter(calendar, agreed, last?.days ?? 0);
  const throughput = Math.max(1, capacity.benches) * capacity.benchShare;
  const free = addOpenHours(calendar, agreed, work.queueHours / throughput);
  const begin = partsAt > free ? partsAt : free;
  const done = roundUp(calendar, addOpenHours(calendar, begin, work.hours / capacity.benchShare));
  const waits = work.waits.filter((w) => w.hours > 0);
  const waited = waits.reduce((at, w) => addClock(at, w.hours), done);
  const at = waits.length ? roundUp(calendar, nextOpen(calendar, waited)) : done;
  const hangsOn = partsAt > free ? 'parts' : work.queueHours > 0 && free > agreed ? 'queue' : 'bench';
  return {
    decideBy,
    at,
    hangsOn,
    latest: hangsOn === 'parts' ? last!.name : null,
    steps: [
      { words: 'You say yes', at: decideBy },
      ...(last ? [{ words: `The last part is here: ${last.name}`, at: partsAt }] : []),
      ...(work.queueHours > 0 ? [{ words: 'A bench is free', at: free }] : []),
      { words: `${tenths(work.hours)} h of work are done`, at: done },
      ...(waits.length ? [{ words: waits.map((w) => w.words).join(', '), at }] : []),
    ],
  };
}

/** When an answer is wanted: noon of the next open day. */
export function answerBy(calendar: Calendar, now: Moment): Moment {
  let date = addDays(now.slice(0, 10), 1);
  for (let k = 0; !isOpenOn(calendar, date) && k < 366; k++) date = addDays(date, 1);
  return `${date}T12:00`;
}

/** Hours later by the clock, to the minute. */
function addClock(moment: Moment, hours: number): Moment {
  const at = new Date(`${moment}:00Z`);
  return new Date(at.getTime() + Math.round(hours * 60) * 60_000).toISOString().slice(0, 16);
}

const tenths = (hours: number) => Math.round(hours * 10) / 10;
