import 'fake-indexeddb/auto';
import { idle, shown, World } from '@/tests/sync-world';
import type { Tab } from '@/tests/sync-world';
import { openDB } from 'idb';

const JOB = 7;
let world: World;
beforeEach(() => {
  world = new World();
});
afterEach(() => world.tabs.forEach((tab) => tab.close()));

const aside = (tab: Tab) => tab.engine.read().aside.map((a) => [a.slot, a.value, a.message]);

test('a write is seen at once, kept, sent, and then no longer kept', async () => {
  const tab = await world.device('Mira').tab();
  const view = await tab.show(JOB);
  view.write([['fluid.level', 'low']]);
  expect(shown(view)).toEqual({ 'fluid.level': 'low' });
  await world.settle();
  expect(world.server.of(JOB)).toMatchObject([{ slot: 'fluid.level', value: 'low', seq: 1 }]);
  expect(tab.engine.read()).toMatchObject({ connection: 'online', waiting: 0 });
});

test('kept is only what is in the store, and while the store refuses nothing is', async () => {
  const tab = await world.device('Mira').tab();
  let done = 0;
  await tab.engine.kept().then(() => done++);
  expect(done).toBe(1);
  const add = IDBObjectStore.prototype.add;
  IDBObjectStore.prototype.add = () => {
    throw new DOMException('full', 'QuotaExceededError');
  };
  try {
    void tab.engine.write(JOB, [{ slot: 'fluid.level', value: 'low', seen: 0 }]);
    void tab.engine.kept().then(() => done++);
    expect([...tab.engine.read().byJob]).toEqual([[JOB, 1]]);
    await world.settle();
    expect(done).toBe(1);
    expect(tab.engine.read().waiting).toBe(1);
    expect([...tab.engine.read().byJob]).toEqual([[JOB, 1]]);
  } finally {
    IDBObjectStore.prototype.add = add;
  }
  await world.settle();
  expect(done).toBe(2);
  expect([...tab.engine.read().byJob]).toEqual([]);
});

test('what waits is counted by job, photos apart', async () => {
  const tab = await world.device('Mira').tab();
  world.server.fault = () => 'busy';
  const write = (job: number, slot: string) => tab.engine.write(job, [{ slot, value: 'low', seen: 0 }]);
  await write(JOB, 'fluid.level');
  await write(JOB, 'fluid.smell');
  await write(JOB + 1, 'fluid.level');
  await tab.engine.addPhoto(JOB + 2, 'photo-0001', new Blob(['a picture']));
  await world.settle();
  expect(tab.engine.read().waiting).toBe(4);
  expect([...tab.engine.read().byJob]).toEqual([
    [JOB, 2],
    [JOB + 1, 1],
  ]);
});

test('why nothing is taken is said in the server’s words, until something is', async () => {
  const tab = await world.device('Mira').tab();
  const view = await tab.show(JOB);
  world.server.fault = () => 'busy';
  view.write([['fluid.level', 'low']]);
  await world.settle();
  expect(tab.engine.read()).toMatchObject({ connection: 'offline', says: 'The disk is full.', waiting: 1 });
  world.server.fault = () => 'cut';
  tab.engine.wake();
  await world.settle();
  expect(tab.engine.read()).toMatchObject({ connection: 'offline', says: null, waiting: 1 });
  world.server.fault = () => 'busy';
  tab.engine.wake();
  await world.settle();
  world.server.fault = () => null;
  tab.engine.wake();
  await world.settle();
  expect(tab.engine.read()).toMatchObject({ connection: 'online', says: null, waiting: 0 });
});

test('what a page that listens meets is the state of the connection, but for what is being sent', async () => {
  const tab = await world.device('Mira').tab();
  await tab.show(JOB);
  await world.settle();
  const shows: unknown[] = [];
  const end = tab.engine.subscribe(() => shows.push(tab.engine.read().connection));
  tab.engine.met('online');
  expect(shows).toEqual([]);
  tab.engine.met('offline');
  expect(tab.engine.read()).toMatchObject({ connection: 'offline', says: null });
  expect(shows).toEqual(['offline']);
  tab.engine.met('online');
  expect(shows).toEqual(['offline', 'online']);
  // While something is on its way its own answer says what the connection is like.
  const meanwhile: unknown[] = [];
  const stop = tab.engine.subscribe(() => {
    if (!tab.engine.read().busy || meanwhile.length) return;
    tab.engine.met('offline');
    meanwhile.push(tab.engine.read().connection);
  });
  void tab.engine.write(JOB, [{ slot: 'fluid.level', value: 'low', seen: 0 }]);
  await world.settle();
  expect(meanwhile).toEqual(['online']);
  stop();
  const heard = shows.length;
  end();
  tab.engine.met('offline');
  expect(shows).toHaveLength(heard);
});

