import { inTransaction, withClient } from '@/server/db';
import { readUpload, route } from '@/server/http';
import { jobNumber } from '@/server/address';
import { jobByNumber, markOf } from '@/server/jobs';
import { PHOTO_LIMIT, photoBytes, savePhoto, takePhoto } from '@/server/photos';
import { notFound, UserError } from '@/server/problem';

type Params = { number: string; id: string };

const isId = (id: string) => /^[\w-]{8,64}$/.test(id);

export const GET = route<Params>({ may: 'see-jobs' }, async (_request, params) => {
  if (!isId(params.id)) throw notFound('photo');
  const bytes = await withClient(async (client) =>
    photoBytes(client, (await markOf(client, jobNumber(params))).id, params.id),
  );
  return new Response(new Uint8Array(bytes), { headers: { 'content-type': 'image/jpeg' } });
});

/** The body is the picture itself; its id is the client's, so sending it again is harmless. */
export const PUT = route<Params>({ writes: ({ id }) => `photo.${id}` }, async (request, params, user) => {
  if (!isId(params.id)) throw new UserError(400, 'The photo has no proper id.', 'Take the photo again.');
  await withClient((client) => markOf(client, jobNumber(params)));
  const photo = await takePhoto(await readUpload(request, PHOTO_LIMIT));
  await inTransaction(async (client) =>
    // Under the row lock: what the job's photos weigh together is counted one by one.
    savePhoto(client, (await jobByNumber(client, jobNumber(params), true)).id, params.id, photo, user),
  );
  return Response.json({ id: params.id, width: photo.width, height: photo.height }, { status: 201 });
});
