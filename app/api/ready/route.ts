import { withClient } from '@/server/db';
import { open } from '@/server/http';

/** Answers 200 when this process and its database can serve the shop, 503 when not: for browsers and proxies. */
export const GET = open(async () => {
  const ok = await withClient((client) => client.query('SELECT 1 FROM generation')).then(
    () => true,
    () => false,
  );
  return Response.json({ ok }, { status: ok ? 200 : 503 });
});
