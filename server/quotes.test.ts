import { randomUUID } from 'node:crypto';
import { MOST_VERSIONS } from '@/core/case';
import type { Json } from '@/core/case';
import { orderLines } from '@/core/quote';
import { inTransaction } from './db';
import { appendEntries } from './entries';
import { board } from './board';
import { closeJob } from './close';
import { jobByNumber, setClosed } from './jobs';
import { replyTo } from './messages';
import { agreedOf, quotesOf } from './quotes';
import { answerQuote } from './quote-answers';
import { recentAudit } from './audit';
import { quoteByToken, revokeLinks, linkQuote } from './quote-links';
import { makeQuote } from './quote-making';
import { asOwner, closePool, inDatabase, someJob, someone } from '@/tests/test-database';
import type { User } from './users';

afterAll(closePool);

async function quoted() {
  const ivo = await someone('owner');
  const job = await someJob(ivo);
  const write = (slot: string, value: Json) =>
    inTransaction((c) => appendEntries(c, job.number, ivo, [{ id: randomUUID(), slot, value }]));
  await write('part.sun-shell.condition', { is: 'failed' });
  const quote = await inTransaction((c) => makeQuote(c, job.number, ivo));
  const token = await inTransaction((c) => linkQuote(c, job.number, quote.version, ivo));
  const answer = (body: unknown) => inTransaction((c) => answerQuote(c, token, body));
  return { ivo, job, quote, token, write, answer };
}

test('a link shows its quote; the stored hash is not the token', async () => {
  const { token, quote } = await quoted();
  expect((await inDatabase((c) => quoteByToken(c, token))).version).toBe(quote.version);
  expect(token.length).toBeGreaterThanOrEqual(43);
  const { rows } = await inDatabase((c) =>
    c.query(`SELECT encode(token_hash, 'base64') AS kept FROM quote_links`),
  );
  expect(rows.some((r) => r.kept === token)).toBe(false);
});

test('accepting freezes the version: later changes make a new one', async () => {
  const { ivo, job, answer, write, quote } = await quoted();
  const accepted = await answer({ kind: 'accept', option: 'targeted', name: 'Ada Verhoeven' });
  expect(accepted.status).toBe('accepted');
  expect((await inDatabase((c) => jobByNumber(c, job.number))).stage).toBe('build');
  await write('scope.policy.overhaul', 'full');
  const next = await inTransaction((c) => makeQuote(c, job.number, ivo));
  expect(next.version).toBe(2);
  const versions = await inDatabase((c) => quotesOf(c, job.id));
  expect(versions.find((q) => q.version === 1)).toMatchObject({ status: 'accepted', content: quote.content });
  const change = (sql: string) => inDatabase((c) => c.query(sql, [job.id]));
  await expect(change(`UPDATE quotes SET content = '{}' WHERE job_id = $1`)).rejects.toThrow(/frozen/);
  await expect(
    change(`UPDATE quotes SET status = 'declined' WHERE job_id = $1 AND version = 1`),
  ).rejects.toThrow(/frozen/);
});

test('an acceptance on a closed job reopens it, and the board says so until it is closed again', async () => {
  const { ivo, job, answer } = await quoted();
  await inTransaction((c) => setClosed(c, job.number, true, ivo));
  await answer({ kind: 'accept', option: 'targeted', name: 'Ada Verhoeven' });
  expect((await inDatabase((c) => jobByNumber(c, job.number))).closed).toBe(false);
  const card = async () => {
    const columns = await inDatabase((c) => board(c, { words: [String(job.number)], today: '2026-11-30' }));
    return columns.flatMap((c) => c.cards).find((c) => c.number === job.number);
  };
  expect(await card()).toMatchObject({ reopened: true, quoted: { accepted: true } });
  await inTransaction((c) => setClosed(c, job.number, true, ivo));
  await inTransaction((c) => setClosed(c, job.number, false, ivo));
  expect(await card()).toMatchObject({ reopened: false });
});

test('money agreed and parts not ordered: closed with a reason only, and not from the bench', async () => {
  const { ivo, job, answer, write } = await quoted();
  const [mira, tobin] = [await someone('technician'), await someone('counter')];
  const close = (user: User, asked: { closed: boolean; reason?: string }) =>
    inTransaction((c) => closeJob(c, job.number, asked, user));
  await close(mira, { closed: true });
  await close(mira, { closed: false });
  await answer({ kind: 'accept', option: 'targeted', name: 'Ada Verhoeven' });
  await expect(close(mira, { closed: true, reason: 'done' })).rejects.toMatchObject({ status: 403 });
  await expect(close(tobin, { closed: true, reason: '  ' })).rejects.toMatchObject({ status: 409 });
  await close(tobin, { closed: true, reason: 'The customer sold the car' });
  const trail = await inDatabase((c) =>
    c.query(
      `SELECT about FROM audit WHERE what = 'job closed' AND about ->> 'job' = $1 ORDER BY id DESC LIMIT 1`,
      [String(job.number)],
    ),
  );
  expect(trail.rows[0].about).toMatchObject({ reason: 'The customer sold the car' });
  await close(ivo, { closed: false });
  const agreed = await inDatabase((c) => agreedOf(c, job.id));
  const { state } = await inDatabase((c) => jobByNumber(c, job.number));
  for (const { key } of orderLines(agreed!.option, state))
    await write(`order.${key}`, { state: 'ordered', on: '2026-11-30' });
  await close(mira, { closed: true });
});

