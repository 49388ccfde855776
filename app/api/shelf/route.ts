import { inTransaction, withClient } from '@/server/db';
import { readJson, route } from '@/server/http';
import { addToShelf, shelfOf } from '@/server/shelf';

/** What lies on the shelf; `?unit=` for one family. */
export const GET = route({ may: 'see-shelf' }, async (request) => {
  const unit = request.nextUrl.searchParams.get('unit');
  return Response.json({ pieces: await withClient((client) => shelfOf(client, unit)) });
});

/** Puts a part of a donor core on the shelf. */
export const POST = route({ may: 'edit-shelf' }, async (request, _params, user) => {
  const body = await readJson(request, 4096);
  const piece = await inTransaction((client) => addToShelf(client, body, user));
  return Response.json({ piece }, { status: 201 });
});
