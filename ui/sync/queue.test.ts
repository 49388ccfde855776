import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { BATCH_ENTRIES, Queue } from './queue';
import { PhotoQueue } from './photo-queue';
import { openStore } from './store';
import type { JobMark, Store } from './store';

const BEFORE: JobMark = { id: 'job-a', generation: 'before' };
const AFTER: JobMark = { id: 'job-a', generation: 'after' };

let store: Store;
let queue: Queue;
beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  store = await openStore('mira');
  let ids = 0;
  queue = new Queue(store, () => `id-${++ids}`);
});
afterEach(() => store.close());

const write = (slot: string, value: string, seen = 0) => ({ slot, value, seen });
const waiting = async (job: number) =>
  (await queue.waiting(job)).map(({ entry, sent }) => [entry.id, entry.slot, entry.value, entry.seen, sent]);

describe('a field that is written again', () => {
  test('before it set out is the same entry, and has seen no more than its first word', async () => {
    await queue.add(7, [write('a', 'one', 3)]);
    await queue.add(7, [write('a', 'two', 9), write('b', 'x', 9)]);
    expect(await waiting(7)).toEqual([
      ['id-1', 'a', 'two', 3, false],
      ['id-2', 'b', 'x', 9, false],
    ]);
    await queue.add(7, [write('b', 'y', 2)]);
    expect(await waiting(7)).toContainEqual(['id-2', 'b', 'y', 2, false]);
  });
  test('after it set out is another entry in its place, last in line', async () => {
    await queue.add(7, [write('a', 'one', 3), write('b', 'x', 3)]);
    await queue.take(7);
    await queue.add(7, [write('a', 'two', 9)]);
    expect(await waiting(7)).toEqual([
      ['id-2', 'b', 'x', 3, true],
      ['id-3', 'a', 'two', 3, false],
    ]);
  });
  test('twice at once is written once, as the later has it', async () => {
    await queue.add(7, [write('a', 'one'), write('a', 'two')]);
    expect(await waiting(7)).toEqual([['id-1', 'a', 'two', 0, false]]);
  });
  test('in another job is another entry', async () => {
    await queue.add(7, [write('a', 'one')]);
    await queue.add(8, [write('a', 'two')]);
    expect([...(await queue.counts())]).toEqual([
      [7, 1],
      [8, 1],
    ]);
  });
  test('in a job that has the number of another goes apart from what was written for that', async () => {
    await queue.add(7, [write('a', 'one')], BEFORE);
    await queue.add(7, [write('a', 'two')], { id: 'job-b', generation: 'after' });
    expect((await queue.waiting(7)).map((w) => [w.of?.id, w.entry.value])).toEqual([
      ['job-a', 'one'],
      ['job-b', 'two'],
    ]);
    // Of the same job, whichever generation: it keeps the older mark, whose numbers are still to be put right.
    await queue.add(7, [write('a', 'three')], AFTER);
    expect((await queue.waiting(7)).map((w) => [w.of, w.entry.value])[0]).toEqual([BEFORE, 'three']);
  });
});

describe('a batch', () => {
  const taken = async (most?: number) => (await queue.take(7, most)).map((i) => i.entry.slot);
  test('is marked as on its way, no more than was asked for', async () => {
    await queue.add(7, [write('a', '1'), write('b', '2'), write('c', '3')]);
    expect(await taken(2)).toEqual(['a', 'b']);
    expect((await waiting(7)).map((w) => w[4])).toEqual([true, true, false]);
    expect(await taken()).toEqual(['a', 'b', 'c']);
  });
  test('holds at most two hundred', async () => {
    await queue.add(
      7,
      Array.from({ length: BATCH_ENTRIES + 1 }, (_, k) => write(`s${k}`, 'x')),
    );
    expect(await taken()).toHaveLength(200);
  });
  test('holds at most 180,000 bytes, but one entry at least', async () => {
    const long = 'x'.repeat(100_000);
    await queue.add(7, [write('a', long), write('b', long), write('c', 'short')]);
    expect(await taken()).toEqual(['a']);
    await store.clear('entries');
    await queue.add(7, [write('a', long + long), write('c', 'short')]);
    expect(await taken()).toEqual(['a']);
    await store.clear('entries');
    await queue.add(7, [write('a', long), write('c', 'short'), write('d', 'é'.repeat(39_000))]);
    // 78,000 bytes of 39,000 letters: in all just below.
    expect(await taken()).toEqual(['a', 'c', 'd']);
  });
  test('is of one generation', async () => {
    await queue.add(7, [write('a', '1'), write('b', '2')], BEFORE);
    await queue.add(7, [write('c', '3')], AFTER);
    expect(await taken()).toEqual(['a', 'b']);
  });
  test('of nothing is empty', async () => expect(await taken()).toEqual([]));
});

