import { inTransaction } from '@/server/db';
import { jobNumber, route } from '@/server/http';
import { eraseCustomer } from '@/server/jobs';
import { demand } from '@/server/permissions';

type Params = { number: string };

/** Erases who the customer is, for good; what was found and done stays. */
export const DELETE = route<Params>(async (_request, params, user) => {
  demand(user, 'erase-customer');
  await inTransaction((client) => eraseCustomer(client, jobNumber(params), user));
  return Response.json({ erased: true });
});
