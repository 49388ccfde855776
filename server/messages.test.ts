import { mkdtemp, readdir, readFile, stat } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { randomUUID } from 'node:crypto';
import { inTransaction } from './db';
import { appendEntries } from './entries';
import { forgetMessages, messagesOf, replyTo, sendMessage } from './messages';
import { quotesOf } from './quotes';
import { answerQuote } from './quote-answers';
import { linkQuote, quoteByToken } from './quote-links';
import { makeQuote } from './quote-making';
import { asOwner, closePool, inDatabase, someJob, someone } from '@/tests/test-database';

afterAll(closePool);
let folder = '';
beforeAll(async () => {
  folder = await mkdtemp(path.join(os.tmpdir(), 'pelvik-outbox-'));
  process.env.PELVIK_OUTBOX = folder;
});

async function made() {
  const owner = await someone('owner');
  const job = await someJob(owner);
  const write = (slot: string, value: never) =>
    inTransaction((c) => appendEntries(c, job.number, owner, [{ id: randomUUID(), slot, value }]));
  await write('part.sun-shell.condition', { is: 'failed' } as never);
  await inTransaction((c) => makeQuote(c, job.number, owner));
  const send = (body: object, version = 1) =>
    sendMessage(job.number, version, body, 'http://shop.test', owner);
  const status = async () => (await inDatabase((c) => quotesOf(c, job.id)))[0]!.status;
  return { owner, job, write, send, status };
}
const letters = async () =>
  Promise.all((await readdir(folder)).map((f) => readFile(path.join(folder, f), 'utf8')));

test('a link alone is not sent; what went out is, and the message holds a link that opens it', async () => {
  const { owner, job, send, status } = await made();
  await inTransaction((c) => linkQuote(c, job.number, 1, owner));
  expect(await status()).toBe('draft');
  const before = (await letters()).length;
  await send({ kind: 'quote', to: 'ann@example.test' });
  expect(await status()).toBe('sent');
  const all = await letters();
  expect(all).toHaveLength(before + 1);
  const mine = all.find((l) => l.includes(`quote ${job.number} from`))!;
  expect(mine).toContain('To: ann@example.test\r\n');
  const token = mine.match(/http:\/\/shop\.test\/q\/([\w-]+)/)![1]!;
  expect(token.length).toBeGreaterThanOrEqual(43);
  expect((await inDatabase((c) => quoteByToken(c, token))).version).toBe(1);
  await send({ kind: 'reminder', to: 'ann@example.test' });
  expect((await inDatabase((c) => messagesOf(c, job.id)))[1]).toMatchObject([
    { kind: 'quote', to: 'ann@example.test', by: owner.name },
    { kind: 'reminder' },
  ]);
});

test('what does not go out is not called sent, and leaves no trace that it was', async () => {
  const { job, send, status } = await made();
  await expect(send({ kind: 'quote', to: 'fail@example.test' })).rejects.toMatchObject({ status: 503 });
  expect(await status()).toBe('draft');
  expect(await inDatabase((c) => messagesOf(c, job.id))).toEqual({});
  // The link that was made for it opens nothing.
  const { rows } = await inDatabase((c) =>
    c.query('SELECT l.revoked_at FROM quote_links l JOIN quotes q ON q.id = l.quote_id WHERE q.job_id = $1', [
      job.id,
    ]),
  );
  expect(rows.map((r) => r.revoked_at !== null)).toEqual([true]);
});

test('the messages of a job are taken out of the outbox, and no others', async () => {
  const [mine, other] = [await made(), await made()];
  for (const { send } of [mine, other]) await send({ kind: 'quote', to: 'ann@example.test' });
  await forgetMessages(mine.job.number);
  const left = (await readdir(folder)).map((f) => Number(/-(\d+)-1\.eml$/.exec(f)![1]));
  expect([left.includes(mine.job.number), left.includes(other.job.number)]).toEqual([false, true]);
});

test('where no message was ever written none is to be taken out', async () => {
  process.env.PELVIK_OUTBOX = path.join(folder, 'nowhere');
  try {
    await expect(forgetMessages(1)).resolves.toBeUndefined();
  } finally {
    process.env.PELVIK_OUTBOX = folder;
  }
});

