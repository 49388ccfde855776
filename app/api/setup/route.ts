import { inTransaction } from '@/server/db';
import { isSecure, open, readJson, setSessionCookie } from '@/server/http';
import { addressOf, limitSignIn } from '@/server/limits';
import { openSession } from '@/server/sessions';
import { setUp } from '@/server/setup';

/** The first start of a shop: whoever has the code becomes its owner, signed in. */
export const POST = open(async (request) => {
  const body = await readJson(request, 4096);
  // Only wrong codes count, and none of them locks the right one out.
  const wrong = () => limitSignIn('setup', addressOf(request));
  const { user, token } = await inTransaction(async (client) => {
    const user = await setUp(client, body, process.env.PELVIK_SETUP, async () => (await wrong()).locked);
    return { user, token: await openSession(client, user.id, '') };
  });
  await setSessionCookie(token, isSecure(request.headers));
  return Response.json({ user }, { status: 201 });
});
