import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { sendPhotos } from './photo-sender';
import { PhotoQueue } from './photo-queue';
import { openStore } from './store';
import type { JobMark, Store } from './store';
import type { News, Outcome, Transport } from './transport';
import { NOWHERE, OTHER_JOB } from './outcome';

const OF: JobMark = { id: 'job-a', generation: 'before' };
const taken: Outcome<unknown> = { kind: 'taken', value: null };
const news = (id: string): Outcome<News> => ({
  kind: 'taken',
  value: { id, entries: [], lastSeq: 0, generation: 'after' },
});

let store: Store;
beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  store = await openStore('mira');
});
afterEach(() => store.close());

/** Sends so many photos of job 7; what the server answers by their place, and what it knows of the job. */
async function sent(
  answers: Outcome<unknown>[],
  {
    of,
    job = news(OF.id),
    stopAfter = Infinity,
  }: { of?: JobMark; job?: Outcome<News>; stopAfter?: number } = {},
) {
  const photos = new PhotoQueue(store);
  const ids = [...new Set(answers.map((_, k) => `p${k + 1}`))];
  for (const id of ids) await photos.add(7, id, new Blob([id]), of);
  const calls: string[] = [];
  const left = [...answers];
  const transport = {
    photo: (job: number, id: string, _: Blob, generation?: string) => {
      calls.push(['send', job, id, generation].filter((x) => x !== undefined).join(' '));
      return Promise.resolve(left.shift() ?? taken);
    },
    news: (number: number, after: number) => {
      calls.push(`ask ${number} ${after === NOWHERE ? 'nothing' : after}`);
      return Promise.resolve(job);
    },
  } as unknown as Transport;
  let begun = 0;
  const ending = await sendPhotos({
    transport,
    photos,
    stopped: () => begun >= stopAfter,
    begins: () => void begun++,
    done: async (photo) => void calls.push(`done ${photo.id}`),
    refused: async (photo, message) => void calls.push(`refused ${photo.id}: ${message}`),
    jobGone: async (photo, message) => void calls.push(`gone ${photo.id}: ${message}`),
  });
  return { ending, calls, waiting: (await store.getAll('photos')).map((p: { id: string }) => p.id) };
}

test('none waits: nothing is said of the connection', async () =>
  expect(await sent([])).toEqual({ ending: null, calls: [], waiting: [] }));

test('what is taken leaves the queue, oldest first', async () =>
  expect(await sent([taken, taken])).toEqual({
    ending: 'online',
    calls: ['send 7 p1', 'done p1', 'send 7 p2', 'done p2'],
    waiting: [],
  }));

test('what is refused leaves it too, with the server’s words', async () =>
  expect(await sent([{ kind: 'refused', message: 'No picture.' }, taken])).toEqual({
    ending: 'online',
    calls: ['send 7 p1', 'refused p1: No picture.', 'done p1', 'send 7 p2', 'done p2'],
    waiting: [],
  }));

test('one the server fails on stays, and those after it go; the connection is not said to be well', async () =>
  expect(await sent([{ kind: 'failed', message: '' }, taken])).toEqual({
    ending: 'offline',
    calls: ['send 7 p1', 'done p1', 'send 7 p2', 'done p2'],
    waiting: ['p1'],
  }));

test.each<[Outcome<unknown>, string]>([
  [{ kind: 'later' }, 'offline'],
  [{ kind: 'sign-in' }, 'signed-out'],
  [{ kind: 'other-person' }, 'other-person'],
])('where nothing can be sent, all stays as it is: %j', async (answer, ending) =>
  expect(await sent([answer, taken])).toEqual({ ending, calls: ['send 7 p1'], waiting: ['p1', 'p2'] }),
);

test('a page that closes sends no further one', async () =>
  expect(await sent([taken, taken], { stopAfter: 1 })).toMatchObject({
    calls: ['send 7 p1', 'done p1'],
    waiting: ['p2'],
  }));

describe('a backup was brought back since', () => {
  test('the same job: it goes to it as it stands now', async () =>
    expect(await sent([{ kind: 'restored' }], { of: OF })).toEqual({
      ending: 'online',
      calls: ['send 7 p1 before', 'ask 7 nothing', 'send 7 p1 after', 'done p1'],
      waiting: [],
    }));
  test('another job has its number: it is set aside, and the next is tried', async () =>
    expect(await sent([{ kind: 'restored' }, taken], { of: OF, job: news('job-b') })).toEqual({
      ending: 'online',
      calls: [
        ...['send 7 p1 before', 'ask 7 nothing', `gone p1: ${OTHER_JOB}`, 'done p1'],
        ...['send 7 p2 before', 'done p2'],
      ],
      waiting: [],
    }));
  test('the job is gone: it is set aside with the server’s words', async () =>
    expect(
      await sent([{ kind: 'restored' }], { of: OF, job: { kind: 'refused', message: 'No such job.' } }),
    ).toEqual({
      ending: null,
      calls: ['send 7 p1 before', 'ask 7 nothing', 'gone p1: No such job.', 'done p1'],
      waiting: [],
    }));
  test.each<[Outcome<News>, string]>([
    [{ kind: 'later' }, 'offline'],
    [{ kind: 'sign-in' }, 'signed-out'],
    [{ kind: 'restored' }, 'offline'],
  ])('the server cannot be asked: it waits, %j', async (job, ending) =>
    expect(await sent([{ kind: 'restored' }, taken], { of: OF, job })).toEqual({
      ending,
      calls: ['send 7 p1 before', 'ask 7 nothing'],
      waiting: ['p1', 'p2'],
    }),
  );
});
