import { withClient } from '@/server/db';

/** Answers when the application and its database do. */
export async function GET() {
  try {
    await withClient((client) => client.query('SELECT 1'));
    return Response.json({ ok: true });
  } catch {
    return Response.json({ ok: false }, { status: 503 });
  }
}
