import { asCustomer, duringVisit } from '@/server/customer-door';
import { inTransaction } from '@/server/db';
import { open, readJson } from '@/server/http';
import { limitAnswer } from '@/server/limits';
import { answerQuote } from '@/server/quote-answers';
import { hashToken } from '@/server/sessions';

/** The customer's answer: accept, decline or ask. */
export const POST = open<{ token: string }>(async (request, { token }) => {
  // Counted by the token's hash: the token itself is stored nowhere.
  await limitAnswer(request, hashToken(token.slice(0, 100)).toString('base64'));
  const body = await readJson(request, 16 * 1024);
  const quote = await duringVisit(request, token, () =>
    asCustomer((client) => answerQuote(client, token, body), inTransaction),
  );
  return Response.json({ status: quote.status, answers: quote.answers });
});
