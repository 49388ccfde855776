import { ajv, problemsOf } from '@/core/validation';
import { audit } from '@/server/audit';
import { withClient } from '@/server/db';
import { clearSessionCookie, open, readJson, sessionToken, setSessionCookie } from '@/server/http';
import { limit } from '@/server/limits';
import { UserError } from '@/server/problem';
import { closeSession, openSession } from '@/server/sessions';
import { authenticate } from '@/server/users';

const schema = ajv.compile({
  type: 'object',
  additionalProperties: false,
  required: ['id', 'password'],
  properties: { id: { type: 'string', maxLength: 40 }, password: { type: 'string', maxLength: 200 } },
});

export const POST = open(async (request) => {
  await limit(request, 'sign-in');
  const body = await readJson(request, 4096);
  const problems = problemsOf(schema, body);
  if (problems.length) throw new UserError(400, 'Name and password are needed.', 'Fill in both.', problems);
  const { id, password } = body as { id: string; password: string };
  // Not one transaction: a failed attempt must be counted although it ends in an error.
  const { user, token } = await withClient(async (client) => {
    const found = await authenticate(client, id.trim().toLowerCase(), password);
    await audit(client, found.name, 'signed in');
    return { user: found, token: await openSession(client, found.id) };
  });
  await setSessionCookie(token, request.headers.get('x-forwarded-proto') === 'https');
  return Response.json({ user });
});

export const DELETE = open(async () => {
  const token = await sessionToken();
  if (token) await withClient((client) => closeSession(client, token));
  await clearSessionCookie();
  return Response.json({ ok: true });
});
