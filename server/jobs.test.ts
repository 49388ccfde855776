import { randomUUID } from 'node:crypto';
import type { Json } from '@/core/case';
import { inTransaction } from './db';
import { appendEntries } from './entries';
import { board } from './board';
import { eraseCustomer, jobByNumber, setClosed } from './jobs';
import { answerQuote } from './quote-answers';
import { quoteByToken, linkQuote } from './quote-links';
import { makeQuote } from './quote-making';
import type { BoardQuery } from './board';
import { asOwner, closePool, inDatabase, someJob, someone } from '@/tests/test-database';
import type { User } from './users';

afterAll(closePool);

async function jobWith(values: Record<string, Json>, user?: User) {
  const who = user ?? (await someone('owner'));
  const job = await someJob(who);
  const batch = Object.entries(values).map(([slot, value]) => ({ id: randomUUID(), slot, value }));
  if (batch.length) await inTransaction((c) => appendEntries(c, job.number, who, batch));
  return { who, number: job.number, id: job.id };
}
const cards = async (query: Partial<BoardQuery>) =>
  (await inDatabase((c) => board(c, { today: '2026-11-25', ...query }))).flatMap((column) => column.cards);
const find = async (...words: string[]) => (await cards({ words })).map((c) => c.number);

describe('finding jobs', () => {
  test('every word has to occur, in whatever field and case', async () => {
    const mark = randomUUID().slice(0, 8);
    const { number } = await jobWith({
      'customer.name': `Ødegaard ${mark}`,
      'vehicle.make': 'Veldt',
      'vehicle.plate': 'EB 44 KLO',
      'complaint.words': 'Slips in TOP',
    });
    expect(await find(mark)).toEqual([number]);
    expect(await find(mark, 'veldt', 'top')).toEqual([number]);
    expect(await find(mark, 'ØDEGAARD')).toEqual([number]);
    expect(await find(mark, 'klo')).toEqual([number]);
    expect(await find(mark, 'ostrel')).toEqual([number]);
    expect(await find(mark, 'corvane')).toEqual([]);
  });
  test('the signs of a pattern are plain signs', async () => {
    const mark = randomUUID().slice(0, 8);
    const { number } = await jobWith({ 'customer.name': `100% ${mark} a_b \\ c` });
    await jobWith({ 'customer.name': `1000 ${mark} axb` });
    expect(await find(mark, '100%')).toEqual([number]);
    expect(await find(mark, 'a_b')).toEqual([number]);
    expect(await find(mark, '\\')).toEqual([number]);
  });
  test('a job is found by its number', async () => {
    const { number } = await jobWith({});
    expect(await find(String(number))).toContain(number);
  });
  test('right-to-left names and emoji are found as they were written', async () => {
    const mark = randomUUID().slice(0, 8);
    const { number } = await jobWith({ 'customer.name': `مريم 🛠️ ${mark}` });
    expect(await find('مريم', mark)).toEqual([number]);
    expect(await find('🛠️', mark)).toEqual([number]);
  });
});

describe('the stage follows the record', () => {
  test('from intake to build', async () => {
    const { who, number } = await jobWith({ 'unit.fluid.level': { is: 'full' } });
    const stage = async () => (await inDatabase((c) => jobByNumber(c, number))).stage;
    const write = (slot: string, value: Json) =>
      inTransaction((c) => appendEntries(c, number, who, [{ id: randomUUID(), slot, value }]));
    expect(await stage()).toBe('intake');
    await write('grid.D2', { behaviours: ['slips'], when: [], source: 'shop' });
    expect(await stage()).toBe('suspects');
    await write('station.pan.out', true);
    expect(await stage()).toBe('teardown');
    await write('cause.commit', { cause: 'filter:blocked', reason: 'seen' });
    expect(await stage()).toBe('scope');
    const quote = await inTransaction((c) => makeQuote(c, number, who));
    expect(await stage()).toBe('quote');
    const token = await inTransaction((c) => linkQuote(c, number, quote.version, who));
    await inTransaction((c) => answerQuote(c, token, { kind: 'accept', option: 'full', name: 'Ada' }));
    expect(await stage()).toBe('build');
  });
});

