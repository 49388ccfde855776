import type { Entry, NewEntry } from '@/core/case';
import { valueOf } from '@/core/case';
import type { OutboxItem } from './outbox';
import { RequestError } from './request';
import type * as Requests from './request';
import { JobSync } from './sync';

/** The browser's database, as long as a test lasts: what is kept here survives a "reload". */
let kept: (OutboxItem & { key: number })[] = [];
let nextKey = 1;
jest.mock('./outbox', () => ({
  Outbox: {
    open: async () => ({
      add: async (item: OutboxItem) => void kept.push({ ...item, key: nextKey++ }),
      waiting: async (job: number) => kept.filter((i) => i.job === job),
      remove: async (keys: number[]) => void (kept = kept.filter((i) => !keys.includes(i.key))),
    }),
  },
}));

/** The server: gives sequence numbers, knows ids it has seen, may be down or refuse. */
const server = { entries: [] as Entry[], down: false, status: 0, refuse: '', sent: 0 };
jest.mock('./request', () => {
  const actual = jest.requireActual<typeof Requests>('./request');
  return {
    ...actual,
    send: async (method: string, url: string, body?: { entries: NewEntry[] }) => {
      server.sent++;
      if (server.down) throw new TypeError('no network');
      if (server.status) throw new actual.RequestError(server.status, 'No.', 'Sign in.');
      if (method === 'PUT')
        throw new actual.RequestError(415, 'This file is not a picture.', 'Take a photo.');
      if (method === 'GET') {
        const after = Number(url.split('after=')[1]);
        return { entries: server.entries.filter((e) => e.seq > after) };
      }
      return append(body!.entries);
    },
  };
});

function append(batch: NewEntry[], by = 'Mira') {
  const fresh = batch.filter((e) => !server.entries.some((s) => s.id === e.id) && e.slot !== server.refuse);
  const added = fresh.map((e, k): Entry => ({
    ...e,
    seq: server.entries.length + k + 1,
    by,
    at: '2026-01-01T00:00:00Z',
  }));
  server.entries.push(...added);
  const refused = batch
    .filter((e) => e.slot === server.refuse)
    .map((e) => ({ id: e.id, slot: e.slot, message: 'Not this one.' }));
  return { entries: added, refused, lastSeq: server.entries.length };
}

const open = () => new JobSync(7, { id: 'mira', name: 'Mira' }, {}, 0);
const settled = async (sync: JobSync, kind = 'saved') => {
  for (let k = 0; k < 200 && sync.read().status.kind !== kind; k++)
    await new Promise((r) => setTimeout(r, 5));
  expect(sync.read().status.kind).toBe(kind);
};
const value = (sync: JobSync, slot: string) => valueOf(sync.read().state, slot);

let syncs: JobSync[] = [];
const begun = async () => {
  const sync = open();
  syncs.push(sync);
  await sync.begin();
  return sync;
};

beforeEach(() => {
  kept = [];
  Object.assign(server, { entries: [], down: false, status: 0, refuse: '', sent: 0 });
});
afterEach(() => {
  syncs.forEach((s) => s.end());
  syncs = [];
});

test('a write is seen at once, kept, sent, and then no longer kept', async () => {
  const sync = await begun();
  sync.write('fluid.level', 'low');
  expect(value(sync, 'fluid.level')).toBe('low');
  await settled(sync);
  expect(server.entries).toMatchObject([{ slot: 'fluid.level', value: 'low', seq: 1 }]);
  expect(kept).toEqual([]);
});

test('with the network gone the write stays, and a reload takes it up and sends it once', async () => {
  server.down = true;
  const before = await begun();
  before.write('fluid.level', 'low');
  await settled(before, 'offline');
  expect(kept).toHaveLength(1);
  before.end();
  server.down = false;
  const after = await begun();
  expect(value(after, 'fluid.level')).toBe('low');
  await settled(after);
  expect(server.entries).toHaveLength(1);
});

