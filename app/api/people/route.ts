import { inTransaction } from '@/server/db';
import { readJson, route } from '@/server/http';
import { addPerson } from '@/server/people';
import { demand } from '@/server/permissions';

/** Adds a person to the shop. */
export const POST = route(async (request, _params, user) => {
  demand(user, 'edit-shop');
  const body = await readJson(request, 4096);
  const person = await inTransaction((client) => addPerson(client, body, user));
  return Response.json({ person }, { status: 201 });
});
