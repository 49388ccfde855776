import { inTransaction } from '@/server/db';
import { route } from '@/server/http';
import { jobNumber } from '@/server/address';
import { eraseCustomer } from '@/server/jobs';
import { forgetMessages } from '@/server/messages';

type Params = { number: string };

/** Erases who the customer is, for good; what was found and done stays. */
export const DELETE = route<Params>({ may: 'erase-customer' }, async (_request, params, user) => {
  const number = jobNumber(params);
  await inTransaction((client) => eraseCustomer(client, number, user));
  await forgetMessages(number);
  return Response.json({ erased: true });
});
