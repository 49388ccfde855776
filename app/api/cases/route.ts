import { CASE_LIMIT, importCase, readCaseFile } from '@/server/cases';
import { inTransaction } from '@/server/db';
import { readUpload, route } from '@/server/http';

/** Imports a case file as a new job: all of it or nothing. */
export const POST = route({ may: 'import-case' }, async (request, _params, user) => {
  // Read, decoded and checked before a connection is taken.
  const ready = await readCaseFile(await readUpload(request, CASE_LIMIT));
  const number = await inTransaction((client) => importCase(client, ready, user));
  return Response.json({ number }, { status: 201 });
});
