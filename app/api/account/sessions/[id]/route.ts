import { audit } from '@/server/audit';
import { inTransaction } from '@/server/db';
import { route } from '@/server/http';
import { notFound } from '@/server/problem';
import { endSession } from '@/server/sessions';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Ends one of one's own sessions. */
export const DELETE = route<{ id: string }>({ may: 'own-account' }, async (_request, { id }, user) => {
  if (!UUID.test(id)) throw notFound('session');
  await inTransaction(async (client) => {
    if (!(await endSession(client, user.id, id))) throw notFound('session');
    await audit(client, user.name, 'own session ended');
  });
  return Response.json({ ended: 1 });
});