test('what waits of every job is sent, whichever page is open', async () => {
  const device = world.device('Mira');
  const before = await device.tab();
  world.server.fault = () => 'cut';
  (await before.show(1)).write([['fluid.level', 'low']]);
  (await before.show(2)).write([['fluid.level', 'full']]);
  await world.settle();
  expect(before.engine.read()).toMatchObject({ connection: 'offline', waiting: 2 });
  before.close();
  world.server.fault = () => null;
  // The board: no job is open at all.
  await device.tab();
  await world.settle();
  expect(world.server.state(1)['fluid.level']!.value).toBe('low');
  expect(world.server.state(2)['fluid.level']!.value).toBe('full');
});

test('an answer that got lost does no harm: the same id is sent again and counted once', async () => {
  const tab = await world.device('Mira').tab();
  const view = await tab.show(JOB);
  let times = 0;
  world.server.fault = () => (times++ === 0 ? 'lost' : null);
  view.write([['fluid.level', 'low']]);
  await world.settle();
  expect(world.server.of(JOB)).toHaveLength(1);
  expect(tab.engine.read().waiting).toBe(0);
});

test('a text that grows while the network is gone is one waiting entry', async () => {
  const tab = await world.device('Mira').tab();
  const view = await tab.show(JOB);
  view.write([['complaint.words', 'a']]);
  await world.settle();
  world.server.fault = () => 'cut';
  for (let k = 1; k <= 75; k++) {
    view.write([['complaint.words', 'я'.repeat(k)]]);
    await world.settle(1);
  }
  expect(tab.engine.read().waiting).toBe(1);
  world.server.fault = () => null;
  await world.settle();
  expect(world.server.of(JOB).map((e) => (e.value as string).length)).toEqual([1, 75]);
});

test('batches are cut by count and by bytes', async () => {
  const tab = await world.device('Mira').tab();
  const sizes: [number, number][] = [];
  world.server.refuseAll = (entries) => {
    sizes.push([entries.length, Buffer.byteLength(JSON.stringify(entries))]);
    return null;
  };
  await tab.engine.write(
    1,
    Array.from({ length: 450 }, (_, k) => ({ slot: `face.forward.${k}.a.heat`, value: 'bright', seen: 0 })),
  );
  await tab.engine.write(
    2,
    Array.from({ length: 60 }, (_, k) => ({ slot: `part.p${k}`, value: 'ю'.repeat(4000), seen: 0 })),
  );
  await world.quiet();
  expect(world.server.of(1)).toHaveLength(450);
  expect(world.server.of(2)).toHaveLength(60);
  for (const [count, bytes] of sizes) {
    expect(count).toBeLessThanOrEqual(200);
    expect(bytes).toBeLessThanOrEqual(190_000);
  }
});

