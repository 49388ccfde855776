import { CLIP_LIMIT, clipAnswer, clipOf, rangeOf, saveClip } from '@/server/clips';
import { inTransaction, withClient } from '@/server/db';
import { jobNumber, readBytes, route } from '@/server/http';
import { jobByNumber, markOf } from '@/server/jobs';
import { mayWrite } from '@/server/permissions';
import { notFound, UserError } from '@/server/problem';

type Params = { number: string; id: string };

const isId = (id: string) => /^[\w-]{8,64}$/.test(id);

export const GET = route<Params>(async (request, params) => {
  if (!isId(params.id)) throw notFound('clip');
  const range = rangeOf(request.headers.get('range'));
  const clip = await withClient(async (client) =>
    clipOf(client, (await markOf(client, jobNumber(params))).id, params.id, range),
  );
  return clipAnswer(clip, range);
});

/** The body is the clip itself; its id is the client's, so sending it again is harmless. */
export const PUT = route<Params>(async (request, params, user) => {
  if (!isId(params.id)) throw new UserError(400, 'The clip has no proper id.', 'Choose the clip again.');
  if (!mayWrite(user.role, `clip.${params.id}`))
    throw new UserError(403, `A ${user.role} may not add clips.`, 'Ask the counter or the owner.');
  await withClient((client) => markOf(client, jobNumber(params)));
  const bytes = await readBytes(request, CLIP_LIMIT);
  const mime = await inTransaction(async (client) =>
    // Under the row lock: a job's clips are counted one by one.
    saveClip(client, (await jobByNumber(client, jobNumber(params), true)).id, params.id, bytes, user),
  );
  return Response.json({ id: params.id, mime }, { status: 201 });
});
