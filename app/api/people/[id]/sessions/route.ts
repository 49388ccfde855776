import { audit } from '@/server/audit';
import { inTransaction } from '@/server/db';
import { route } from '@/server/http';
import { revokeSessions } from '@/server/sessions';

/** Ends every session of a person. */
export const DELETE = route<{ id: string }>({ may: 'edit-people' }, async (_request, params, user) => {
  const ended = await inTransaction(async (client) => {
    await audit(client, user.name, 'sessions ended', { of: params.id });
    return revokeSessions(client, params.id);
  });
  return Response.json({ ended });
});
