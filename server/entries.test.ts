import { randomUUID } from 'node:crypto';
import { fold, EMPTY_STATE } from '@/core/case';
import type { Json, NewEntry } from '@/core/case';
import { inTransaction } from './db';
import { appendEntries, readBatch } from './entries';
import { board } from './board';
import { entriesOf, jobByNumber, markOf } from './jobs';
import { asOwner, closePool, inDatabase, someJob, someone } from '@/tests/test-database';

afterAll(closePool);
const entry = (slot: string, value: Json): NewEntry => ({ id: randomUUID(), slot, value });

test('entries get the next numbers and fold into the job', async () => {
  const mira = await someone('technician');
  const job = await someJob(mira);
  await inTransaction((c) =>
    appendEntries(c, job.number, mira, [
      entry('unit.fluid.level', { is: 'low' }),
      entry('unit.fluid.level', { is: 'full' }),
    ]),
  );
  const { state, lastSeq } = await inDatabase((c) => jobByNumber(c, job.number));
  expect(lastSeq).toBe(2);
  expect(state['unit.fluid.level']).toMatchObject({ value: { is: 'full' }, seq: 2, by: mira.name });
});

test('sending an entry twice is harmless', async () => {
  const mira = await someone('technician');
  const job = await someJob(mira);
  const one = entry('unit.fluid.level', { is: 'low' });
  await inTransaction((c) => appendEntries(c, job.number, mira, [one, one]));
  const again = await inTransaction((c) => appendEntries(c, job.number, mira, [one]));
  expect(again.entries).toEqual([]);
  expect(await inDatabase((c) => entriesOf(c, job))).toHaveLength(1);
});

test('two people writing at once both keep their entries, in one unbroken order', async () => {
  const [mira, ivo] = [await someone('technician'), await someone('owner')];
  const job = await someJob(mira);
  const batches = Array.from({ length: 12 }, (_, k) =>
    inTransaction((c) =>
      appendEntries(c, job.number, k % 2 ? mira : ivo, [
        entry(`face.low-reverse.${k}.a.heat`, { is: 'cannot-tell' }),
        entry('unit.fluid.level', { is: k % 2 ? 'low' : 'full' }),
      ]),
    ),
  );
  await Promise.all(batches);
  const entries = await inDatabase((c) => entriesOf(c, job));
  expect(entries.map((e) => e.seq)).toEqual(Array.from({ length: 24 }, (_, k) => k + 1));
  const { state } = await inDatabase((c) => jobByNumber(c, job.number));
  expect(state).toEqual(fold(EMPTY_STATE, entries));
  expect(Object.keys(state).filter((s) => s.startsWith('face.'))).toHaveLength(12);
});

test('a bad value is refused by itself; the others of the batch are kept', async () => {
  const mira = await someone('technician');
  const job = await someJob(mira);
  const answer = await inTransaction((c) =>
    appendEntries(c, job.number, mira, [
      entry('unit.fluid.level', { is: 'purple' }),
      entry('nonsense', 1),
      entry('unit.fluid.colour', { is: 'red' }),
    ]),
  );
  expect(answer.refused.map((r) => r.slot)).toEqual(['unit.fluid.level', 'nonsense']);
  expect(answer.entries.map((e) => e.slot)).toEqual(['unit.fluid.colour']);
});

test('the counter writes intake and not findings', async () => {
  const tobin = await someone('counter');
  const job = await someJob(tobin);
  const answer = await inTransaction((c) =>
    appendEntries(c, job.number, tobin, [
      entry('customer.name', 'A'),
      entry('part.filter.condition', { is: 'worn' }),
    ]),
  );
  expect(answer.entries.map((e) => e.slot)).toEqual(['customer.name']);
  expect(answer.refused[0]!.message).toMatch(/technician or the owner/);
});

test('the record is append-only in the database itself', async () => {
  const mira = await someone('technician');
  const job = await someJob(mira);
  await inTransaction((c) => appendEntries(c, job.number, mira, [entry('unit.fluid.level', { is: 'low' })]));
  const remove = 'DELETE FROM entries WHERE job_id = $1';
  await expect(inDatabase((c) => c.query(remove, [job.id]))).rejects.toThrow(/permission denied/);
  // Not even the owner of the table.
  await expect(asOwner((c) => c.query(remove, [job.id]))).rejects.toThrow(/append-only/);
  await expect(
    asOwner((c) => c.query('UPDATE entries SET slot = $2 WHERE job_id = $1', [job.id, 'x'])),
  ).rejects.toThrow(/append-only/);
});

test('a snapshot of another fold version is folded anew', async () => {
  const mira = await someone('technician');
  const job = await someJob(mira);
  await inTransaction((c) => appendEntries(c, job.number, mira, [entry('unit.fluid.level', { is: 'low' })]));
  await inDatabase((c) =>
    c.query(`UPDATE jobs SET fold_version = 0, snapshot = '{}' WHERE id = $1`, [job.id]),
  );
  expect((await inDatabase((c) => jobByNumber(c, job.number))).state['unit.fluid.level']!.value).toEqual({
    is: 'low',
  });
});

