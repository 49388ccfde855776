import { inTransaction } from '@/server/db';
import { readJson, route } from '@/server/http';
import { changePerson } from '@/server/people';

/** Changes a person's role, password, or whether they may sign in. */
export const PATCH = route<{ id: string }>({ may: 'edit-people' }, async (request, { id }, user) => {
  const body = await readJson(request, 4096);
  await inTransaction((client) => changePerson(client, id, body, user));
  return Response.json({ ok: true });
});