describe('the money a job shows', () => {
  const quoted = async (number: number) => (await inDatabase((c) => jobByNumber(c, number))).quoted;
  test('nothing before a quote, the first option while open, the chosen one once accepted', async () => {
    const { who, number } = await jobWith({ 'part.sun-shell.condition': { is: 'failed' } });
    expect(await quoted(number)).toBeNull();
    const first = await inTransaction((c) => makeQuote(c, number, who));
    const total = (id: string) => first.content.options.find((o) => o.id === id)!.total;
    expect(await quoted(number)).toMatchObject({ total: total('targeted'), accepted: false });
    const token = await inTransaction((c) => linkQuote(c, number, 1, who));
    await inTransaction((c) => answerQuote(c, token, { kind: 'accept', option: 'full', name: 'Ada' }));
    expect(await quoted(number)).toMatchObject({ total: total('full'), accepted: true });
    await inTransaction((c) => makeQuote(c, number, who));
    expect(await quoted(number)).toMatchObject({ total: total('full'), accepted: true });
    const card = (await cards({ words: [String(number)] })).find((c) => c.number === number);
    expect(card!.quoted).toMatchObject({ total: total('full'), accepted: true });
  });
});

test('a snapshot of another fold version is folded anew from the entries', async () => {
  const { number, id } = await jobWith({ 'unit.fluid.level': { is: 'low' } });
  await inTransaction((c) =>
    c.query(
      `UPDATE jobs SET fold_version = -1, snapshot = '{"fluid.level":{"value":"wrong"}}' WHERE id = $1`,
      [id],
    ),
  );
  expect((await inDatabase((c) => jobByNumber(c, number))).state['unit.fluid.level']!.value).toEqual({
    is: 'low',
  });
});

test.each([-1, 0.5, Number.NaN, 2 ** 40, 999_999_999])(
  'there is no job %d, and that is said',
  async (number) => {
    await expect(inDatabase((c) => jobByNumber(c, number))).rejects.toMatchObject({ status: 404 });
  },
);

test('entries, answers and the audit trail cannot be changed or removed, not even by hand', async () => {
  const { id } = await jobWith({ 'unit.fluid.level': { is: 'low' } });
  const change = (sql: string) => asOwner((c) => c.query(sql, [id]));
  await expect(change(`UPDATE entries SET value = '"full"' WHERE job_id = $1`)).rejects.toThrow(
    /append-only/,
  );
  await expect(change('DELETE FROM entries WHERE job_id = $1')).rejects.toThrow(/append-only/);
});

describe('the board', () => {
  test('filters by what a job waits for, by what is due, and by what is closed', async () => {
    const mark = randomUUID().slice(0, 8);
    const named = { 'customer.name': mark };
    const waiting = await jobWith({ ...named, 'job.waitsFor': 'part' });
    const late = await jobWith({ ...named, 'job.promised': '2026-11-24' });
    const later = await jobWith({ ...named, 'job.promised': '2026-11-26' });
    const words = [mark];
    const numbers = async (query: Partial<BoardQuery>) =>
      (await cards({ words, ...query })).map((c) => c.number).sort();
    expect(await numbers({ waitsFor: 'part' })).toEqual([waiting.number]);
    expect(await numbers({ due: true })).toEqual([late.number]);
    await inTransaction((c) => setClosed(c, later.number, true, later.who));
    expect(await numbers({})).toEqual([waiting.number, late.number]);
    expect(await numbers({ closed: true })).toEqual([later.number]);
    await inTransaction((c) => setClosed(c, later.number, false, later.who));
    expect(await numbers({})).toHaveLength(3);
  });

  test('shows a column in parts, and says how many there are', async () => {
    const mark = randomUUID().slice(0, 8);
    for (let k = 0; k < 18; k++) await jobWith({ 'customer.name': mark });
    const column = async (from: number) =>
      (await inDatabase((c) => board(c, { words: [mark], stage: 'intake', from, today: '2026-11-25' })))[0]!;
    const [first, rest] = [await column(0), await column(15)];
    expect([first.total, first.cards.length, rest.cards.length]).toEqual([18, 15, 3]);
    const all = new Set([...first.cards, ...rest.cards].map((c) => c.number));
    expect(all.size).toBe(18);
  });

  test('a row that cannot be read is shown as such, and the others as they are', async () => {
    const mark = randomUUID().slice(0, 8);
    const [good, bad] = [await jobWith({ 'customer.name': mark }), await jobWith({ 'customer.name': mark })];
    await asOwner((c) =>
      c.query(`UPDATE jobs SET summary = '{"customer": 7}', quoted = '{"total": "much"}' WHERE id = $1`, [
        bad.id,
      ]),
    );
    const found = await cards({ words: [mark] });
    expect(found.find((c) => c.number === good.number)!.summary.customer).toBe(mark);
    expect(found.find((c) => c.number === bad.number)).toMatchObject({
      quoted: null,
      summary: { vehicle: 'This card cannot be read' },
    });
  });
});

