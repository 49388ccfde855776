import { checkQuote } from '@/core/validation';
import { withClient } from '@/server/db';
import { open } from '@/server/http';

let prepared = false;

/** Answers 200 when this process and its database can serve the shop, 503 when not: for browsers and proxies. */
export const GET = open(async () => {
  // The largest schema is compiled when it is first used: before the first quote, not while somebody waits for it.
  if (!prepared) checkQuote(null);
  prepared = true;
  const ok = await withClient((client) => client.query('SELECT 1 FROM generation')).then(
    () => true,
    () => false,
  );
  return Response.json({ ok }, { status: ok ? 200 : 503 });
});