test('forty questions and forty answers of the shop bar nobody from accepting', async () => {
  const { ivo, job, answer } = await quoted();
  for (let k = 0; k < 40; k++) {
    await answer({ kind: 'ask', name: 'Ada Verhoeven', message: `Question ${k}` });
    await inTransaction((c) => replyTo(c, job.number, 1, { message: `Answer ${k}` }, ivo));
  }
  await expect(answer({ kind: 'ask', name: 'Ada Verhoeven', message: 'One more' })).rejects.toMatchObject({
    status: 429,
  });
  expect((await answer({ kind: 'accept', option: 'full', name: 'Ada Verhoeven' })).status).toBe('accepted');
});

test('a photo whose picture never came is no part of a quote, and two hundred are enough', async () => {
  const { ivo, job, write } = await quoted();
  await write('photo.never-came-1', { about: 'debris' });
  const came = Array.from({ length: 203 }, (_, k) => `photo-${String(k).padStart(4, '0')}`);
  await inTransaction((c) =>
    appendEntries(
      c,
      job.number,
      ivo,
      came.map((id) => ({ id: randomUUID(), slot: `photo.${id}`, value: { about: 'debris' } })),
    ),
  );
  await inDatabase((c) =>
    c.query(
      `INSERT INTO photos (job_id, id, width, height, bytes, created_by, created_by_user)
       SELECT $1, unnest($2::text[]), 1, 1, '\\x00', $3, $4`,
      [job.id, came, ivo.name, ivo.id],
    ),
  );
  const { content } = await inTransaction((c) => makeQuote(c, job.number, ivo));
  expect([content.photos.length, content.photos.some((p) => p.id === 'never-came-1')]).toEqual([200, false]);
});

test('a job holds no more versions than a case file may', async () => {
  const { ivo, job } = await quoted();
  const to = (version: number) =>
    asOwner((c) =>
      c.query(
        `INSERT INTO quotes (id, job_id, version, status, content, created_by, created_by_user)
         SELECT gen_random_uuid(), job_id, v, 'superseded', content, created_by, created_by_user
         FROM quotes, generate_series(2, $2) v WHERE job_id = $1 AND version = 1`,
        [job.id, version],
      ),
    );
  await to(MOST_VERSIONS - 1);
  const make = () => inTransaction((c) => makeQuote(c, job.number, ivo));
  expect((await make()).version).toBe(MOST_VERSIONS);
  await expect(make()).rejects.toMatchObject({
    status: 409,
    message: expect.stringContaining('200 versions'),
  });
});

test('an accepted quote cannot be accepted or declined again, but asked about', async () => {
  const { answer } = await quoted();
  await answer({ kind: 'accept', option: 'full', name: 'Ada Verhoeven' });
  await expect(answer({ kind: 'decline', name: 'Ada Verhoeven' })).rejects.toMatchObject({ status: 409 });
  expect((await answer({ kind: 'ask', name: 'Ada Verhoeven', message: 'When?' })).status).toBe('accepted');
});

test.each([
  [{ kind: 'accept', name: 'Ada' }],
  [{ kind: 'accept', option: 'cheapest', name: 'Ada' }],
  [{ kind: 'accept', option: 'full', name: ' ' }],
  [{ kind: 'steal', name: 'Ada' }],
  [{ kind: 'ask', name: 'Ada', message: 'x'.repeat(2001) }],
  ['text'],
])('an answer like %j is refused', async (body) => {
  const { answer } = await quoted();
  await expect(answer(body)).rejects.toMatchObject({ status: 400 });
});

test('expired, revoked and unknown links say so and show nothing', async () => {
  const { ivo, job, token, quote } = await quoted();
  await expect(inDatabase((c) => quoteByToken(c, `${token}x`))).rejects.toMatchObject({ status: 404 });
  const revoke = () => inTransaction((c) => revokeLinks(c, job.number, quote.version, ivo));
  expect(await revoke()).toBe(1);
  await expect(inDatabase((c) => quoteByToken(c, token))).rejects.toMatchObject({ status: 410 });
  expect(await revoke()).toBe(0);
  const trail = (await inDatabase((c) => recentAudit(c, 50))).filter((t) => t.who === ivo.name);
  expect(trail.find((t) => t.what === 'quote links revoked')!.about).toEqual({
    job: job.number,
    version: quote.version,
  });
  const again = await inTransaction((c) => linkQuote(c, job.number, quote.version, ivo));
  await inDatabase((c) =>
    c.query(`UPDATE quote_links SET expires_at = now() - interval '1 minute' WHERE quote_id = $1`, [
      quote.id,
    ]),
  );
  await expect(inDatabase((c) => quoteByToken(c, again))).rejects.toMatchObject({ status: 410 });
});

