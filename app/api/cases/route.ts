import { CASE_LIMIT, importCase } from '@/server/cases';
import { inTransaction } from '@/server/db';
import { readJson, route } from '@/server/http';
import { demand } from '@/server/permissions';

/** Imports a case document as a new job: all of it or nothing. */
export const POST = route(async (request, _params, user) => {
  demand(user, 'import-case');
  const document = await readJson(request, CASE_LIMIT);
  const number = await inTransaction((client) => importCase(client, document, user));
  return Response.json({ number }, { status: 201 });
});
