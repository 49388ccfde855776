import { inTransaction } from './db';
import { mayWrite, demand as needs } from './permissions';
import { closeSession, openSession, revokeSessions, sessionUser } from './sessions';
import { closePool, inDatabase, PASSWORD, someone } from './test-database';
import { authenticate, createUser } from './users';

afterAll(closePool);

test('the right password opens, a wrong one does not, and neither says which part was wrong', async () => {
  const mira = await someone('technician');
  expect(await inDatabase((c) => authenticate(c, mira.id, PASSWORD))).toEqual(mira);
  await expect(inDatabase((c) => authenticate(c, mira.id, 'wrong'))).rejects.toThrow(
    'Name or password is wrong.',
  );
  await expect(inDatabase((c) => authenticate(c, 'nobody', 'wrong'))).rejects.toThrow(
    'Name or password is wrong.',
  );
});

test('five failures lock the name, even for the right password', async () => {
  const mira = await someone('technician');
  for (let k = 0; k < 5; k++)
    await expect(inDatabase((c) => authenticate(c, mira.id, 'wrong'))).rejects.toThrow();
  await expect(inDatabase((c) => authenticate(c, mira.id, PASSWORD))).rejects.toMatchObject({ status: 429 });
});

test('short passwords are refused', async () => {
  await expect(
    inTransaction((c) => createUser(c, { id: 'short.one', name: 'S', role: 'owner' }, 'short')),
  ).rejects.toThrow(/too short/);
});

test('only a hash of the token is stored', async () => {
  const mira = await someone('technician');
  const token = await inDatabase((c) => openSession(c, mira.id));
  expect(await inDatabase((c) => sessionUser(c, token))).toEqual(mira);
  const { rows } = await inDatabase((c) =>
    c.query(`SELECT encode(token_hash, 'escape') AS kept FROM sessions WHERE user_id = $1`, [mira.id]),
  );
  expect(JSON.stringify(rows)).not.toContain(token);
});

test('closed, revoked, expired and invented sessions open nothing', async () => {
  const mira = await someone('technician');
  const [a, b, c] = await inDatabase(async (client) => [
    await openSession(client, mira.id),
    await openSession(client, mira.id),
    await openSession(client, mira.id),
  ]);
  await inDatabase((client) => closeSession(client, a!));
  expect(await inDatabase((client) => sessionUser(client, a))).toBeNull();
  await inDatabase((client) =>
    client.query(
      `UPDATE sessions SET expires_at = now() - interval '1 second' WHERE token_hash = sha256($1::bytea)`,
      [Buffer.from(b!)],
    ),
  );
  expect(await inDatabase((client) => sessionUser(client, b))).toBeNull();
  await inDatabase((client) => revokeSessions(client, mira.id));
  expect(await inDatabase((client) => sessionUser(client, c))).toBeNull();
  expect(await inDatabase((client) => sessionUser(client, 'invented'))).toBeNull();
});

test('roles: sending a quote is the counter’s, findings are the bench’s, the shop page is the owner’s', () => {
  const as = (role: 'technician' | 'counter' | 'owner') => ({ id: role, name: role, role });
  expect(() => needs(as('technician'), 'send-quote')).toThrow(/may not/);
  expect(() => needs(as('counter'), 'send-quote')).not.toThrow();
  expect(() => needs(as('counter'), 'see-shop')).toThrow(/may not/);
  expect(mayWrite('counter', 'plate.high.1.a')).toBe(false);
  expect(mayWrite('technician', 'plate.high.1.a')).toBe(true);
});
