import 'fake-indexeddb/auto';
import { idle, shown, World } from '@/tests/sync-world';
import { openDevice } from '@/workers/device';
import { giveBack, typedName } from './left';
import { keyFrom } from './lock';

/** Several people at one device, one after the other. */
const JOB = 7;
let world: World;
beforeEach(() => {
  world = new World();
});
afterEach(() => world.tabs.forEach((tab) => tab.close()));

/** Mira writes two fields without the network and leaves the tablet; her session ends by itself. */
async function miraLeaves() {
  const tablet = world.device('Mira');
  await tablet.signIn('Mira');
  const hers = await tablet.tab();
  world.server.fault = () => 'cut';
  (await hers.show(JOB)).write([
    ['complaint.words', 'Mira’s own words'],
    ['fluid.level', 'low'],
  ]);
  await world.settle();
  tablet.session = null;
  world.server.fault = () => null;
  return { tablet, hers };
}

test('a page of who was here before sends nothing in the name of who is here now', async () => {
  const { tablet, hers } = await miraLeaves();
  tablet.session = 'Tobin';
  hers.engine.wake();
  await world.settle();
  expect(world.server.of(JOB)).toEqual([]);
  expect(hers.engine.read()).toMatchObject({ connection: 'other-person', waiting: 2 });
  expect(await hers.engine.waiting(JOB)).toHaveLength(2);
});

test('what one person left waits, locked, through others’ signing in and out, and is sent under their own name', async () => {
  const { tablet } = await miraLeaves();
  await tablet.signIn('Tobin');
  expect(await tablet.waitingHere('Tobin')).toEqual([{ id: 'Mira', name: 'Mira', changes: 2 }]);
  const his = await tablet.tab('Tobin');
  const view = await his.show(JOB);
  expect(shown(view)).toEqual({});
  view.write([['complaint.words', 'Tobin’s words']]);
  await world.settle();
  await tablet.signOut();
  expect(await tablet.waitingHere()).toEqual([{ id: 'Mira', name: 'Mira', changes: 2 }]);
  await tablet.signIn('Mira');
  const again = await tablet.tab('Mira');
  await world.settle();
  expect(world.server.of(JOB).map((e) => [e.by, e.slot, e.value])).toEqual([
    ['Tobin', 'complaint.words', 'Tobin’s words'],
    ['Mira', 'complaint.words', 'Mira’s own words'],
    ['Mira', 'fluid.level', 'low'],
  ]);
  expect(again.engine.read()).toMatchObject({ waiting: 0, connection: 'online' });
  expect(await tablet.waitingHere()).toEqual([]);
});

test('nobody else can read what was left: not what was sent off, not what stood in a field, not a picture', async () => {
  const { tablet, hers } = await miraLeaves();
  world.server.fault = () => 'cut';
  await hers.engine.addPhoto(JOB, 'photo-0001', new Blob(['Mira’s picture'], { type: 'image/jpeg' }));
  tablet.storage.setItem(typedName('Mira', '7 note'), 'Mira’s half a sentence');
  expect(await tablet.kept()).toContain('Mira’s');
  await tablet.signIn('Tobin');
  expect(await tablet.kept()).not.toContain('Mira’s');
  expect(await tablet.waitingHere('Tobin')).toMatchObject([{ changes: 3 }]);
  await tablet.signIn('Mira');
  expect(tablet.storage.getItem(typedName('Mira', '7 note'))).toBe('Mira’s half a sentence');
  const again = await tablet.tab('Mira');
  const picture = await again.engine.photo(JOB, 'photo-0001');
  expect([picture?.type, await picture?.text()]).toEqual(['image/jpeg', 'Mira’s picture']);
  world.server.fault = () => null;
  await world.settle();
  expect(world.server.photos).toEqual(['photo-0001']);
});