describe('what the server refuses', () => {
  test('is set aside with its reason and what was typed, and the rest is kept', async () => {
    world.server.refuse = (e) => (e.slot === 'filter.state' ? 'Not this one.' : null);
    const tab = await world.device('Mira').tab();
    const view = await tab.show(JOB);
    view.write([
      ['filter.state', 'blocked'],
      ['fluid.level', 'low'],
    ]);
    await world.settle();
    expect(aside(tab)).toEqual([['filter.state', 'blocked', 'Not this one.']]);
    expect(shown(view)).toEqual({ 'fluid.level': 'low' });
    expect(tab.engine.read()).toMatchObject({ connection: 'online', waiting: 0 });
  });

  test('whole, is halved until the one that cannot stand is alone', async () => {
    world.server.refuseAll = (list) => (list.some((e) => e.slot === 'part.p13') ? 'Too large.' : null);
    const tab = await world.device('Mira').tab();
    await tab.engine.write(
      JOB,
      Array.from({ length: 50 }, (_, k) => ({ slot: `part.p${k}`, value: 1, seen: 0 })),
    );
    await world.quiet();
    expect(aside(tab)).toEqual([['part.p13', 1, 'Too large.']]);
    expect(world.server.of(JOB)).toHaveLength(49);
  });

  test('by stumbling over it again and again, is set aside too and holds up nothing', async () => {
    world.server.stumble = (list) => list.some((e) => e.slot === 'part.bad.condition');
    const tab = await world.device('Mira').tab();
    await tab.engine.write(JOB, [
      { slot: 'part.bad.condition', value: 1, seen: 0 },
      { slot: 'part.good.condition', value: 1, seen: 0 },
    ]);
    await world.quiet();
    expect(aside(tab).map(([slot]) => slot)).toEqual(['part.bad.condition']);
    expect(world.server.of(JOB).map((e) => e.slot)).toEqual(['part.good.condition']);
  });

  test('each anew: what another stumbled is not counted against it', async () => {
    world.server.stumble = () => true;
    const tab = await world.device('Mira').tab();
    await tab.engine.write(JOB, [
      { slot: 'part.one.condition', value: 1, seen: 0 },
      { slot: 'part.two.condition', value: 1, seen: 0 },
    ]);
    await world.quiet();
    // Both three times, then the one alone, then the other three times.
    expect(world.server.batches.map((b) => b.ids.length)).toEqual([2, 2, 2, 1, 1, 1, 1]);
    expect(new Set(world.server.batches.slice(4).flatMap((b) => b.ids)).size).toBe(1);
    expect(aside(tab)).toHaveLength(2);
  });

  test('three times alone while the server is well, and not once more; a server that fails on all is away', async () => {
    world.server.stumble = () => true;
    const tab = await world.device('Mira').tab();
    await tab.engine.write(JOB, [{ slot: 'part.bad.condition', value: 1, seen: 0 }]);
    await world.quiet();
    expect(world.server.batches).toHaveLength(3);
    expect(aside(tab)).toHaveLength(1);
    world.server.batches.length = 0;
    world.server.fault = () => 'failed';
    await tab.engine.write(JOB, [{ slot: 'part.good.condition', value: 1, seen: 0 }]);
    await world.settle(4);
    expect(tab.engine.read()).toMatchObject({ connection: 'offline', waiting: 1 });
    expect(aside(tab)).toHaveLength(1);
    world.server.fault = () => null;
    world.server.stumble = () => false;
    await world.quiet();
    expect(world.server.of(JOB).map((e) => e.slot)).toEqual(['part.good.condition']);
  });

  test('can be mended and sent, or discarded; it survives a reload until then', async () => {
    const device = world.device('Mira');
    world.server.refuse = (e) => (e.value === 'bad' ? 'Not this one.' : null);
    const first = await device.tab();
    await first.engine.write(JOB, [
      { slot: 'complaint.words', value: 'bad', seen: 0 },
      { slot: 'complaint.after', value: 'bad', seen: 0 },
    ]);
    await world.settle();
    first.close();
    const tab = await device.tab();
    const [words, after] = tab.engine.read().aside;
    await tab.engine.settle({ ...words!, value: 'good' }, 'again');
    await tab.engine.settle(after!, 'discard');
    await world.settle();
    expect(aside(tab)).toEqual([]);
    expect(world.server.of(JOB)).toMatchObject([{ slot: 'complaint.words', value: 'good' }]);
  });
});

test('signed out: nothing is lost, nothing is tried in a loop, and it goes on after signing in', async () => {
  world.server.fault = () => 'signed-out';
  const tab = await world.device('Mira').tab();
  await tab.engine.write(JOB, [{ slot: 'fluid.level', value: 'low', seen: 0 }]);
  await world.settle(1);
  expect(tab.engine.read()).toMatchObject({ connection: 'signed-out', waiting: 1 });
  const tries = world.server.requests;
  await new Promise((resolve) => setTimeout(resolve, 30));
  expect(world.server.requests).toBe(tries);
  world.server.fault = () => null;
  tab.engine.wake();
  await world.settle();
  expect(world.server.of(JOB)).toHaveLength(1);
});

