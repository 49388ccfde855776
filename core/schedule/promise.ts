import type { Stage } from '@/core/case';
import { openDaysLater } from './calendar';
import type { Calendar, Moment } from './calendar';

/** Open days a job usually still needs from its stage on, before anybody has priced it. */
const DAYS_LEFT: Record<Stage, number> = {
  intake: 6,
  suspects: 6,
  teardown: 5,
  cause: 4,
  scope: 4,
  quote: 4,
  build: 2,
  release: 1,
};

/** The day a job of this stage is usually ready, counted in open days. */
export function usualReady(calendar: Calendar, now: Moment, stage: Stage): string {
  return openDaysLater(calendar, now, DAYS_LEFT[stage]).slice(0, 10);
}

/** How a promise stands: past it, ready only after it, hardly to be kept, or well. */
export type PromiseRisk = 'late' | 'clash' | 'tight' | 'none';

/**
 * The risk to a promised day. A job that was priced is held against the day it is ready; one that was not against what its
 * stage usually takes. Days are `YYYY-MM-DD`.
 */
export function promiseRisk(
  { promised, readyAt, usual }: { promised: string | null; readyAt: Moment | null; usual: string | null },
  today: string,
): PromiseRisk {
  if (!promised) return 'none';
  if (promised < today) return 'late';
  if (readyAt) return readyAt.slice(0, 10) > promised ? 'clash' : 'none';
  return usual !== null && usual > promised ? 'tight' : 'none';
}
