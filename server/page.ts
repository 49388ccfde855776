import { redirect } from 'next/navigation';
import { withClient } from './db';
import { currentUser } from './http';
import { jobByNumber } from './jobs';
import { libraryFor } from './library';
import { UserError } from './problem';
import type { User } from './users';

/** The signed-in user of a page; others are sent to sign in. */
export async function pageUser(): Promise<User> {
  const user = await currentUser();
  if (!user) redirect('/signin');
  return user;
}

/** Everything a job's pages start from; null when there is no such job. */
export async function jobStart(number: string) {
  const user = await pageUser();
  try {
    const job = await withClient((client) =>
      jobByNumber(client, /^\d{1,9}$/.test(number) ? Number(number) : -1),
    );
    return {
      number: job.number,
      user,
      stage: job.stage,
      state: job.state,
      lastSeq: job.lastSeq,
      quoted: job.quoted,
      library: libraryFor(job.unit),
    };
  } catch (error) {
    if (error instanceof UserError && error.status === 404) return null;
    throw error;
  }
}
