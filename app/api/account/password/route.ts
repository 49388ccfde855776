import { validator, problemsOf } from '@/core/validation';
import { audit } from '@/server/audit';
import { withClient } from '@/server/db';
import { readJson, route, sessionToken } from '@/server/http';
import { addressOf } from '@/server/limits';
import { UserError } from '@/server/problem';
import { revokeSessions } from '@/server/sessions';
import { changePassword } from '@/server/users';

const schema = validator({
  type: 'object',
  additionalProperties: false,
  required: ['present', 'next'],
  properties: { present: { type: 'string', maxLength: 200 }, next: { type: 'string', maxLength: 200 } },
});

/** Changes one's own password; one's other sessions end. */
export const PUT = route({ may: 'own-account' }, async (request, _params, user) => {
  const body = await readJson(request, 4096);
  const problems = problemsOf(schema, body);
  if (problems.length)
    throw new UserError(400, 'Both passwords are needed.', 'Fill in the present and the new one.', problems);
  const { present, next } = body as { present: string; next: string };
  const token = await sessionToken();
  await changePassword(user, present, next, addressOf(request));
  const ended = await withClient(async (client) => {
    await audit(client, user.name, 'password changed');
    return revokeSessions(client, user.id, token);
  });
  return Response.json({ ended });
});
