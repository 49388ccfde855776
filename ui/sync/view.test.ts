import 'fake-indexeddb/auto';
import { shown, World } from '@/tests/sync-world';

const JOB = 7;
let world: World;
beforeEach(() => {
  world = new World();
});
afterEach(() => world.tabs.forEach((tab) => tab.close()));

const two = async () => {
  const [mira, ivo] = [await world.device('Mira').tab(), await world.device('Ivo').tab()];
  return { mira, ivo, hers: await mira.show(JOB), his: await ivo.show(JOB) };
};

test('what another wrote is heard', async () => {
  const { hers, his } = await two();
  his.write([['fluid.colour', 'black']]);
  hers.write([['fluid.level', 'low']]);
  await world.settle();
  expect(shown(hers)).toEqual({ 'fluid.colour': 'black', 'fluid.level': 'low' });
  expect(shown(his)).toEqual(shown(hers));
});

test('a slot that was cleared stays cleared when an old answer arrives late', async () => {
  const { hers } = await two();
  hers.write([['fluid.level', 'low']]);
  await world.settle();
  const old = world.server.of(JOB).slice();
  hers.write([['fluid.level', null]]);
  await world.settle();
  hers.taken([], { entries: old, refused: [], lastSeq: 2, generation: world.server.generation });
  expect(shown(hers)).toEqual({});
});

test('whoever listens is told of each change until they no longer listen', async () => {
  const { hers } = await two();
  expect(hers.read()).toEqual({ state: {}, clashes: [] });
  let told = 0;
  const end = hers.subscribe(() => told++);
  hers.write([['fluid.level', 'low']]);
  expect(told).toBe(1);
  end();
  hers.write([['fluid.level', 'full']]);
  expect(told).toBe(1);
});

test('an acknowledgement changes no value: the state stays the same object', async () => {
  const { hers } = await two();
  hers.write([['fluid.level', 'low']]);
  const { state } = hers.read();
  await world.settle();
  expect(hers.read().state).toBe(state);
});

describe('two people on one field', () => {
  test('both are told whose value stands, and both values are in the record', async () => {
    const { hers, his } = await two();
    his.write([['fluid.level', 'full']]);
    hers.write([['fluid.level', 'low']]);
    await world.settle();
    const values = world.server.of(JOB).map((e) => e.value);
    expect(values.sort()).toEqual(['full', 'low']);
    const last = world.server.of(JOB).at(-1)!;
    for (const view of [hers, his])
      expect(view.read().clashes).toMatchObject([
        { slot: 'fluid.level', stands: { by: last.by, value: last.value } },
      ]);
    expect(shown(hers)).toEqual(shown(his));
  });

  test('taking the other’s value settles it, for both', async () => {
    const { hers, his } = await two();
    his.write([['fluid.level', 'full']]);
    hers.write([['fluid.level', 'low']]);
    await world.settle();
    const [clash] = hers.read().clashes;
    hers.write([['fluid.level', clash!.other.value]]);
    hers.dismiss(clash!);
    await world.settle();
    expect([hers.read().clashes, his.read().clashes]).toEqual([[], []]);
    expect(shown(his)['fluid.level']).toBe(clash!.other.value);
  });

  test('who has seen the other’s value and changes it is no clash, nor is the same value twice', async () => {
    const { hers, his } = await two();
    his.write([['fluid.level', 'full']]);
    await world.settle();
    hers.write([['fluid.level', 'low']]);
    await world.settle();
    hers.write([['fluid.colour', 'red']]);
    his.write([['fluid.colour', 'red']]);
    await world.settle();
    expect([hers.read().clashes, his.read().clashes]).toEqual([[], []]);
  });

  test('written while the network was gone, it is found when it comes back', async () => {
    const { mira, hers, his } = await two();
    const online = world.server.fault;
    world.server.fault = () => 'cut';
    hers.write([['complaint.words', 'hers, written away from the network']]);
    await world.settle(1);
    world.server.fault = online;
    his.write([['complaint.words', 'his']]);
    await world.settle(1);
    mira.engine.wake();
    await world.settle();
    expect(hers.read().clashes).toMatchObject([{ slot: 'complaint.words' }]);
  });

  test('what arrives again settles nothing; what somebody writes after it does', async () => {
    const { hers, his } = await two();
    his.write([['fluid.level', 'full']]);
    hers.write([['fluid.level', 'low']]);
    await world.settle();
    const entries = world.server.of(JOB);
    const again = { entries, refused: [], lastSeq: entries.length, generation: world.server.generation };
    for (const view of [hers, his]) {
      view.taken([], again);
      expect(view.read().clashes).toHaveLength(1);
    }
    const third = await (await world.device('Tobin').tab()).show(JOB);
    await world.settle();
    third.write([['fluid.colour', 'red']]);
    await world.settle();
    expect([hers.read().clashes.length, his.read().clashes.length]).toEqual([1, 1]);
    third.write([['fluid.level', 'over']]);
    await world.settle();
    expect([hers.read().clashes, his.read().clashes]).toEqual([[], []]);
  });

  test('a third person is not troubled with it', async () => {
    const { hers, his } = await two();
    const third = await (await world.device('Tobin').tab()).show(JOB);
    his.write([['fluid.level', 'full']]);
    hers.write([['fluid.level', 'low']]);
    await world.settle();
    expect(third.read().clashes).toEqual([]);
    expect(shown(third)).toEqual(shown(hers));
  });
});