test('a picture that is none is refused in words, its entry is taken back, the rest goes on', async () => {
  world.server.refusePhoto = 'This file is not a picture.';
  const tab = await world.device('Mira').tab();
  const view = await tab.show(JOB);
  await tab.engine.addPhoto(JOB, 'photo-0001', new Blob(['text']));
  view.write([
    ['photo.photo-0001', { about: 'debris' }],
    ['fluid.level', 'low'],
  ]);
  await world.settle(8);
  expect(aside(tab).map(([, , message]) => message)).toEqual(['This file is not a picture.']);
  expect(shown(view)).toEqual({ 'fluid.level': 'low' });
  expect(tab.engine.read().waiting).toBe(0);
});

test('photos wait for the network too, and can be shown until then', async () => {
  world.server.fault = () => 'cut';
  const device = world.device('Mira');
  const tab = await device.tab();
  await tab.engine.addPhoto(JOB, 'photo-0001', new Blob(['a picture']));
  await world.settle(1);
  expect(tab.engine.read().waiting).toBe(1);
  expect(await tab.engine.photo(JOB, 'photo-0001')).not.toBeNull();
  tab.close();
  world.server.fault = () => null;
  const next = await device.tab();
  await world.settle();
  expect(world.server.photos).toEqual(['photo-0001']);
  expect(await next.engine.photo(JOB, 'photo-0001')).toBeNull();
});

test('a photo on a slow line holds up no writes', async () => {
  let arrive = () => {};
  world.server.slowPhotos = new Promise((resolve) => (arrive = resolve));
  const tab = await world.device('Mira').tab();
  const view = await tab.show(JOB);
  await tab.engine.addPhoto(JOB, 'photo-0001', new Blob(['a large picture']));
  await world.settle(1);
  view.write([['fluid.level', 'low']]);
  await world.settle(2);
  expect(world.server.of(JOB)).toHaveLength(1);
  expect(tab.engine.read()).toMatchObject({ waiting: 1, busy: true });
  arrive();
  await world.settle(2);
  expect(tab.engine.read()).toMatchObject({ waiting: 0, busy: false, connection: 'online' });
});

test('a photo the server fails on waits and is tried again; those after it go', async () => {
  world.server.fault = () => 'cut';
  world.server.stumblePhoto = (id) => id === 'photo-0001';
  const tab = await world.device('Mira').tab();
  for (const id of ['photo-0001', 'photo-0002']) await tab.engine.addPhoto(JOB, id, new Blob([id]));
  await idle();
  world.server.fault = () => null;
  // At once, without waiting for the pause.
  tab.engine.wake();
  await idle();
  expect(world.server.photos).toEqual(['photo-0002']);
  expect(tab.engine.read()).toMatchObject({ waiting: 1, connection: 'offline' });
  world.server.stumblePhoto = () => false;
  await world.settle(1);
  expect(world.server.photos).toEqual(['photo-0002', 'photo-0001']);
  expect(tab.engine.read()).toMatchObject({ waiting: 0, connection: 'online' });
});

test('a job the server is too busy for is tried again, though another went through', async () => {
  world.server.fault = () => 'cut';
  const tab = await world.device('Mira').tab();
  for (const job of [JOB, JOB + 1])
    await tab.engine.write(job, [{ slot: 'fluid.level', value: 'low', seen: 0 }]);
  await idle();
  let requests = 0;
  world.server.fault = () => (requests++ === 0 ? 'busy' : null);
  tab.engine.wake();
  await idle();
  await world.settle(2);
  expect(tab.engine.read()).toMatchObject({ waiting: 0, connection: 'online' });
  for (const job of [JOB, JOB + 1]) expect(world.server.of(job)).toHaveLength(1);
});

test('what an earlier version of the program left waiting is taken over', async () => {
  const device = world.device('Mira');
  globalThis.indexedDB = device.factory;
  const old = await openDB('pelvik-outbox-Mira', 1, {
    upgrade: (db) =>
      void db.createObjectStore('items', { keyPath: 'key', autoIncrement: true }).createIndex('job', 'job'),
  });
  await old.add('items', {
    job: JOB,
    kind: 'entry',
    entry: { id: 'entry-of-before', slot: 'fluid.level', value: 'low' },
  });
  await old.add('items', {
    job: JOB,
    kind: 'photo',
    photo: { id: 'photo-of-before', blob: new Blob(['x']) },
  });
  old.close();
  await device.tab();
  await world.settle();
  expect(world.server.of(JOB)).toMatchObject([{ id: 'entry-of-before', value: 'low' }]);
  expect(world.server.photos).toEqual(['photo-of-before']);
});
