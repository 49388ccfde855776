import { hash } from '@node-rs/argon2';
import { validator, problemsOf } from '@/core/validation';
import { audit } from './audit';
import type { Client } from './db';
import { checkPassword } from './passwords';
import { notFound, UserError } from './problem';
import { revokeSessions } from './sessions';
import { createUser } from './users';
import { ROLES } from '@/core/stage';
import type { Role } from '@/core/stage';
import type { User } from './users';

const newcomer = validator({
  type: 'object',
  additionalProperties: false,
  required: ['id', 'name', 'role', 'password'],
  properties: {
    id: { type: 'string', pattern: '^[a-z][a-z0-9.-]{1,39}$' },
    name: { type: 'string', minLength: 1, maxLength: 120, pattern: '\\S' },
    role: { enum: ROLES },
    password: { type: 'string', maxLength: 200 },
  },
});

const change = validator({
  type: 'object',
  additionalProperties: false,
  minProperties: 1,
  properties: {
    role: { enum: ROLES },
    active: { type: 'boolean' },
    password: { type: 'string', maxLength: 200 },
  },
});

/** Adds a person to the shop. Throws a UserError: 400 wrong or a weak password, 409 the name is taken. */
export async function addPerson(client: Client, body: unknown, by: User): Promise<User> {
  const problems = problemsOf(newcomer, body);
  if (problems.length)
    throw new UserError(
      400,
      'This person cannot be added yet.',
      'Sign-in names are small letters, digits, points and dashes; a name, a role and a password are needed.',
      problems,
    );
  const { password, ...person } = body as User & { password: string };
  const { rows } = await client.query('SELECT 1 FROM users WHERE id = $1', [person.id]);
  if (rows.length)
    throw new UserError(409, `Somebody signs in as “${person.id}” already.`, 'Choose another sign-in name.');
  await createUser(client, person, password);
  await audit(client, by.name, 'person added', { id: person.id, role: person.role });
  return person;
}

/**
 * Changes a person's role, lets them in or out, or gives them a new password; their sessions end. Throws a UserError: 404
 * unknown, 409 nobody would be left to own the shop.
 */
export async function changePerson(client: Client, id: string, body: unknown, by: User): Promise<void> {
  const problems = problemsOf(change, body);
  if (problems.length)
    throw new UserError(400, 'This change is not possible.', 'Reload the page and try again.', problems);
  const { role, active, password } = body as { role?: Role; active?: boolean; password?: string };
  if (id === by.id && password !== undefined)
    throw new UserError(
      403,
      'Your own password is changed with the present one.',
      'Open your account: a click on your name leads there.',
    );
  // Under lock, so that two owners do not put each other out at once.
  const { rows } = await client.query<User & { active: boolean }>(
    'SELECT id, name, role, active FROM users ORDER BY id FOR UPDATE',
  );
  const person = rows.find((r) => r.id === id);
  if (!person) throw notFound('person');
  const after = rows.map((r) =>
    r.id === id ? { ...r, role: role ?? r.role, active: active ?? r.active } : r,
  );
  if (!after.some((r) => r.role === 'owner' && r.active))
    throw new UserError(409, 'Nobody would be left to own the shop.', 'Make somebody else an owner first.');
  if (password !== undefined) checkPassword(password, [person.id, person.name]);
  await client.query(
    'UPDATE users SET role = $2, active = $3, password_hash = COALESCE($4, password_hash) WHERE id = $1',
    [id, role ?? person.role, active ?? person.active, password === undefined ? null : await hash(password)],
  );
  await revokeSessions(client, id);
  await audit(client, by.name, 'person changed', {
    id,
    ...(role ? { role } : {}),
    ...(active === undefined ? {} : { active }),
    ...(password === undefined ? {} : { password: 'new' }),
  });
}
