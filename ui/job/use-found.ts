import type { FoundInJob } from '@/core/inspection';
import { sayError, send } from '@/ui/net/request';
import { later, useLater } from '@/ui/system';
import type { Later } from '@/ui/system';

const known = new Map<number, Later<FoundInJob>>();
const NO_JOB = later<FoundInJob>(() => Promise.reject(new Error('There is no job to ask.')));

function foundIn(number: number): Later<FoundInJob> {
  let found = known.get(number);
  if (!found) known.set(number, (found = later(() => send<FoundInJob>('GET', `/api/jobs/${number}/found`))));
  return found;
}

/** What another job found, from the server; kept while the page lives, so that it is at hand without a connection. */
export function useFoundInJob(number: number | undefined): {
  found: FoundInJob | null;
  problem: string | null;
} {
  const asked = number !== undefined;
  const { piece: found, problem } = useLater(asked ? foundIn(number) : NO_JOB, asked);
  return { found, problem: problem ? sayError(problem) : null };
}