test.each([
  [null],
  [{ entries: [] }],
  [{ entries: [{ id: 'short', slot: 'a', value: 1 }] }],
  [{ entries: 'x' }],
  [[1]],
])('a batch like %j is refused with its problems', (body) =>
  expect(() => readBatch(body)).toThrow(/cannot be read/),
);

test('the board finds by words, and treats wildcards as plain text', async () => {
  const mira = await someone('technician');
  const job = await someJob(mira);
  const name = `Zora ${randomUUID().slice(0, 8)}`;
  await inTransaction((c) => appendEntries(c, job.number, mira, [entry('customer.name', name)]));
  const find = async (words: string[]) =>
    (await inDatabase((c) => board(c, { words, today: '2026-01-01' }))).flatMap((column) =>
      column.cards.map((card) => card.number),
    );
  expect(await find([name.split(' ')[1]!])).toEqual([job.number]);
  expect(await find(['%%%'])).toEqual([]);
});

describe('a batch as it was sent', () => {
  const one = { id: 'entry-0001', slot: 'unit.fluid.level', value: { is: 'low' } };
  const many = (count: number) => Array.from({ length: count }, () => one);
  const why = (body: unknown) => {
    try {
      return readBatch(body);
    } catch (error) {
      const { status, problems } = error as {
        status: number;
        problems: { pointer: string; message: string }[];
      };
      return [status, problems[0]!.pointer, problems[0]!.message];
    }
  };

  test.each([1, 500])('of %s entries is read', (count) =>
    expect(readBatch({ entries: many(count), after: 3 })).toEqual({ entries: many(count), after: 3 }),
  );

  test('knows nothing of the record unless it says so', () =>
    expect(readBatch({ entries: [{ ...one, seen: 0 }] }).after).toBe(0));

  test.each<[string, unknown, string, string]>([
    ['nothing', undefined, '/entries', 'must be a list of 1 to 500'],
    ['no list', { entries: { length: 1 } }, '/entries', 'must be a list of 1 to 500'],
    ['an empty list', { entries: [] }, '/entries', 'must be a list of 1 to 500'],
    ['too many', { entries: many(501) }, '/entries', 'must be a list of 1 to 500'],
    ['a place that is none', { entries: [one], after: -1 }, '/after', 'must be a whole number'],
    ['half a place', { entries: [one], after: 0.5 }, '/after', 'must be a whole number'],
    ['a place beyond all', { entries: [one], after: 2 ** 31 }, '/after', 'must be a whole number'],
    ['a place in words', { entries: [one], after: '3' }, '/after', 'must be a whole number'],
    ['no entry', { entries: [one, null] }, '/entries/1', 'must be an object'],
    ['a list for an entry', { entries: [[one]] }, '/entries/0', 'must be an object'],
    ['a short id', { entries: [{ ...one, id: 'entry-1' }] }, '/entries/0', 'needs an id of 8 to 64'],
    ['a long id', { entries: [{ ...one, id: 'e'.repeat(65) }] }, '/entries/0', 'needs an id of 8 to 64'],
    ['an id of signs', { entries: [{ ...one, id: 'entry 0001' }] }, '/entries/0', 'needs an id of 8 to 64'],
    ['no slot', { entries: [{ ...one, slot: '' }] }, '/entries/0', 'needs a slot of 1 to 200'],
    [
      'a long slot',
      { entries: [{ ...one, slot: 's'.repeat(201) }] },
      '/entries/0',
      'needs a slot of 1 to 200',
    ],
    ['no value', { entries: [{ id: one.id, slot: one.slot }] }, '/entries/0', 'needs a value'],
    ['seen in words', { entries: [{ ...one, seen: '1' }] }, '/entries/0', 'has a "seen" that is no whole'],
    [
      'more than an entry has',
      { entries: [{ ...one, by: 'x' }] },
      '/entries/0',
      'has a "by" that is not known',
    ],
  ])('%s is named', (_, body, pointer, message) =>
    expect(why(body)).toEqual([400, pointer, expect.stringContaining(message)]),
  );
});

test('how far a record has come is told without reading it, and an entry says what it was written over', async () => {
  const mira = await someone('technician');
  const { number } = await someJob(mira);
  const job = await inDatabase((c) => jobByNumber(c, number));
  const [first, second] = [
    entry('unit.fluid.level', { is: 'low' }),
    entry('unit.fluid.level', { is: 'full' }),
  ];
  await inTransaction((c) => appendEntries(c, number, mira, [first, { ...second, seen: 1 }]));
  expect(await inDatabase((c) => markOf(c, number))).toEqual({
    id: job.id,
    unit: { id: job.unit.id, version: expect.any(Number) as number },
    lastSeq: 2,
    stage: 'intake',
  });
  await expect(inDatabase((c) => markOf(c, 99_999_999))).rejects.toMatchObject({ status: 404 });
  const [one, two] = await inDatabase((c) => entriesOf(c, job));
  expect(one).toEqual({ ...first, seq: 1, by: mira.name, at: expect.stringMatching(/^\d{4}-.*Z$/) });
  expect(two).toEqual({ ...second, seq: 2, seen: 1, by: mira.name, at: expect.any(String) });
});
