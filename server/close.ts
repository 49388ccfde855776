import { orderLines, orderStanding } from '@/core/quote';
import type { Client } from './db';
import { jobByNumber, setClosed } from './jobs';
import { UserError } from './problem';
import { agreedOf } from './quotes';
import type { User } from './users';

/**
 * Closes a job or opens it again. One with money agreed and parts still to be ordered is closed with a reason only, and not
 * from the bench. Throws a UserError: 403 by whom it may not be, 409 without its reason.
 */
export async function closeJob(
  client: Client,
  number: number,
  { closed, reason = '' }: { closed: boolean; reason?: string },
  user: User,
): Promise<void> {
  // The lock of the job first: an acceptance either comes before and counts, or after and reopens the job.
  const job = await jobByNumber(client, number, true);
  const agreed = closed && !job.closed ? await agreedOf(client, job.id) : null;
  const open = agreed ? orderStanding(orderLines(agreed.option, job.state)).toOrder : 0;
  if (open > 0) {
    const parts = open === 1 ? 'one part is' : `${open} parts are`;
    if (user.role === 'technician')
      throw new UserError(
        403,
        `The customer has accepted a quote, and ${parts} not ordered yet.`,
        'Ask the counter or the owner to close the job.',
      );
    if (reason.trim() === '')
      throw new UserError(
        409,
        `The customer has accepted a quote, and ${parts} not ordered yet.`,
        'Say why the job is closed all the same.',
      );
  }
  await setClosed(client, number, closed, user, reason.trim());
}
