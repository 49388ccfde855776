import { inTransaction } from '@/server/db';
import { route } from '@/server/http';
import { jobNumber, quoteVersion } from '@/server/address';
import { revokeLinks, linkQuote } from '@/server/quote-links';

type Params = { number: string; version: string };

/** Makes a customer link. Its token is in this answer and nowhere else. */
export const POST = route<Params>({ may: 'send-quote' }, async (_request, params, user) => {
  const token = await inTransaction((client) =>
    linkQuote(client, jobNumber(params), quoteVersion(params), user),
  );
  return Response.json({ path: `/q/${token}` }, { status: 201 });
});

export const DELETE = route<Params>({ may: 'send-quote' }, async (_request, params, user) => {
  const revoked = await inTransaction((client) =>
    revokeLinks(client, jobNumber(params), quoteVersion(params), user),
  );
  return Response.json({ revoked });
});
