import { randomUUID } from 'node:crypto';
import { recentAudit } from './audit';
import { inTransaction } from './db';
import { checkPassword } from './passwords';
import { changePerson } from './people';
import type { UserError } from './problem';
import {
  closeSession,
  cookieName,
  endSession,
  openSession,
  revokeSessions,
  sessionsOf,
  sessionUser,
} from './sessions';
import { closePool, inDatabase, PASSWORD, someone } from '@/tests/test-database';
import { authenticate, changePassword } from './users';

afterAll(closePool);
/** An address of its own for each test: attempts are counted by address. */
let here = '';
beforeEach(() => {
  here = `test ${randomUUID()}`;
});

test('the right password opens, a wrong one does not, and neither says which part was wrong', async () => {
  const mira = await someone('technician');
  expect(await authenticate(mira.id, PASSWORD, here)).toEqual(mira);
  await expect(authenticate(mira.id, 'wrong', here)).rejects.toThrow('Name or password is wrong.');
  await expect(authenticate('nobody', 'wrong', here)).rejects.toThrow('Name or password is wrong.');
});

describe('guessing', () => {
  const attempt = (id: string, password: string, from = here) =>
    authenticate(id, password, from).then(
      () => 'in',
      (error: UserError) => `${error.status} ${error.message} ${error.remedy}`,
    );

  test('five failures lock the name at that address, even for the right password', async () => {
    const mira = await someone('technician');
    for (let k = 0; k < 5; k++) expect(await attempt(mira.id, 'wrong')).toMatch(/^401/);
    expect(await attempt(mira.id, PASSWORD)).toMatch(/^401/);
  });

  test('failures made at once are all counted: the right password among many wrong ones stays out', async () => {
    const mira = await someone('technician');
    await Promise.all(Array.from({ length: 25 }, () => attempt(mira.id, 'wrong')));
    expect(await attempt(mira.id, PASSWORD)).toMatch(/^401/);
  });

  test('nobody can lock a name for another address', async () => {
    const mira = await someone('technician');
    for (let k = 0; k < 8; k++) await attempt(mira.id, 'wrong');
    expect(await attempt(mira.id, PASSWORD, `${here} elsewhere`)).toBe('in');
  });

  test('a locked, a wrong and an unknown name get the same answer', async () => {
    const mira = await someone('technician');
    const wrong = await attempt(mira.id, 'wrong');
    for (let k = 0; k < 6; k++) await attempt(mira.id, 'wrong');
    expect(await attempt(mira.id, 'wrong')).toBe(wrong);
    expect(await attempt(`nobody-${randomUUID()}`, 'wrong')).toBe(wrong);
  });

  test('a right password wipes out the failures before it', async () => {
    const mira = await someone('technician');
    for (let round = 0; round < 3; round++) {
      for (let k = 0; k < 4; k++) await attempt(mira.id, 'wrong');
      expect(await attempt(mira.id, PASSWORD)).toBe('in');
    }
  });

  test('one address may try only so often, whatever the names', async () => {
    const answers = [];
    for (let k = 0; k < 32; k++) answers.push(await attempt(`nobody-${k}`, 'wrong'));
    expect(answers.slice(0, 30).every((a) => a.startsWith('401'))).toBe(true);
    expect(answers[31]).toMatch(/^429/);
  });

  test('failures and the lock are in the audit trail', async () => {
    const mira = await someone('technician');
    for (let k = 0; k < 5; k++) await attempt(mira.id, 'wrong');
    const trail = (await inDatabase((c) => recentAudit(c, 200))).filter((t) => t.who === mira.name);
    expect(trail.map((t) => t.what).reverse()).toEqual([
      ...new Array(4).fill('sign-in failed'),
      'locked out',
    ]);
  });
});

