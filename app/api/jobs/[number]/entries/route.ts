import { inTransaction, withClient } from '@/server/db';
import { appendEntries, readBatch } from '@/server/entries';
import { JSON_LIMIT, jobNumber, readJson, route, sequence } from '@/server/http';
import { entriesOf, markOf } from '@/server/jobs';
import { unitOf } from '@/server/units';

type Params = { number: string };

const MOST = 2000;

/** Entries after `?after=SEQ`: what others wrote meanwhile. Asked every few seconds, so it reads no more than it must. */
export const GET = route<Params>(async (request, params) => {
  const after = sequence(request.nextUrl.searchParams.get('after'));
  return withClient(async (client) => {
    const { id, unit, lastSeq, stage } = await markOf(client, jobNumber(params));
    const entries =
      lastSeq > after ? await entriesOf(client, { id, unit: await unitOf(client, unit) }, after, MOST) : [];
    return Response.json({ entries, lastSeq, stage });
  });
});

/** Each entry is looked at by itself, so one that cannot be kept does not hold up the others. */
export const POST = route<Params>(async (request, params, user) => {
  const { entries, after } = readBatch(await readJson(request, JSON_LIMIT, null));
  return Response.json(
    await inTransaction((client) => appendEntries(client, jobNumber(params), user, entries, after)),
  );
});