describe('a backup was brought back', () => {
  test('what is of the same job goes to it, and has seen no more than the backup held', async () => {
    await queue.add(7, [write('a', '1', 9), write('b', '2', 2)], BEFORE);
    await queue.add(7, [write('c', '3', 9)], AFTER);
    await queue.add(7, [write('d', '4', 9)]);
    expect(await queue.meet(7, AFTER, 5)).toEqual([]);
    expect((await queue.waiting(7)).map((w) => [w.entry.slot, w.entry.seen, w.of])).toEqual([
      ['a', 5, AFTER],
      ['b', 2, AFTER],
      ['c', 9, AFTER],
      ['d', 9, undefined],
    ]);
  });
  test('what is of another is told, and stays as it was', async () => {
    await queue.add(7, [write('a', '1', 9)], BEFORE);
    const other = await queue.meet(7, { id: 'job-b', generation: 'after' }, 5);
    expect(other.map((w) => w.entry.slot)).toEqual(['a']);
    expect(await waiting(7)).toEqual([['id-1', 'a', '1', 9, false]]);
  });
});

test('what is set aside keeps what was typed, whose job it was, why and when; it can go again or be dropped', async () => {
  await queue.add(7, [write('a', '1', 4)], BEFORE);
  await queue.add(8, [write('b', '2', 4)]);
  const items = [...(await queue.waiting(7)), ...(await queue.waiting(8))];
  await queue.setAside(
    items.map((item) => ({ item, message: 'No.' })),
    '2026-01-01T00:00:00Z',
  );
  expect([...(await queue.counts())]).toEqual([]);
  const [first, second] = await queue.aside();
  expect(first).toMatchObject({ job: 7, of: BEFORE, slot: 'a', value: '1', message: 'No.' });
  expect(first!.at).toBe('2026-01-01T00:00:00Z');
  expect(second).not.toHaveProperty('of');
  await queue.again(first!);
  await queue.discard(second!.key);
  expect(await queue.aside()).toEqual([]);
  expect(await waiting(7)).toEqual([['id-3', 'a', '1', 0, false]]);
  expect((await queue.waiting(7))[0]!.of).toEqual(BEFORE);
});

test('what was taken leaves, the rest stays', async () => {
  await queue.add(7, [write('a', '1'), write('b', '2')]);
  await queue.remove((await queue.waiting(7)).slice(0, 1));
  expect((await waiting(7)).map((w) => w[1])).toEqual(['b']);
});

test('photos are apart: counted, found by job and id, the oldest after another', async () => {
  const photos = new PhotoQueue(store);
  await photos.add(7, 'p1', new Blob(['one']), BEFORE);
  await photos.add(8, 'p1', new Blob(['two, longer']));
  expect(await photos.count()).toBe(2);
  expect((await photos.find(8, 'p1'))!.size).toBe(11);
  expect(await photos.find(9, 'p1')).toBeNull();
  expect(await photos.find(7, 'p2')).toBeNull();
  const first = (await photos.next())!;
  const second = (await photos.next(first.key))!;
  expect([first.job, first.of, second.job]).toEqual([7, BEFORE, 8]);
  expect(second).not.toHaveProperty('of');
  expect(await photos.next(second.key)).toBeNull();
  await photos.meet(first, AFTER);
  expect((await photos.next())!.of).toEqual(AFTER);
  await photos.remove(first);
  expect(await photos.count()).toBe(1);
});
