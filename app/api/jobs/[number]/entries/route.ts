import { inTransaction, withClient } from '@/server/db';
import { appendEntries, readBatch } from '@/server/entries';
import { jobNumber, readJson, route } from '@/server/http';
import { entriesOf, jobByNumber } from '@/server/jobs';

type Params = { number: string };

/** Entries after `?after=SEQ`: what others wrote meanwhile. */
export const GET = route<Params>(async (request, params) => {
  const after = Number(request.nextUrl.searchParams.get('after') ?? 0);
  return withClient(async (client) => {
    const job = await jobByNumber(client, jobNumber(params));
    const entries =
      job.lastSeq > after ? await entriesOf(client, job.id, Number.isSafeInteger(after) ? after : 0) : [];
    return Response.json({ entries, lastSeq: job.lastSeq, stage: job.stage });
  });
});

export const POST = route<Params>(async (request, params, user) => {
  const batch = readBatch(await readJson(request));
  return Response.json(
    await inTransaction((client) => appendEntries(client, jobNumber(params), user, batch)),
  );
});