test.each([
  ['one that cannot be read', `content = '{"options": {}}'`],
  ['one that came with a case file', 'imported = true'],
])('%s is not answered', async (_, change) => {
  const { quote, answer } = await quoted();
  await asOwner(async (c) => {
    await c.query('ALTER TABLE quotes DISABLE TRIGGER quotes_frozen');
    await c.query(`UPDATE quotes SET ${change} WHERE id = $1`, [quote.id]);
    await c.query('ALTER TABLE quotes ENABLE TRIGGER quotes_frozen');
  });
  for (const kind of ['accept', 'ask'])
    await expect(
      answer({ kind, option: 'full', name: 'Ada Verhoeven', message: 'May I tow?' }),
    ).rejects.toMatchObject({ status: 409, message: 'This quote cannot be answered.' });
});

test('a newer version supersedes the open one; its link no longer accepts', async () => {
  const { ivo, job, answer } = await quoted();
  await inTransaction((c) => makeQuote(c, job.number, ivo));
  await expect(answer({ kind: 'accept', option: 'full', name: 'Ada' })).rejects.toMatchObject({
    status: 409,
  });
});

describe('a later quote', () => {
  test('can be accepted after an earlier one: one stands, both stay in the history', async () => {
    const { ivo, job, answer } = await quoted();
    await answer({ kind: 'accept', option: 'targeted', name: 'Ada Verhoeven' });
    const next = await inTransaction((c) => makeQuote(c, job.number, ivo));
    const token = await inTransaction((c) => linkQuote(c, job.number, next.version, ivo));
    const accept = (body: unknown) => inTransaction((c) => answerQuote(c, token, body));
    const done = await accept({ kind: 'accept', option: 'full', name: 'Ada Verhoeven' });
    expect(done).toMatchObject({ version: 2, status: 'accepted' });
    const versions = await inDatabase((c) => quotesOf(c, job.id));
    expect(versions.map((q) => [q.version, q.status])).toEqual([
      [2, 'accepted'],
      [1, 'superseded'],
    ]);
    expect(versions[1]!.answers.map((a) => a.kind)).toEqual(['accept']);
    const { quoted: money, stage } = await inDatabase((c) => jobByNumber(c, job.number));
    expect(money).toMatchObject({
      total: next.content.options.find((o) => o.id === 'full')!.total,
      accepted: true,
    });
    expect(stage).toBe('build');
    // The older one cannot be taken back into force.
    await expect(answer({ kind: 'accept', option: 'full', name: 'Ada' })).rejects.toMatchObject({
      status: 409,
    });
    await expect(
      inDatabase((c) =>
        c.query(`UPDATE quotes SET status = 'accepted' WHERE job_id = $1 AND version = 1`, [job.id]),
      ),
    ).rejects.toThrow(/frozen|one_accepted/);
  });

  test('two presses at once accept once', async () => {
    const { job, answer } = await quoted();
    const both = await Promise.allSettled([
      answer({ kind: 'accept', option: 'full', name: 'Ada' }),
      answer({ kind: 'accept', option: 'targeted', name: 'Ada' }),
    ]);
    expect(both.filter((b) => b.status === 'fulfilled')).toHaveLength(1);
    const [quote] = await inDatabase((c) => quotesOf(c, job.id));
    expect(quote!.answers.filter((a) => a.kind === 'accept')).toHaveLength(1);
  });

  test('made by two people at once is two versions, the second in force', async () => {
    const { ivo, job } = await quoted();
    const made = await Promise.all([1, 2].map(() => inTransaction((c) => makeQuote(c, job.number, ivo))));
    expect(made.map((q) => q.version).sort()).toEqual([2, 3]);
    const versions = await inDatabase((c) => quotesOf(c, job.id));
    expect(versions.map((q) => q.status)).toEqual(['draft', 'superseded', 'superseded']);
  });
});

test('accepting to leave it unrepaired does not send the job to be built', async () => {
  const { job, answer } = await quoted();
  await answer({ kind: 'accept', option: 'no-repair', name: 'Ada Verhoeven' });
  expect((await inDatabase((c) => jobByNumber(c, job.number))).stage).toBe('quote');
});

test('a stored quote that is none is shown as such, and the others as they are', async () => {
  const { ivo, job } = await quoted();
  await inTransaction((c) => makeQuote(c, job.number, ivo));
  await asOwner(async (c) => {
    await c.query('ALTER TABLE quotes DISABLE TRIGGER quotes_frozen');
    await c.query(`UPDATE quotes SET content = '{"options": {}}' WHERE job_id = $1 AND version = 1`, [
      job.id,
    ]);
    await c.query('ALTER TABLE quotes ENABLE TRIGGER quotes_frozen');
  });
  const [good, bad] = await inDatabase((c) => quotesOf(c, job.id));
  expect(good).toMatchObject({ version: 2, unreadable: false });
  expect(good!.content.options.length).toBeGreaterThan(1);
  expect(bad).toMatchObject({ version: 1, unreadable: true });
  // Nothing is offered, proposed or said that nobody wrote.
  const { options, photos, couldChange, barred } = bad!.content;
  expect([options, photos, couldChange, barred]).toEqual([[], [], [], []]);
});