test('two tabs of one person show the same, and never an old value over somebody’s later one', async () => {
  const device = world.device('Mira');
  const [first, second] = [await device.tab(), await device.tab()];
  const [a, b] = [await first.show(JOB), await second.show(JOB)];
  a.write([['fluid.level', 'low']]);
  await world.settle();
  expect(shown(b)).toEqual({ 'fluid.level': 'low' });
  const ivo = await (await world.device('Ivo').tab()).show(JOB);
  await world.settle();
  ivo.write([['fluid.level', 'full']]);
  await world.settle();
  for (const view of [a, b]) expect(shown(view)).toEqual({ 'fluid.level': 'full' });
  expect(second.engine.read()).toMatchObject({ waiting: 0, connection: 'online' });
});

test('opened without the network, a job is shown as this device last knew it', async () => {
  const device = world.device('Mira');
  const first = await device.tab();
  const before = await first.show(JOB);
  before.write([['fluid.level', 'low']]);
  await world.settle();
  // Longer than what is known is kept after.
  await new Promise((resolve) => setTimeout(resolve, 900));
  first.close();
  world.server.fault = () => 'cut';
  const after = await device.tab();
  // The page the browser kept is the one from the very beginning.
  const view = await after.show(JOB, {}, 0);
  expect(shown(view)).toEqual({ 'fluid.level': 'low' });
});

test('a server that was brought back to an older backup is believed, and the page is told', async () => {
  const tab = await world.device('Mira').tab();
  const view = await tab.show(JOB);
  let told = 0;
  view.onRestored = () => told++;
  view.write([['fluid.level', 'low']]);
  await world.settle();
  const backup = world.server.backup();
  view.write([['fluid.level', 'full']]);
  await world.settle();
  expect(told).toBe(0);
  world.server.restore(backup);
  await world.settle();
  expect(shown(view)).toEqual({ 'fluid.level': 'low' });
  expect(told).toBe(1);
});

test('an answer of another generation changes nothing by itself: its numbers are of another record', async () => {
  const { hers } = await two();
  hers.write([['fluid.level', 'low']]);
  await world.settle();
  world.server.fault = () => 'cut';
  const other = { id: 'entry-of-then', seq: 2, by: 'Ivo', at: '', slot: 'fluid.colour', value: 'red' };
  hers.taken([], { entries: [other], refused: [], lastSeq: 2, generation: 'generation-0' });
  await world.settle(1);
  expect(shown(hers)).toEqual({ 'fluid.level': 'low' });
});
