import type { Client } from './db';
import { experienceOf } from './experience';
import { jobByNumber } from './jobs';
import { libraryOf } from './library';
import { UserError } from './problem';
import type { SignedIn } from './sessions';
import { shopOf } from './shop';
import { jobNumber } from './address';

/** Everything a job's pages start from (`JobStart` of `ui/job`); null when there is no such job. */
export async function jobStartOf(client: Client, user: SignedIn, number: string) {
  try {
    const job = await jobByNumber(client, jobNumber({ number }));
    const shop = await shopOf(client);
    return {
      experience: await experienceOf(client, job.unit.id),
      number: job.number,
      id: job.id,
      user,
      stage: job.stage,
      state: job.state,
      lastSeq: job.lastSeq,
      quoted: job.quoted,
      closed: job.closed,
      unitName: job.unit.name,
      currency: shop.terms.currency,
      library: libraryOf(job.unit, job.unitVersion, shop).address,
    };
  } catch (error) {
    if (error instanceof UserError && error.status === 404) return null;
    throw error;
  }
}
