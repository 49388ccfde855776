import { clipAnswer } from '@/server/clip-answer';
import { CLIP_LIMIT, clipOf, clipPiece, saveClip } from '@/server/clips';
import { inTransaction, withClient } from '@/server/db';
import { readUpload, route } from '@/server/http';
import { jobNumber } from '@/server/address';
import { jobByNumber, markOf } from '@/server/jobs';
import { notFound, UserError } from '@/server/problem';

type Params = { number: string; id: string };

const isId = (id: string) => /^[\w-]{8,64}$/.test(id);

export const GET = route<Params>({ may: 'see-jobs' }, async (request, { number, id }) => {
  if (!isId(id)) throw notFound('clip');
  const { job, clip } = await withClient(async (client) => {
    const job = (await markOf(client, jobNumber({ number }))).id;
    return { job, clip: await clipOf(client, job, id) };
  });
  // Piece by piece, each on a connection of its own: a slow taker holds none.
  const piece = (from: number, length: number) =>
    withClient((client) => clipPiece(client, job, id, from, length));
  return clipAnswer({ ...clip, piece }, request.headers.get('range'));
});

/** The body is the clip itself; its id is the client's, so sending it again is harmless. */
export const PUT = route<Params>({ writes: ({ id }) => `clip.${id}` }, async (request, params, user) => {
  if (!isId(params.id)) throw new UserError(400, 'The clip has no proper id.', 'Choose the clip again.');
  await withClient((client) => markOf(client, jobNumber(params)));
  const bytes = await readUpload(request, CLIP_LIMIT);
  const mime = await inTransaction(async (client) =>
    // Under the row lock: a job's clips are counted one by one.
    saveClip(client, await jobByNumber(client, jobNumber(params), true), params.id, bytes, user),
  );
  return Response.json({ id: params.id, mime }, { status: 201 });
});
