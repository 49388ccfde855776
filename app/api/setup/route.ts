import { inTransaction } from '@/server/db';
import { isSecure, open, readJson, setSessionCookie } from '@/server/http';
import { addressOf, limitSignIn } from '@/server/limits';
import { UserError } from '@/server/problem';
import { openSession } from '@/server/sessions';
import { setUp } from '@/server/setup';

/** The first start of a shop: whoever has the code becomes its owner, signed in. */
export const POST = open(async (request) => {
  const body = await readJson(request, 4096);
  if ((await limitSignIn('setup', addressOf(request))).locked)
    throw new UserError(429, 'Too many wrong codes.', 'Wait a quarter of an hour, then try again.');
  const { user, token } = await inTransaction(async (client) => {
    const user = await setUp(client, body, process.env.PELVIK_SETUP);
    return { user, token: await openSession(client, user.id, '') };
  });
  await setSessionCookie(token, isSecure(request.headers));
  return Response.json({ user }, { status: 201 });
});
