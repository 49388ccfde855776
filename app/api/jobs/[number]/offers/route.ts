import { withClient } from '@/server/db';
import { readJson, route } from '@/server/http';
import { jobNumber } from '@/server/address';
import { jobByNumber } from '@/server/jobs';
import { may } from '@/server/permissions';
import { shopOf } from '@/server/shop';
import { askedOf, connectedSupplier, offersFrom } from '@/server/supplier';

/** Asks one supplier for parts of the job's unit. The database is let go before the supplier is waited for. */
export const POST = route<{ number: string }>({ may: 'ask-supplier' }, async (request, params, user) => {
  const body = await readJson(request, 32 * 1024);
  const { unit, terms } = await withClient(async (client) => ({
    unit: (await jobByNumber(client, jobNumber(params))).unit,
    terms: (await shopOf(client)).terms,
  }));
  const question = askedOf(unit, body);
  const costs = may(user, 'see-costs');
  return Response.json(await offersFrom(connectedSupplier(), question, { unit, terms, costs }));
});
