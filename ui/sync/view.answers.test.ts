import 'fake-indexeddb/auto';
import { FOLD_VERSION, recordOf, takeIn } from '@/core/case';
import type { Clash } from '@/core/case';
import { idle, shown, World } from '@/tests/sync-world';
import type { News } from './transport';
import { JobView } from './view';

const JOB = 7;
const MARK = { id: 'job-7', generation: 'generation-1' };
let world: World;
beforeEach(() => {
  world = new World();
});
afterEach(() => world.tabs.forEach((tab) => tab.close()));

const entry = (seq: number, value = 'x') => ({
  id: `other-${seq}`,
  seq,
  slot: `s${seq}`,
  value,
  by: 'Ivo',
  at: '2026-01-01T00:00:00.000Z',
});

describe('writes that were taken', () => {
  /** A view that has asked what there is, and how often it asks from then on. */
  const heard = async () => {
    const mira = await world.device('Mira').tab();
    const hers = await mira.show(JOB);
    await world.settle();
    const before = world.server.requests;
    return { hers, mira, asked: () => world.server.requests - before };
  };
  const answer = (entries: ReturnType<typeof entry>[], lastSeq: number) => ({
    entries,
    refused: [],
    lastSeq,
    generation: world.server.generation,
  });

  test('all there is: nothing more is asked; with a gap it is asked for', async () => {
    const { hers, asked } = await heard();
    world.server.of(JOB).push(entry(1), entry(2), entry(3));
    hers.taken([], answer([entry(1)], 1));
    await idle();
    expect([asked(), hers.after()]).toEqual([0, 1]);
    hers.taken([], answer([entry(3)], 3));
    await idle();
    expect([asked() > 0, hers.after()]).toEqual([true, 3]);
    expect(shown(hers)).toEqual({ s1: 'x', s2: 'x', s3: 'x' });
  });

  test('of another generation say nothing: the record is asked for anew', async () => {
    const { hers, asked } = await heard();
    hers.taken([], { ...answer([entry(1)], 1), generation: 'generation-9' });
    await idle();
    expect([asked(), hers.after(), shown(hers)]).toEqual([1, 0, {}]);
  });

  test('after a page has closed change nothing there', async () => {
    const { hers, mira } = await heard();
    world.server.of(JOB).push(entry(1));
    const looking = hers.listen();
    hers.end();
    await looking;
    await idle();
    expect(shown(hers)).toEqual({});
    expect(mira.engine.read().connection).toBe('online');
  });
});

