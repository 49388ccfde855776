import 'fake-indexeddb/auto';
import { idle, shown, World } from '@/tests/sync-world';
import type { Tab } from '@/tests/sync-world';

const JOB = 7;
let world: World;
beforeEach(() => {
  world = new World();
});
afterEach(() => world.tabs.forEach((tab) => tab.close()));

/** A page of a job that knows it so far, and what it hears. */
function page(tab: Tab, job: number, known = 0) {
  const heard: string[] = [];
  const end = tab.engine.attach({
    job,
    after: () => known,
    taken: (ids) => heard.push(`taken ${ids.length}`),
    changed: () => heard.push('changed'),
  });
  return { heard, end };
}

const low = { slot: 'fluid.level', value: 'low', seen: 0 };

test('pages of a job hear what becomes of its writes, in every tab of the person; pages of others nothing', async () => {
  const device = world.device('Mira');
  const [first, second] = [await device.tab(), await device.tab()];
  const strangers = await (await world.device('Ivo')).tab();
  await idle();
  const pages = [page(first, JOB), page(first, JOB), page(second, JOB)];
  const others = [page(first, JOB + 1), page(second, JOB + 1), page(strangers, JOB)];
  await first.engine.write(JOB, [low]);
  await world.settle(2);
  for (const { heard } of pages) expect(heard).toEqual(expect.arrayContaining(['changed', 'taken 1']));
  for (const { heard } of others) expect(heard).toEqual([]);
});

test('a page that was closed hears nothing more', async () => {
  const tab = await world.device('Mira').tab();
  const { heard, end } = page(tab, JOB);
  end();
  await tab.engine.write(JOB, [low]);
  await world.settle(2);
  expect(heard).toEqual([]);
});

test('what was heard from another tab is not told on', async () => {
  const device = world.device('Mira');
  const [first, second] = [await device.tab(), await device.tab()];
  await idle();
  world.server.fault = () => 'cut';
  const here = page(first, JOB);
  const there = page(second, JOB);
  await first.engine.write(JOB, [low]);
  await idle();
  expect([here.heard, there.heard]).toEqual([['changed'], ['changed']]);
});

test('the server is told how far the page knows that knows least; with no page of the job, nothing', async () => {
  const tab = await world.device('Mira').tab();
  await idle();
  page(tab, JOB, 5);
  page(tab, JOB, 3);
  page(tab, JOB, 9);
  page(tab, JOB + 1, 0);
  await tab.engine.write(JOB, [low]);
  await tab.engine.write(JOB + 2, [low]);
  await world.settle(2);
  expect(world.server.batches.map(({ job, after }) => [job, after])).toEqual([
    [JOB, 3],
    [JOB + 2, undefined],
  ]);
});

test('what is refused whole leaves the page that shows it at once', async () => {
  world.server.refuseAll = () => 'Too large.';
  const tab = await world.device('Mira').tab();
  const view = await tab.show(JOB);
  const { heard } = page(tab, JOB);
  view.write([['fluid.level', 'low']]);
  await idle();
  expect(tab.engine.read().aside).toMatchObject([{ slot: 'fluid.level', message: 'Too large.' }]);
  expect(shown(view)).toEqual({});
  expect(heard).toEqual(['changed', 'changed']);
});

test('discarding what was set aside tells the pages, and asks nothing of a network that is gone', async () => {
  world.server.refuse = (e) => (e.slot === 'filter.state' ? 'Not this one.' : null);
  const tab = await world.device('Mira').tab();
  await tab.engine.write(JOB, [{ slot: 'filter.state', value: 'blocked', seen: 0 }]);
  await idle();
  world.server.fault = () => 'cut';
  await tab.engine.write(JOB, [low]);
  await idle();
  const { heard } = page(tab, JOB);
  const { requests } = world.server;
  await tab.engine.settle(tab.engine.read().aside[0]!, 'discard');
  await idle();
  expect(heard).toEqual(['changed']);
  expect(world.server.requests).toBe(requests);
});

test('what is put back in line is sent at once', async () => {
  world.server.refuse = (e) => (e.value === 'blocked' ? 'Not this one.' : null);
  const tab = await world.device('Mira').tab();
  await tab.engine.write(JOB, [{ slot: 'filter.state', value: 'blocked', seen: 0 }]);
  await idle();
  await tab.engine.settle({ ...tab.engine.read().aside[0]!, value: 'clean' }, 'again');
  await idle();
  expect(world.server.of(JOB)).toMatchObject([{ slot: 'filter.state', value: 'clean' }]);
});

test('an answer after the page has ended shows nothing and is not asked for again', async () => {
  let arrive = () => {};
  world.server.slowPhotos = new Promise((resolve) => (arrive = resolve));
  const tab = await world.device('Mira').tab();
  await tab.engine.addPhoto(JOB, 'photo-0001', new Blob(['a picture']));
  await idle();
  let told = 0;
  tab.engine.subscribe(() => told++);
  const ended = tab.engine.stop();
  world.server.fault = () => 'cut';
  arrive();
  await ended;
  expect(told).toBe(0);
  expect(tab.isWaiting).toBe(false);
});
