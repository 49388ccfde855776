import { inTransaction, withClient } from '@/server/db';
import { appendEntries, readBatch } from '@/server/entries';
import { JSON_LIMIT, readJson, route } from '@/server/http';
import { jobNumber, sequence } from '@/server/address';
import { entriesOf, keptEntries, markOf } from '@/server/jobs';
import { unitOf } from '@/server/units';

type Params = { number: string };

const MOST = 2000;

/**
 * Entries after `?after=SEQ`: what others wrote meanwhile. Asked every few seconds, so it reads no more than it must.
 * `?kept=1` asks as well how many of them stood when a backup was last brought back.
 */
export const GET = route<Params>({ may: 'see-jobs' }, async (request, params) => {
  const after = sequence(request.nextUrl.searchParams.get('after'));
  return withClient(async (client) => {
    const { id, unit, lastSeq, stage } = await markOf(client, jobNumber(params));
    const kept = request.nextUrl.searchParams.has('kept') ? await keptEntries(client, id) : undefined;
    const entries =
      lastSeq > after ? await entriesOf(client, { id, unit: await unitOf(client, unit) }, after, MOST) : [];
    return Response.json({ id, entries, lastSeq, stage, kept });
  });
});

/** Each entry is looked at by itself, so one that cannot be kept does not hold up the others. */
export const POST = route<Params>({ may: 'write-jobs' }, async (request, params, user) => {
  const { entries, after } = readBatch(await readJson(request, JSON_LIMIT, null));
  return Response.json(
    await inTransaction((client) => appendEntries(client, jobNumber(params), user, entries, after)),
  );
});
