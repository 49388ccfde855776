import { validator, problemsOf } from '@/core/validation';
import { audit } from '@/server/audit';
import { inTransaction, withClient } from '@/server/db';
import { clearSessionCookie, isSecure, open, readJson, sessionToken, setSessionCookie } from '@/server/http';
import { addressOf } from '@/server/limits';
import { UserError } from '@/server/problem';
import { closeSession, openSession, sessionUser } from '@/server/sessions';
import { authenticate, deviceKey } from '@/server/users';

const schema = validator({
  type: 'object',
  additionalProperties: false,
  required: ['id', 'password'],
  properties: { id: { type: 'string', maxLength: 40 }, password: { type: 'string', maxLength: 200 } },
});

export const POST = open(async (request) => {
  const body = await readJson(request, 4096);
  const problems = problemsOf(schema, body);
  if (problems.length) throw new UserError(400, 'Name and password are needed.', 'Fill in both.', problems);
  const { id, password } = body as { id: string; password: string };
  const device = (request.headers.get('user-agent') ?? '').replace(/[^\x20-\x7e]/g, '').slice(0, 200);
  const user = await authenticate(id.trim().toLowerCase(), password, addressOf(request));
  const token = await inTransaction(async (client) => {
    await audit(client, user.name, 'signed in');
    return openSession(client, user.id, device);
  });
  await setSessionCookie(token, isSecure(request.headers));
  return Response.json({ user, deviceKey: await withClient((client) => deviceKey(client, user.id)) });
});

export const DELETE = open(async (request) => {
  const token = await sessionToken();
  if (token)
    await withClient(async (client) => {
      const user = await sessionUser(client, token, false);
      await closeSession(client, token);
      if (user) await audit(client, user.name, 'signed out');
    });
  await clearSessionCookie(isSecure(request.headers));
  return Response.json({ ok: true });
});
