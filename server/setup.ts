import { timingSafeEqual } from 'node:crypto';
import { validator, problemsOf } from '@/core/validation';
import type { Client } from './db';
import { addPerson } from './people';
import { UserError } from './problem';
import type { User } from './users';

const asked = validator({
  type: 'object',
  additionalProperties: false,
  required: ['code', 'id', 'name', 'password'],
  properties: {
    code: { type: 'string', maxLength: 60 },
    id: { type: 'string', maxLength: 40 },
    name: { type: 'string', maxLength: 120 },
    password: { type: 'string', maxLength: 200 },
  },
});

/** Nobody works here yet: the shop is to be set up. */
export async function isEmpty(client: Client): Promise<boolean> {
  return (await client.query('SELECT 1 FROM users LIMIT 1')).rows.length === 0;
}

/**
 * Makes the first person, the owner, for whoever has the code the server was started with. Throws a UserError: 400 wrong
 * or a weak password, 403 another code, 409 somebody works here already, 429 too many wrong codes. `tooOften` counts one.
 */
export async function setUp(
  client: Client,
  body: unknown,
  code: string | undefined,
  tooOften: () => Promise<boolean> = async () => false,
): Promise<User> {
  const problems = problemsOf(asked, body);
  if (problems.length) throw new UserError(400, 'Something is missing.', 'Fill in every field.', problems);
  const { code: given, id, name, password } = body as Record<'code' | 'id' | 'name' | 'password', string>;
  // Under lock, so that two never become the first.
  await client.query(`SELECT pg_advisory_xact_lock(hashtext('setup'))`);
  if (!(await isEmpty(client)))
    throw new UserError(409, 'This shop is set up already.', 'Sign in, or ask its owner to add you.');
  const right = !!code && isSame(given.trim(), code);
  if (!right && (await tooOften()))
    throw new UserError(429, 'Too many wrong codes.', 'The right one stands where Pelvik was started.');
  if (!right) throw new UserError(403, 'That is not the code.', 'It stands where Pelvik was started.');
  const owner = { id: id.trim().toLowerCase(), name: name.trim(), role: 'owner' as const };
  return addPerson(client, { ...owner, password }, owner);
}

function isSame(given: string, code: string): boolean {
  const [a, b] = [Buffer.from(given), Buffer.from(code)];
  return a.length === b.length && timingSafeEqual(a, b);
}