describe('passwords', () => {
  test.each([
    ['short', /too short/],
    ['password1234', /first that would be guessed/],
    ['qwertyuiop', /first that would be guessed/],
    ['aaaaaaaaaaaa', /first that would be guessed/],
    ['mirabella1', /first that would be guessed/],
    ['mirabellamirabellamirabella', /first that would be guessed/],
    ['mirabella-stone-mirabella', /first that would be guessed/],
    ['x'.repeat(201), /too long/],
    ['nine keys', /too short/],
  ])('%s is refused', (password, words) =>
    expect(() => checkPassword(password, ['mirabella', 'Mirabella Stone'])).toThrow(words),
  );
  test.each(['gravel teapot nineteen', 'gravel teapot nineteen '.repeat(9).slice(0, 200)])(
    'a few unrelated words will do: %s',
    (password) => expect(() => checkPassword(password, ['mira'])).not.toThrow(),
  );

  test('an owner gives others a new one, never themselves: that needs the present one', async () => {
    const [ivo, mira] = [await someone('owner'), await someone('technician')];
    const give = (id: string) =>
      inTransaction((c) => changePerson(c, id, { password: 'gravel teapot nineteen' }, ivo));
    await expect(give(ivo.id)).rejects.toMatchObject({ status: 403 });
    await give(mira.id);
    expect(await authenticate(ivo.id, PASSWORD, here)).toEqual(ivo);
    expect(await authenticate(mira.id, 'gravel teapot nineteen', here)).toEqual(mira);
  });

  test('one’s own is changed with the present one only', async () => {
    const mira = await someone('technician');
    const change = (present: string, next: string) => changePassword(mira, present, next, here);
    await expect(change('wrong', 'gravel teapot nineteen')).rejects.toMatchObject({ status: 403 });
    await expect(change(PASSWORD, 'password1234')).rejects.toMatchObject({ status: 400 });
    await change(PASSWORD, 'gravel teapot nineteen');
    expect(await authenticate(mira.id, 'gravel teapot nineteen', here)).toEqual(mira);
    await expect(authenticate(mira.id, PASSWORD, here)).rejects.toThrow();
  });
});

describe('sessions', () => {
  test('one that nobody used for four hours has ended; listening alone does not keep it', async () => {
    const mira = await someone('technician');
    const token = await inDatabase((c) => openSession(c, mira.id));
    const rest = (time: string) =>
      inDatabase((c) =>
        c.query(`UPDATE sessions SET seen_at = now() - $2::interval WHERE user_id = $1`, [mira.id, time]),
      );
    await rest('3 hours 59 minutes');
    expect(await inDatabase((c) => sessionUser(c, token, false))).toMatchObject(mira);
    await rest('4 hours 1 minute');
    expect(await inDatabase((c) => sessionUser(c, token, false))).toBeNull();
    await rest('3 hours 59 minutes');
    expect(await inDatabase((c) => sessionUser(c, token))).toMatchObject(mira);
    const { rows } = await inDatabase((c) =>
      c.query(`SELECT seen_at > now() - interval '1 minute' AS fresh FROM sessions WHERE user_id = $1`, [
        mira.id,
      ]),
    );
    expect(rows[0].fresh).toBe(true);
  });

  test('one’s own are listed and ended one by one, and never somebody else’s', async () => {
    const [mira, ivo] = [await someone('technician'), await someone('owner')];
    const [a, b] = await inDatabase(async (c) => [
      await openSession(c, mira.id, 'tablet'),
      await openSession(c, mira.id, 'phone'),
    ]);
    const list = await inDatabase((c) => sessionsOf(c, mira.id, b));
    expect(list.map((s) => [s.device, s.own]).sort()).toEqual([
      ['phone', true],
      ['tablet', false],
    ]);
    const tablet = list.find((s) => s.device === 'tablet')!;
    expect(await inDatabase((c) => endSession(c, ivo.id, tablet.id))).toBe(false);
    expect(await inDatabase((c) => endSession(c, mira.id, tablet.id))).toBe(true);
    expect(await inDatabase((c) => sessionUser(c, a))).toBeNull();
    expect(await inDatabase((c) => sessionUser(c, b))).toMatchObject(mira);
  });

  test('behind TLS the cookie can be set by this host alone', () => {
    expect(cookieName(true)).toMatch(/^__Host-/);
    expect(cookieName(false)).not.toMatch(/^__Host-/);
  });
});

test('only a hash of the token is stored', async () => {
  const mira = await someone('technician');
  const token = await inDatabase((c) => openSession(c, mira.id));
  expect(await inDatabase((c) => sessionUser(c, token))).toMatchObject(mira);
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