test('as many half sentences as changes leave neither behind', async () => {
  const { tablet } = await miraLeaves();
  for (const field of ['7 note', '7 part'])
    tablet.storage.setItem(typedName('Mira', field), 'half a sentence');
  await tablet.signIn('Tobin');
  expect(await tablet.waitingHere('Tobin')).toMatchObject([{ changes: 2 }]);
  await tablet.signIn('Mira');
  await tablet.tab('Mira');
  await world.settle();
  expect(world.server.of(JOB)).toHaveLength(2);
  expect(tablet.storage.getItem(typedName('Mira', '7 part'))).toBe('half a sentence');
});

test('with another’s key nothing opens, and what was left stays for who has the right one', async () => {
  const { tablet } = await miraLeaves();
  await tablet.signIn('Tobin');
  await tablet.inBrowser(async () => {
    const device = await openDevice();
    const key = await keyFrom(Buffer.alloc(32, 7).toString('base64'));
    const mira = (await device.get('people', 'Mira'))!;
    expect(mira.key).toBeUndefined();
    await expect(giveBack(device, { ...mira, key }, tablet.storage)).rejects.toThrow();
  });
  expect(await tablet.waitingHere('Tobin')).toMatchObject([{ changes: 2 }]);
});

test('who signs out with nothing waiting leaves nothing at all', async () => {
  const tablet = world.device('Mira');
  await tablet.signIn('Mira');
  const tab = await tablet.tab();
  (await tab.show(JOB)).write([['complaint.words', 'Mira’s own words']]);
  await world.settle();
  // Longer than what is known of a job is kept after.
  await new Promise((resolve) => setTimeout(resolve, 900));
  expect(await tablet.kept()).toContain('Mira');
  await tablet.signOut();
  expect(await tablet.kept()).not.toContain('Mira');
});

test('what was refused is kept for its writer too', async () => {
  world.server.refuse = (e) => (e.slot === 'fluid.level' ? 'Not this one.' : null);
  const tablet = world.device('Mira');
  await tablet.signIn('Mira');
  await (await tablet.tab()).engine.write(JOB, [{ slot: 'fluid.level', value: 'low', seen: 0 }]);
  await world.settle();
  await tablet.signOut();
  expect(await tablet.waitingHere()).toMatchObject([{ name: 'Mira', changes: 1 }]);
  await tablet.signIn('Mira');
  const again = await tablet.tab('Mira');
  await world.settle(1);
  expect(again.engine.read().aside).toMatchObject([{ slot: 'fluid.level', message: 'Not this one.' }]);
});

test('a field written anew before the older words were given back keeps the newer ones', async () => {
  const { tablet } = await miraLeaves();
  await tablet.signIn('Tobin');
  // Her key did not come at first: she writes before what she left is given back.
  tablet.session = 'Mira';
  world.server.fault = () => 'cut';
  const early = await tablet.tab('Mira');
  (await early.show(JOB)).write([['complaint.words', 'newer']]);
  await world.settle();
  early.close();
  await tablet.signIn('Mira');
  world.server.fault = () => null;
  await tablet.tab('Mira');
  await world.settle();
  expect(world.server.of(JOB).map((e) => [e.slot, e.value])).toEqual([
    ['complaint.words', 'newer'],
    ['fluid.level', 'low'],
  ]);
});

