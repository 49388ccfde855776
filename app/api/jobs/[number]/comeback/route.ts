import { comebackOf } from '@/server/comeback';
import { withClient } from '@/server/db';
import { route } from '@/server/http';
import { jobNumber } from '@/server/address';

type Params = { number: string };

/** A job beside the one it comes back from: then and now, what was renewed, and whose matter it may be. */
export const GET = route<Params>({ may: 'see-jobs' }, async (_request, params) =>
  Response.json(await withClient((client) => comebackOf(client, jobNumber(params)))),
);