describe('news', () => {
  /** A page whose server answers with these, one after the other, and after them with nothing new. */
  const scripted = async (answers: (Partial<News> & { before?: () => void })[]) => {
    const tab = await world.device('Mira').tab();
    const asked: [after: number, kept: boolean | undefined][] = [];
    const news = async (_job: number, after: number, kept?: boolean) => {
      asked.push([after, kept]);
      const { before, ...value } = answers.shift() ?? {};
      before?.();
      return { kind: 'taken' as const, value: { ...MARK, entries: [], lastSeq: after, ...value } };
    };
    const view = new JobView(tab.engine, { news }, JOB, { id: 'Mira', name: 'Mira' }, MARK, {}, 0);
    let restored = 0;
    view.onRestored = () => restored++;
    const begin = async () => {
      await view.begin();
      await idle();
    };
    return { view, tab, asked, begin, restored: () => restored };
  };
  const kept = async (tab: Awaited<ReturnType<typeof scripted>>['tab'], change = {}, clashes: Clash[] = []) =>
    (await tab.engine.store()).put('views', {
      job: JOB,
      of: MARK,
      fold: FOLD_VERSION,
      record: takeIn(recordOf({}, 0), [entry(1)]),
      clashes,
      ...change,
    });

  test('in parts are asked on until all is there, and once where a part leads nowhere', async () => {
    const { view, asked, begin } = await scripted([
      { entries: [entry(1)], lastSeq: 4 },
      { entries: [entry(2), entry(3)], lastSeq: 4 },
      { entries: [entry(4)], lastSeq: 4 },
    ]);
    await begin();
    expect(asked.map(([after]) => after)).toEqual([0, 1, 3]);
    expect(view.after()).toBe(4);
    view.end();
  });

  test('with a gap that stays are not asked for without end', async () => {
    const gap = { entries: [entry(2), entry(3)], lastSeq: 3 };
    const { view, asked, begin } = await scripted([gap, gap, gap]);
    await begin();
    expect(asked).toHaveLength(1);
    expect(view.after()).toBe(0);
    view.end();
  });

  test('of a restored backup are taken whole, in parts too, before the page is told', async () => {
    const generation = 'generation-2';
    const { view, asked, begin, restored } = await scripted([
      { generation, entries: [], lastSeq: 0 },
      { generation, entries: [entry(1)], lastSeq: 3, kept: 2 },
      { generation, entries: [entry(2), entry(3)], lastSeq: 3 },
    ]);
    await begin();
    expect(asked).toEqual([
      [0, undefined],
      [0, true],
      [1, undefined],
    ]);
    expect(view.of).toEqual({ ...MARK, generation });
    expect(shown(view)).toEqual({ s1: 'x', s2: 'x', s3: 'x' });
    expect(restored()).toBe(1);
    view.end();
  });

  test('of a restored backup all in one answer are asked for once', async () => {
    const generation = 'generation-2';
    const { view, asked, begin } = await scripted([
      { generation },
      { generation, entries: [entry(1)], lastSeq: 1 },
    ]);
    await begin();
    expect(asked).toHaveLength(2);
    view.end();
  });

  test('of a restored backup: what it held is no clash, what was written on it after may be', async () => {
    const generation = 'generation-2';
    const hers = { ...entry(2, 'y'), slot: 's1', by: 'Mira', seen: 0 };
    for (const [kept, clashes] of [
      [1, [{ slot: 's1' }]],
      [2, []],
    ] as const) {
      const { view, begin } = await scripted([
        { generation },
        { generation, entries: [entry(1), hers], lastSeq: 2, kept },
      ]);
      await begin();
      expect(view.read().clashes).toMatchObject(clashes);
      expect(view.read().clashes).toHaveLength(clashes.length);
      view.end();
    }
  });

  test('that there is no such job any more are told to the page', async () => {
    const view = await (await world.device('Mira').tab()).show(JOB);
    let restored = 0;
    view.onRestored = () => restored++;
    await world.settle(1);
    expect(restored).toBe(0);
    world.server.gone.add(JOB);
    await view.listen();
    expect(restored).toBe(1);
  });

  test('of a restored backup say nothing to a page that closed meanwhile', async () => {
    const generation = 'generation-2';
    const answers: (Partial<News> & { before?: () => void })[] = [{ generation }];
    const { view, begin, restored } = await scripted(answers);
    answers.push({ generation, entries: [entry(1)], lastSeq: 1, before: () => view.end() });
    await begin();
    expect([restored(), shown(view), view.of]).toEqual([0, {}, MARK]);
  });

  test('kept on this device are shown where they are of this job, this history, this program, and not older', async () => {
    const clash: Clash = {
      slot: 's1',
      stands: { by: 'Ivo', value: 'x' },
      other: { by: 'Mira', value: 'y' },
    } as Clash;
    const first = await scripted([]);
    await kept(first.tab, {}, [clash]);
    await first.begin();
    expect(shown(first.view)).toEqual({ s1: 'x' });
    expect(first.view.read().clashes).toEqual([clash]);
    first.view.end();
    for (const other of [
      { of: { ...MARK, id: 'job-8' } },
      { of: { ...MARK, generation: 'generation-0' } },
      { of: undefined },
      { fold: FOLD_VERSION - 1 },
    ]) {
      const { view, tab, begin } = await scripted([]);
      await kept(tab, other);
      await begin();
      expect(shown(view)).toEqual({});
      view.end();
    }
  });

  test('kept on this device give way to a page the server drew later, and stand beside one as old with their clashes', async () => {
    const clash = { slot: 's1', stands: { by: 'Ivo' }, other: { by: 'Mira' } } as unknown as Clash;
    for (const [lastSeq, value, clashes] of [
      [2, 'later', []],
      [1, 'x', [clash]],
    ] as const) {
      const tab = await world.device('Mira').tab();
      await kept(tab, {}, [clash]);
      world.server.fault = () => 'cut';
      const view = await tab.show(JOB, { s1: { value, seq: lastSeq, by: 'Ivo', at: '' } }, lastSeq);
      expect(shown(view)).toEqual({ s1: value });
      expect(view.read().clashes).toEqual(clashes);
    }
  });
});