test('the link stands before the message leaves, and only the shop may read what was sent', async () => {
  const { job, send } = await made();
  const before = new Set(await readdir(folder));
  // The note of it cannot be written: the link in the message is good all the same.
  await asOwner((c) =>
    c.query(
      `ALTER TABLE quote_messages ADD CONSTRAINT nobody CHECK (sent_to <> 'nobody@example.test') NOT VALID`,
    ),
  );
  try {
    await expect(send({ kind: 'quote', to: 'nobody@example.test' })).rejects.toThrow();
  } finally {
    await asOwner((c) => c.query('ALTER TABLE quote_messages DROP CONSTRAINT nobody'));
  }
  const file = (await readdir(folder)).find((f) => !before.has(f))!;
  const letter = await readFile(path.join(folder, file), 'utf8');
  const token = letter.match(/\/q\/([\w-]+)/)![1]!;
  expect((await inDatabase((c) => quoteByToken(c, token))).jobNumber).toBe(job.number);
  expect([(await stat(path.join(folder, file))).mode & 0o777, (await stat(folder)).mode & 0o777]).toEqual([
    0o600, 0o700,
  ]);
});

test('sent by hand is noted, with nobody named', async () => {
  const { job, send, status } = await made();
  await send({ kind: 'by-hand', to: '' });
  expect(await status()).toBe('sent');
  expect((await inDatabase((c) => messagesOf(c, job.id)))[1]).toMatchObject([{ kind: 'by-hand', to: '' }]);
});

test.each([
  [{ kind: 'quote', to: ' ' }, 1, 400],
  [{ kind: 'shout', to: 'a@b' }, 1, 400],
  [{ kind: 'quote' }, 1, 400],
  [{ kind: 'quote', to: 'a@b' }, 7, 404],
])('%j of version %d: %d', async (body, version, status) => {
  const { send } = await made();
  await expect(send(body, version)).rejects.toMatchObject({ status });
});

test('nobody smuggles a head into a message', async () => {
  const { send } = await made();
  await send({ kind: 'quote', to: 'ann@example.test\r\nBcc: all@example.test' });
  expect((await letters()).some((l) => /^Bcc:/m.test(l))).toBe(false);
});

test('a question is answered in its thread, and the customer reads it', async () => {
  const { owner, job } = await made();
  const token = await inTransaction((c) => linkQuote(c, job.number, 1, owner));
  await inTransaction((c) => answerQuote(c, token, { kind: 'ask', name: 'Ann', message: 'When?' }));
  await inTransaction((c) => replyTo(c, job.number, 1, { message: ' On Tuesday. ' }, owner));
  const { answers, status } = await inDatabase((c) => quoteByToken(c, token));
  expect(answers.map((a) => [a.kind, a.name, a.message])).toEqual([
    ['ask', 'Ann', 'When?'],
    ['reply', owner.name, 'On Tuesday.'],
  ]);
  expect(status).toBe('draft');
  await expect(
    inTransaction((c) => replyTo(c, job.number, 1, { message: '  ' }, owner)),
  ).rejects.toMatchObject({ status: 400 });
  await expect(
    inTransaction((c) => replyTo(c, job.number, 9, { message: 'x' }, owner)),
  ).rejects.toMatchObject({ status: 404 });
  // A customer cannot write in the shop's name.
  await expect(
    inTransaction((c) => answerQuote(c, token, { kind: 'reply', name: 'Shop', message: 'x' })),
  ).rejects.toMatchObject({ status: 400 });
});

test('more found after a yes makes a version that says what it changes, and needs a new yes; the accepted one stands', async () => {
  const { owner, job, write } = await made();
  const token = await inTransaction((c) => linkQuote(c, job.number, 1, owner));
  await inTransaction((c) => answerQuote(c, token, { kind: 'accept', option: 'targeted', name: 'Ann' }));
  await write('part.pump-cover.condition', { is: 'failed' } as never);
  const next = await inTransaction((c) => makeQuote(c, job.number, owner));
  const [second, first] = await inDatabase((c) => quotesOf(c, job.id));
  expect([first!.status, second!.status]).toEqual(['accepted', 'draft']);
  expect(first!.content.supplement).toBeNull();
  const { supplement } = next.content;
  expect(supplement).toMatchObject({ version: 1, accepted: 'Targeted repair', option: 'targeted' });
  expect(supplement!.lines.map((l) => l.name)).toContain('Pump cover');
  expect(supplement!.now).toBeGreaterThan(supplement!.was);
  const again = await inTransaction((c) => linkQuote(c, job.number, 2, owner));
  await inTransaction((c) => answerQuote(c, again, { kind: 'accept', option: 'targeted', name: 'Ann' }));
  expect((await inDatabase((c) => quotesOf(c, job.id))).map((q) => q.status)).toEqual([
    'accepted',
    'superseded',
  ]);
});
