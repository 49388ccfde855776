import { withClient } from '@/server/db';
import { foundInJob } from '@/server/found';
import { route } from '@/server/http';
import { jobNumber } from '@/server/address';

type Params = { number: string };

/** What was found wrong in a job, and what it was put down to: for whoever has the unit on the bench again. */
export const GET = route<Params>({ may: 'see-jobs' }, async (_request, params) =>
  Response.json(await withClient((client) => foundInJob(client, jobNumber(params)))),
);