test('an answer that got lost does no harm: the same id is sent again and counted once', async () => {
  const sync = await begun();
  sync.write('fluid.level', 'low');
  await settled(sync);
  const [entry] = server.entries;
  kept = [
    { key: 99, job: 7, kind: 'entry', entry: { id: entry!.id, slot: entry!.slot, value: entry!.value } },
  ];
  const again = await begun();
  await settled(again);
  expect(server.entries).toHaveLength(1);
  expect(kept).toEqual([]);
});

test('what is refused is said with what was typed, and the rest is kept', async () => {
  server.refuse = 'filter.state';
  const sync = await begun();
  sync.writeMany([
    ['filter.state', 'blocked'],
    ['fluid.level', 'low'],
  ]);
  await settled(sync);
  expect(sync.read().refusals).toMatchObject([
    { slot: 'filter.state', value: 'blocked', message: 'Not this one.' },
  ]);
  expect(value(sync, 'filter.state')).toBeUndefined();
  expect(value(sync, 'fluid.level')).toBe('low');
  sync.dismiss(sync.read().refusals[0]!);
  expect(sync.read().refusals).toEqual([]);
});

test('signed out: nothing is lost, nothing is tried in a loop', async () => {
  server.status = 401;
  const sync = await begun();
  sync.write('fluid.level', 'low');
  await settled(sync, 'signed-out');
  const tries = server.sent;
  await new Promise((r) => setTimeout(r, 60));
  expect(server.sent).toBe(tries);
  expect(kept).toHaveLength(1);
});

test('an acknowledgement changes no value: the state stays the same object', async () => {
  const sync = await begun();
  sync.write('fluid.level', 'low');
  const shown = sync.read().state;
  await settled(sync);
  expect(sync.read().state).toBe(shown);
});

test('what another wrote in between is not overlooked: only an unbroken run moves the mark', async () => {
  const sync = await begun();
  append([{ id: 'other-0001', slot: 'fluid.colour', value: 'black' }], 'Ivo');
  sync.write('fluid.level', 'low');
  await settled(sync);
  expect(server.entries.map((e) => [e.by, e.seq])).toEqual([
    ['Ivo', 1],
    ['Mira', 2],
  ]);
  // The own entry came back as number 2 while number 1 is not known yet: the next listening must still ask from 0.
  for (let k = 0; k < 120 && value(sync, 'fluid.colour') === undefined; k++)
    await new Promise((r) => setTimeout(r, 50));
  expect(value(sync, 'fluid.colour')).toBe('black');
}, 10_000);

test('a later write of one’s own wins over an earlier one of another, by the server’s order', async () => {
  const sync = await begun();
  append([{ id: 'other-0001', slot: 'fluid.level', value: 'full' }], 'Ivo');
  sync.write('fluid.level', 'low');
  await settled(sync);
  expect(value(sync, 'fluid.level')).toBe('low');
});

test('a picture that is none is refused in words, its entry is taken back, the rest goes on', async () => {
  const sync = await begun();
  await sync.addPhoto('photo-0001', new Blob(['text']));
  sync.write('photo.photo-0001', { about: 'debris' });
  sync.write('fluid.level', 'low');
  await settled(sync);
  expect(sync.read().refusals[0]!.message).toContain('not a picture');
  expect(value(sync, 'fluid.level')).toBe('low');
  expect(kept).toEqual([]);
});

test('listeners hear of every change and can leave', async () => {
  const sync = await begun();
  const heard = jest.fn();
  const leave = sync.subscribe(heard);
  sync.write('fluid.level', 'low');
  expect(heard).toHaveBeenCalled();
  await settled(sync);
  leave();
  heard.mockClear();
  sync.write('fluid.level', 'full');
  expect(heard).not.toHaveBeenCalled();
  await settled(sync);
});

test('an error of the server’s is an error with its remedy', () => {
  expect(new RequestError(409, 'Taken.', 'Choose another.')).toMatchObject({
    status: 409,
    remedy: 'Choose another.',
  });
});
