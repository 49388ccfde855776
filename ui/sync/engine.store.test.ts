import { IDBFactory } from 'fake-indexeddb';
import 'fake-indexeddb/auto';
import { idle, World } from '@/tests/sync-world';
import { SyncEngine } from './engine';
import { openStore } from './store';
import type { Store } from './store';

const JOB = 7;
const low = { slot: 'fluid.level', value: 'low', seen: 0 };

/** An engine whose stores and pauses stand in the test's hand. */
async function engine() {
  globalThis.indexedDB = new IDBFactory();
  const world = new World();
  const stores: Store[] = [];
  const closed: Store[] = [];
  const pauses: { milliseconds: number; work: () => void }[] = [];
  let opens = true;
  const sync = new SyncEngine({
    openStore: async () => {
      if (!opens) throw new Error('A newer version has it.');
      const store = await openStore('Mira');
      const close = store.close.bind(store);
      store.close = () => {
        closed.push(store);
        close();
      };
      stores.push(store);
      return store;
    },
    transport: world.server.transport('Mira'),
    newId: () => `entry-${Math.random()}`,
    now: () => '2026-01-01T00:00:00.000Z',
    alone: (_what, work) => work(),
    openChannel: () => ({ tell: () => undefined, close: () => undefined }),
    after: (milliseconds, work) => {
      pauses.push({ milliseconds, work });
      return () => undefined;
    },
  });
  await idle();
  return { world, sync, stores, closed, pauses, opening: (may: boolean) => (opens = may) };
}

/** While the store takes nothing; how often it was asked to. */
async function full(work: (tries: () => number) => Promise<void>): Promise<void> {
  const { add } = IDBObjectStore.prototype;
  let tries = 0;
  IDBObjectStore.prototype.add = () => {
    tries++;
    throw new DOMException('full', 'QuotaExceededError');
  };
  try {
    await work(() => tries);
  } finally {
    IDBObjectStore.prototype.add = add;
  }
}

test('a store that was taken away is opened anew at once, the old one closed, and the write kept and sent', async () => {
  const { world, sync, stores, closed, pauses } = await engine();
  stores[0]!.close();
  closed.length = 0;
  await sync.write(JOB, [low]);
  await idle();
  expect(stores).toHaveLength(2);
  expect(closed).toEqual([stores[0]]);
  expect(pauses).toEqual([]);
  expect(await sync.store()).toBe(stores[1]);
  expect(world.server.of(JOB)).toHaveLength(1);
  await sync.stop();
});

test('a store that will not take a write is tried twice at once, then after each pause', async () => {
  const { world, sync, stores, pauses } = await engine();
  let kept = false;
  await full(async (tries) => {
    void sync.write(JOB, [low]).then(() => (kept = true));
    await idle();
    expect([tries(), stores.length]).toEqual([2, 2]);
    expect(pauses.map((p) => p.milliseconds)).toEqual([1000]);
    pauses.pop()!.work();
    await idle();
    expect([tries(), pauses.length]).toEqual([3, 1]);
  });
  expect(kept).toBe(false);
  pauses.pop()!.work();
  await idle();
  expect(kept).toBe(true);
  expect(world.server.of(JOB)).toHaveLength(1);
  await sync.stop();
});

test('after the end nothing is tried again', async () => {
  const { sync, stores, pauses } = await engine();
  await full(async (tries) => {
    void sync.write(JOB, [low]);
    await idle();
    await sync.stop();
    const before = [tries(), stores.length];
    pauses.splice(0).forEach(({ work }) => work());
    await idle();
    expect([tries(), stores.length]).toEqual(before);
    expect(pauses).toEqual([]);
  });
});

test('where another version has the store, the one there was stays', async () => {
  const { sync, stores, closed, pauses, opening } = await engine();
  opening(false);
  await full(async () => {
    void sync.write(JOB, [low]);
    await idle();
  });
  expect(closed).toEqual([]);
  expect(await sync.store()).toBe(stores[0]);
  expect(sync.read().waiting).toBe(1);
  pauses.pop()!.work();
  await idle();
  expect(sync.read().waiting).toBe(0);
  await sync.stop();
});
