import { STAGE } from '@/core/stage';
import type { Stage } from '@/core/stage';
import { openDaysLater } from './calendar';
import type { Calendar, Moment } from './calendar';

/** The day a job of this stage is usually ready, counted in open days. */
export function usualReady(calendar: Calendar, now: Moment, stage: Stage): string {
  return openDaysLater(calendar, now, STAGE[stage].daysLeft).slice(0, 10);
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
