import { inTransaction } from '@/server/db';
import { readJson, route } from '@/server/http';
import { addPerson } from '@/server/people';

/** Adds a person to the shop. */
export const POST = route({ may: 'edit-people' }, async (request, _params, user) => {
  const body = await readJson(request, 4096);
  const person = await inTransaction((client) => addPerson(client, body, user));
  return Response.json({ person }, { status: 201 });
});
