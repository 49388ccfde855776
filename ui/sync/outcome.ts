import type { Connection } from './engine';
import type { Outcome } from './transport';

/** Beyond any record: asks whether the server is well, or which job a number means, without being told anything. */
export const NOWHERE = 999_999_999;

/** Said of what was written for a job whose number another one has now. */
export const OTHER_JOB =
  'A backup of the shop was restored, and this number is another job now. Copy what is of use, then discard it.';

/** How a run ends for an answer that leaves things waiting; null when the run can go on. */
export function endingOf(answer: Outcome<unknown>): Connection | null {
  if (answer.kind === 'sign-in') return 'signed-out';
  if (answer.kind === 'other-person') return 'other-person';
  return answer.kind === 'later' || answer.kind === 'failed' ? 'offline' : null;
}
