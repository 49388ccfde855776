import { withClient } from '@/server/db';
import { open } from '@/server/http';

/** Answers when the application and its database do. */
export const GET = open(async () => {
  try {
    await withClient((client) => client.query('SELECT 1'));
    return Response.json({ ok: true });
  } catch {
    return Response.json({ ok: false }, { status: 503 });
  }
});
