import { inTransaction } from '@/server/db';
import { jobNumber, route } from '@/server/http';
import { eraseCustomer } from '@/server/jobs';
import { forgetMessages } from '@/server/messages';
import { demand } from '@/server/permissions';

type Params = { number: string };

/** Erases who the customer is, for good; what was found and done stays. */
export const DELETE = route<Params>(async (_request, params, user) => {
  demand(user, 'erase-customer');
  const number = jobNumber(params);
  await inTransaction((client) => eraseCustomer(client, number, user));
  await forgetMessages(number);
  return Response.json({ erased: true });
});
