import { inTransaction } from '@/server/db';
import { jobNumber, quoteVersion, readJson, route } from '@/server/http';
import { replyTo } from '@/server/messages';
import { demand } from '@/server/permissions';

type Params = { number: string; version: string };

/** Answers a customer's question. */
export const POST = route<Params>(async (request, params, user) => {
  demand(user, 'send-quote');
  const body = await readJson(request, 16 * 1024);
  await inTransaction((client) => replyTo(client, jobNumber(params), quoteVersion(params), body, user));
  return Response.json({ ok: true }, { status: 201 });
});
