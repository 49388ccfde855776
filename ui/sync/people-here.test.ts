import 'fake-indexeddb/auto';
import { createHash } from 'node:crypto';
import { IDBFactory } from 'fake-indexeddb';
import { closeDevice, currentPerson, openDevice } from '@/workers/device';
import { enter, leave, waitingHere } from './people-here';
import type { Keeping } from './people-here';
import { openStore } from './store';

const MIRA = { id: 'mira', name: 'Mira' };
const TOBIN = { id: 'tobin', name: 'Tobin' };
const keyOf = (id: string) => createHash('sha256').update(id).digest('base64');

let caches: Set<string>;
let told: (string | null)[];
let asked: string[];
let alone: number;
beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  caches = new Set();
  [told, asked, alone] = [[], [], 0];
});
afterEach(closeDevice);

/** A storage of a browser holds its names as its own. */
const storage = {} as Storage;
const keeping = (): Keeping => ({
  storage,
  caches: {
    keys: async () => [...caches],
    delete: async (name: string) => caches.delete(name),
  } as unknown as CacheStorage,
  alone: async (work) => {
    alone++;
    return work();
  },
  tell: (current) => void told.push(current),
});
const comes = (who: { id: string; name: string }, key = keyOf(who.id)) =>
  enter(who, async () => (asked.push(who.id), key), keeping());
const people = async () => (await openDevice()).getAll('people');

const KEPT = ['pelvik-library-3', 'pelvik-pages-3-for-mira', 'pelvik-pages-3-for-tobin', 'program-files'];

test('whoever comes finds only their own pages, and the program’s files are left alone', async () => {
  caches = new Set(KEPT);
  await comes(TOBIN);
  expect([...caches].sort()).toEqual(['pelvik-pages-3-for-tobin', 'program-files']);
  expect(await currentPerson()).toBe('tobin');
  expect([told, alone]).toEqual([['tobin'], 1]);
});

test('whoever is here already keeps everything, and nobody is told', async () => {
  await comes(MIRA);
  caches = new Set(KEPT);
  await comes(MIRA);
  expect([...caches]).toEqual(KEPT);
  expect(told).toEqual(['mira']);
});

test('whoever leaves keeps no page here, and the other tabs hear it', async () => {
  await comes(MIRA);
  caches = new Set(KEPT);
  await leave('mira', keeping());
  expect([...caches]).toEqual(['program-files']);
  expect(await currentPerson()).toBeNull();
  expect(told).toEqual(['mira', null]);
  expect(await people()).toEqual([]);
});

test('whoever was never here can leave', async () => {
  await leave('tobin', keeping());
  expect(await people()).toEqual([]);
  expect(told).toEqual([null]);
});

test('where the browser keeps no pages nothing is missing', async () => {
  const { caches: _, ...without } = keeping();
  await enter(MIRA, async () => keyOf('mira'), without);
  await leave('mira', without);
  expect(told).toEqual(['mira', null]);
});

test('the key is asked for once, and the next page finds it', async () => {
  await comes(MIRA);
  await comes(MIRA);
  expect(asked).toEqual(['mira']);
  expect(await people()).toMatchObject([{ id: 'mira', name: 'Mira', key: expect.anything() as unknown }]);
});

test('a key that cannot be had is asked for again; whoever comes is known all the same', async () => {
  await comes(MIRA, 'no key');
  expect(await people()).toEqual([MIRA]);
  await comes(MIRA);
  expect(asked).toEqual(['mira', 'mira']);
  expect((await people())[0]).toHaveProperty('key');
});

test('a new name is known from then on', async () => {
  await comes(MIRA);
  await comes({ ...MIRA, name: 'Mira H.' });
  expect(await people()).toMatchObject([{ id: 'mira', name: 'Mira H.', key: expect.anything() as unknown }]);
});

/** Leaves so many changes of a job unsent. */
async function writes(id: string, changes: number): Promise<void> {
  const store = await openStore(id);
  for (let k = 0; k < changes; k++)
    await store.add('entries', {
      job: 7,
      entry: { id: `entry-${k}`, slot: `s${k}`, value: 'x', seen: 0 },
      sent: false,
    });
  store.close();
}

test('what waits here is counted by person, locked or not, but for whoever asks', async () => {
  await comes(MIRA);
  await writes('mira', 2);
  expect(await waitingHere(null)).toEqual([{ ...MIRA, changes: 2 }]);
  expect(await waitingHere('mira')).toEqual([]);
  await comes(TOBIN);
  // Who has nothing waiting is not named.
  expect(await waitingHere(null)).toEqual([{ ...MIRA, changes: 2 }]);
  await writes('tobin', 1);
  expect(await waitingHere('mira')).toEqual([{ ...TOBIN, changes: 1 }]);
  await comes(MIRA);
  expect(await waitingHere(null)).toEqual([
    { ...MIRA, changes: 2 },
    { ...TOBIN, changes: 1 },
  ]);
});