describe('a backup was brought back', () => {
  test('what waits goes to its job as it stands now; of the others’ later words its writer has seen none', async () => {
    const tablet = world.device('Mira');
    const ivo = await (await world.device('Ivo').tab()).show(JOB);
    ivo.write([['fluid.colour', 'red']]);
    await world.settle();
    const backup = world.server.backup();
    ivo.write([['complaint.after', 'lost with the backup']]);
    const tab = await tablet.tab();
    const view = await tab.show(JOB);
    await world.settle();
    world.server.fault = () => 'cut';
    view.write([['fluid.level', 'low']]);
    await world.settle();
    world.server.restore(backup);
    world.server.fault = () => null;
    // Before Mira’s tablet is back, others have written as much as it had ever known.
    const later = await (await world.device('Tobin').tab()).show(JOB);
    later.write([['fluid.level', 'full']]);
    await idle();
    expect(world.server.of(JOB)).toHaveLength(2);
    tab.engine.wake();
    await world.settle();
    const last = world.server.of(JOB).at(-1)!;
    expect(last).toMatchObject({ by: 'Mira', slot: 'fluid.level', value: 'low', seen: 1 });
    expect(view.read().clashes).toMatchObject([{ slot: 'fluid.level', other: { by: 'Tobin' } }]);
    expect(shown(view)).toEqual({ 'fluid.level': 'low', 'fluid.colour': 'red' });
  });

  test('what was written for a job whose number is another’s now is set aside, with its photo', async () => {
    const tab = await world.device('Mira').tab();
    const view = await tab.show(JOB);
    world.server.fault = () => 'cut';
    view.write([['complaint.words', 'of the job that is gone']]);
    await tab.engine.addPhoto(JOB, 'photo-0001', new Blob(['a picture']), view.of);
    await world.settle();
    world.server.restore(new Map());
    world.server.ids.set(JOB, 'another-job');
    world.server.fault = () => null;
    await world.settle(8);
    expect(world.server.of(JOB)).toEqual([]);
    expect(world.server.photos).toEqual([]);
    const { aside, waiting } = tab.engine.read();
    expect(waiting).toBe(0);
    expect(aside.map((a) => [a.slot, a.value]).sort()).toEqual([
      ['complaint.words', 'of the job that is gone'],
      ['photo.photo-0001', null],
    ]);
    expect(await aside.find((a) => a.picture)!.picture!.text()).toBe('a picture');
    // Written now, into the job that has the number, it is taken.
    view.write([['fluid.level', 'low']]);
    await world.settle();
    expect(world.server.of(JOB)).toMatchObject([{ slot: 'fluid.level' }]);
  });

  test('of one field, what was written for the job before and for the job that has its number now go apart', async () => {
    const tab = await world.device('Mira').tab();
    const before = await tab.show(JOB);
    world.server.fault = () => 'cut';
    before.write([['complaint.words', 'of the job before']]);
    await world.settle();
    before.end();
    world.server.restore(new Map());
    world.server.ids.set(JOB, 'another-job');
    const now = await tab.show(JOB);
    now.write([['complaint.words', 'of the job now']]);
    await world.settle(1);
    expect((await tab.engine.waiting(JOB)).map((w) => w.entry.value)).toEqual([
      'of the job before',
      'of the job now',
    ]);
    world.server.fault = () => null;
    await world.settle(8);
    expect(world.server.of(JOB).map((e) => e.value)).toEqual(['of the job now']);
    expect(tab.engine.read().aside.map((a) => a.value)).toEqual(['of the job before']);
    // Tried again behind something of now, it still does not slip into the other job.
    world.server.fault = () => 'cut';
    now.write([['fluid.level', 'low']]);
    await tab.engine.settle(tab.engine.read().aside[0]!, 'again');
    await world.settle(1);
    world.server.fault = () => null;
    await world.settle(8);
    expect(world.server.of(JOB).map((e) => e.value)).toEqual(['of the job now', 'low']);
    expect(tab.engine.read().aside.map((a) => a.value)).toEqual(['of the job before']);
  });

  test('what was written for a job that is no longer there is set aside with the server’s words', async () => {
    const tab = await world.device('Mira').tab();
    const view = await tab.show(JOB);
    world.server.fault = () => 'cut';
    view.write([['complaint.words', 'kept']]);
    await world.settle();
    world.server.restore(new Map());
    world.server.gone.add(JOB);
    world.server.fault = () => null;
    await world.settle();
    expect(tab.engine.read().aside).toMatchObject([{ value: 'kept', message: 'There is no such job.' }]);
  });

  test('a view kept from before it is not shown over what the server drew', async () => {
    const tablet = world.device('Mira');
    const first = await tablet.tab();
    const backup = world.server.backup();
    (await first.show(JOB)).write([['fluid.level', 'low']]);
    await world.settle();
    await new Promise((resolve) => setTimeout(resolve, 900));
    first.close();
    world.server.restore(backup);
    const page = await tablet.tab();
    const drawn = { id: world.server.idOf(JOB), generation: world.server.generation };
    world.server.fault = () => 'cut';
    expect(shown(await page.show(JOB, {}, 0, drawn))).toEqual({});
  });
});
