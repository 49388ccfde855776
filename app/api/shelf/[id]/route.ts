import { inTransaction } from '@/server/db';
import { readJson, route } from '@/server/http';
import { demand } from '@/server/permissions';
import { changePiece } from '@/server/shelf';

/** Takes a piece for a job or puts it back; prices it anew or takes it off the shelf. */
export const POST = route<{ id: string }>({ may: 'take-from-shelf' }, async (request, params, user) => {
  const body = (await readJson(request, 4096)) as Record<string, unknown> | null;
  if (body?.hold === undefined && body?.putBack === undefined) demand(user, 'edit-shelf');
  const piece = await inTransaction((client) => changePiece(client, params.id, body, user));
  return Response.json({ piece });
});
