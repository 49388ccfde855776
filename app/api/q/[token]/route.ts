import { inTransaction } from '@/server/db';
import { open, readJson } from '@/server/http';
import { limit } from '@/server/limits';
import { answerQuote } from '@/server/quotes';

/** The customer's answer: accept, decline or ask. */
export const POST = open<{ token: string }>(async (request, params) => {
  await limit(request, 'answer');
  const body = await readJson(request, 16 * 1024);
  const quote = await inTransaction((client) => answerQuote(client, params.token, body));
  return Response.json({ status: quote.status, answers: quote.answers });
});
