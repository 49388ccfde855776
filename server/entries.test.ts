import { randomUUID } from 'node:crypto';
import { fold, EMPTY_STATE } from '@/core/case';
import type { Json, NewEntry } from '@/core/case';
import { inTransaction } from './db';
import { appendEntries, readBatch } from './entries';
import { board } from './board';
import { entriesOf, jobByNumber } from './jobs';
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
