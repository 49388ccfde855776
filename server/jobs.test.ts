import { randomUUID } from 'node:crypto';
import type { Json } from '@/core/case';
import { inTransaction } from './db';
import { appendEntries } from './entries';
import { board, jobByNumber } from './jobs';
import { answerQuote, makeQuote, sendQuote } from './quotes';
import { closePool, inDatabase, someJob, someone } from './test-database';
import type { User } from './users';

afterAll(closePool);

async function jobWith(values: Record<string, Json>, user?: User) {
  const who = user ?? (await someone('owner'));
  const job = await someJob(who);
  const batch = Object.entries(values).map(([slot, value]) => ({ id: randomUUID(), slot, value }));
  if (batch.length) await inTransaction((c) => appendEntries(c, job.number, who, batch));
  return { who, number: job.number, id: job.id };
}
const find = async (...words: string[]) => (await inDatabase((c) => board(c, words))).map((c) => c.number);

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
    const { who, number } = await jobWith({ 'fluid.level': 'full' });
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
    const token = await inTransaction((c) => sendQuote(c, number, quote.version, who));
    await inTransaction((c) => answerQuote(c, token, { kind: 'accept', option: 'full', name: 'Ada' }));
    expect(await stage()).toBe('build');
  });
});

describe('the money a job shows', () => {
  const quoted = async (number: number) => (await inDatabase((c) => jobByNumber(c, number))).quoted;
  test('nothing before a quote, the first option while open, the chosen one once accepted', async () => {
    const { who, number } = await jobWith({ 'part.sun-shell': { grade: 'failed' } });
    expect(await quoted(number)).toBeNull();
    const first = await inTransaction((c) => makeQuote(c, number, who));
    const total = (id: string) => first.content.options.find((o) => o.id === id)!.total;
    expect(await quoted(number)).toEqual({ total: total('targeted'), accepted: false });
    const token = await inTransaction((c) => sendQuote(c, number, 1, who));
    await inTransaction((c) => answerQuote(c, token, { kind: 'accept', option: 'full', name: 'Ada' }));
    expect(await quoted(number)).toEqual({ total: total('full'), accepted: true });
    await inTransaction((c) => makeQuote(c, number, who));
    expect(await quoted(number)).toEqual({ total: total('full'), accepted: true });
    const [card] = await inDatabase((c) => board(c, [String(number)]));
    expect(card!.quoted).toEqual({ total: total('full'), accepted: true });
  });
});

test('a snapshot of another fold version is folded anew from the entries', async () => {
  const { number, id } = await jobWith({ 'fluid.level': 'low' });
  await inTransaction((c) =>
    c.query(
      `UPDATE jobs SET fold_version = -1, snapshot = '{"fluid.level":{"value":"wrong"}}' WHERE id = $1`,
      [id],
    ),
  );
  expect((await inDatabase((c) => jobByNumber(c, number))).state['fluid.level']!.value).toBe('low');
});

test.each([-1, 0.5, Number.NaN, 2 ** 40, 999_999_999])(
  'there is no job %d, and that is said',
  async (number) => {
    await expect(inDatabase((c) => jobByNumber(c, number))).rejects.toMatchObject({ status: 404 });
  },
);

test('entries, answers and the audit trail cannot be changed or removed, not even by hand', async () => {
  const { id } = await jobWith({ 'fluid.level': 'low' });
  const change = (sql: string) => inTransaction((c) => c.query(sql, [id]));
  await expect(change(`UPDATE entries SET value = '"full"' WHERE job_id = $1`)).rejects.toThrow(
    /append-only/,
  );
  await expect(change('DELETE FROM entries WHERE job_id = $1')).rejects.toThrow(/append-only/);
});