test('erasing a customer leaves nobody’s name anywhere, and everything that was found', async () => {
  const secret = `Zebedee ${randomUUID().slice(0, 8)}`;
  const { who, number, id } = await jobWith({
    'customer.name': secret,
    'customer.phone': '0161 496 0000',
    'vehicle.plate': 'ZB 11 XYZ',
    'vehicle.serial': 'SN-77-Q(4)',
    'complaint.words': `${secret} says it slips; Zebedee’s wife heard it too. Plate zb 11 xyz, serial SN-77-Q(4).`,
    'history.repair.first-one': { done: 'Oil', changed: `Nothing, says ${secret.toUpperCase()}` },
    'part.sun-shell.condition': { is: 'failed' },
  });
  const quote = await inTransaction((c) => makeQuote(c, number, who));
  const token = await inTransaction((c) => linkQuote(c, number, quote.version, who));
  await inTransaction((c) => answerQuote(c, token, { kind: 'accept', option: 'full', name: secret }));
  await asOwner((c) =>
    c.query(
      `INSERT INTO quote_messages (quote_id, kind, sent_to, by_name, by_user) VALUES ($1, 'quote', $2, 'x', $3)`,
      [quote.id, secret, who.id],
    ),
  );
  await inDatabase((c) =>
    c.query(`INSERT INTO quote_pdfs (quote_id, paper, made_of, bytes) VALUES ($1, 'A4', '\\x00', '\\x00')`, [
      quote.id,
    ]),
  );
  await inTransaction((c) => eraseCustomer(c, number, who));
  const papers = await inDatabase((c) => c.query('SELECT 1 FROM quote_pdfs WHERE quote_id = $1', [quote.id]));
  expect(papers.rowCount).toBe(0);
  const left = await asOwner((c) =>
    c.query(
      `SELECT (SELECT json_agg(e) FROM entries e WHERE job_id = $1)::text || (SELECT json_agg(q) FROM quotes q WHERE job_id = $1)::text
         || (SELECT json_agg(a) FROM quote_answers a JOIN quotes q ON q.id = a.quote_id WHERE q.job_id = $1)::text
         || (SELECT json_agg(m) FROM quote_messages m JOIN quotes q ON q.id = m.quote_id WHERE q.job_id = $1)::text
         || (SELECT row_to_json(j) FROM jobs j WHERE id = $1)::text AS everything`,
      [id],
    ),
  );
  for (const word of [
    secret,
    secret.toLowerCase(),
    'Zebedee',
    secret.toUpperCase(),
    '0161 496 0000',
    'ZB 11 XYZ',
    'zb 11 xyz',
    'SN-77',
  ])
    expect(left.rows[0].everything).not.toContain(word);
  const job = await inDatabase((c) => jobByNumber(c, number));
  expect(job.state['part.sun-shell.condition']!.value).toEqual({ is: 'failed' });
  expect(job.state['customer.phone']).toBeUndefined();
  expect(job.state['complaint.words']!.value).toBe(
    'the customer says it slips; the customer’s wife heard it too. Plate the customer, serial the customer.',
  );
  await expect(inDatabase((c) => quoteByToken(c, token))).rejects.toMatchObject({ status: 410 });
  // The record goes on as before.
  await inTransaction((c) =>
    appendEntries(c, number, who, [{ id: randomUUID(), slot: 'unit.fluid.level', value: 'low' }]),
  );
  await expect(asOwner((c) => c.query('DELETE FROM entries WHERE job_id = $1', [id]))).rejects.toThrow(
    /append-only/,
  );
});
