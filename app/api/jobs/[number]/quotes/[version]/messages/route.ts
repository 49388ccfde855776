import { readJson, route } from '@/server/http';
import { jobNumber, quoteVersion } from '@/server/address';
import { sendMessage } from '@/server/messages';

type Params = { number: string; version: string };

/** Sends a version to its customer, reminds of it, or notes that it was sent by hand. */
export const POST = route<Params>({ may: 'send-quote' }, async (request, params, user) => {
  const body = await readJson(request, 4096);
  const host = request.headers.get('x-forwarded-host') ?? request.headers.get('host') ?? '';
  const scheme = request.headers.get('x-forwarded-proto') ?? request.nextUrl.protocol.replace(':', '');
  await sendMessage(jobNumber(params), quoteVersion(params), body, `${scheme}://${host}`, user);
  return Response.json({ ok: true }, { status: 201 });
});
