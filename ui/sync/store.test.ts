import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { deleteStore, hasStore, openStore } from './store';

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
});

test('a person’s store is known by their own name alone, until it is deleted', async () => {
  expect(await hasStore('mira')).toBe(false);
  (await openStore('mira')).close();
  (await openStore('ivo')).close();
  expect(await hasStore('mira')).toBe(true);
  for (const other of ['mir', 'mira2', 'tobin', ''])
    expect([other, await hasStore(other)]).toEqual([other, false]);
  await deleteStore('mira');
  expect(await hasStore('mira')).toBe(false);
  expect(await hasStore('ivo')).toBe(true);
});

test('a browser that cannot say which stores there are may have one', async () => {
  Object.defineProperty(indexedDB, 'databases', { value: undefined });
  expect(await hasStore('mira')).toBe(true);
});

test('a store open in one place makes room for one that deletes it, and holds up nobody', async () => {
  const open = await openStore('mira');
  await open.add('entries', {
    job: 7,
    entry: { id: 'a', slot: 'fluid.level', value: 'low', seen: 0 },
    sent: false,
  });
  await deleteStore('mira');
  const fresh = await openStore('mira');
  expect(await fresh.count('entries')).toBe(0);
  fresh.close();
});
