import { inTransaction, withClient } from '@/server/db';
import { jobNumber, readBytes, route } from '@/server/http';
import { jobByNumber } from '@/server/jobs';
import { PHOTO_LIMIT, photoBytes, reencode, savePhoto } from '@/server/photos';
import { mayWrite } from '@/server/permissions';
import { UserError } from '@/server/problem';

type Params = { number: string; id: string };

export const GET = route<Params>(async (_request, params) => {
  const bytes = await withClient(async (client) =>
    photoBytes(client, (await jobByNumber(client, jobNumber(params))).id, params.id),
  );
  return new Response(new Uint8Array(bytes), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
  });
});

/** The body is the picture itself; its id is the client's, so sending it again is harmless. */
export const PUT = route<Params>(async (request, params, user) => {
  if (!mayWrite(user.role, `photo.${params.id}`))
    throw new UserError(403, `A ${user.role} may not add photos.`, 'Ask the technician or the owner.');
  if (!/^[\w-]{8,64}$/.test(params.id))
    throw new UserError(400, 'The photo has no proper id.', 'Take the photo again.');
  const photo = await reencode(await readBytes(request, PHOTO_LIMIT));
  await inTransaction(async (client) =>
    savePhoto(client, (await jobByNumber(client, jobNumber(params))).id, params.id, photo, user.name),
  );
  return Response.json({ id: params.id, width: photo.width, height: photo.height }, { status: 201 });
});
