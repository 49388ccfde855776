import { inTransaction } from '@/server/db';
import { readJson, route } from '@/server/http';
import { jobNumber, quoteVersion } from '@/server/address';
import { replyTo } from '@/server/messages';

type Params = { number: string; version: string };

/** Answers a customer's question. */
export const POST = route<Params>({ may: 'send-quote' }, async (request, params, user) => {
  const body = await readJson(request, 16 * 1024);
  await inTransaction((client) => replyTo(client, jobNumber(params), quoteVersion(params), body, user));
  return Response.json({ ok: true }, { status: 201 });
});
