import { heard, transportOf } from './transport';
import type { Transport } from './transport';

interface Asked {
  url: string;
  method: string;
  headers: Record<string, string>;
  body: unknown;
}
let asked: Asked[];
let answer: () => Response;
const json = (body: unknown, status = 200, generation = 'g7') =>
  new Response(JSON.stringify(body), { status, headers: { 'x-pelvik-generation': generation } });
const refusal = (status: number, kind?: string) => () =>
  json({ error: { message: 'That cannot be.', remedy: 'Do something else.', kind } }, status);

const real = globalThis.fetch;
beforeEach(() => {
  asked = [];
  answer = () => json({ entries: [], refused: [], lastSeq: 4 });
  globalThis.fetch = (async (url: string, init: RequestInit) => {
    asked.push({
      url,
      method: init.method!,
      headers: init.headers as Record<string, string>,
      body: typeof init.body === 'string' ? JSON.parse(init.body) : init.body,
    });
    return answer();
  }) as typeof fetch;
});
afterAll(() => {
  globalThis.fetch = real;
});

const mira = transportOf('mira');
const entry = { id: 'e1', slot: 'fluid.level', value: { is: 'low' }, seen: 3 };

test('a batch goes in the person’s name and in the course of the history it was written in; the answer says its own', async () => {
  expect(await mira.entries(7, [entry], { after: 3, generation: 'g6' })).toEqual({
    kind: 'taken',
    value: { entries: [], refused: [], lastSeq: 4, generation: 'g7' },
  });
  expect(asked).toMatchObject([
    {
      url: '/api/jobs/7/entries',
      method: 'POST',
      headers: { 'x-pelvik': '1', 'x-pelvik-person': 'mira', 'x-pelvik-generation': 'g6' },
      body: { entries: [entry], after: 3 },
    },
  ]);
  await mira.entries(7, [entry], {});
  expect(asked[1]!.headers).not.toHaveProperty('x-pelvik-generation');
});

test('a photo goes as it is', async () => {
  const picture = new Blob(['x'], { type: 'image/jpeg' });
  expect(await mira.photo(7, 'p1', picture, 'g7')).toMatchObject({ kind: 'taken' });
  expect(asked).toMatchObject([
    {
      url: '/api/jobs/7/photos/p1',
      method: 'PUT',
      headers: { 'x-pelvik-person': 'mira', 'x-pelvik-generation': 'g7' },
    },
  ]);
  expect(asked[0]!.body).toBe(picture);
  expect(asked[0]!.headers).not.toHaveProperty('content-type');
});

test('who only listens does not use the session, and asks for what stood before only when it needs it', async () => {
  answer = () => json({ id: 'job', entries: [], lastSeq: 4 });
  expect(await mira.news(7, 3)).toEqual({
    kind: 'taken',
    value: { id: 'job', entries: [], lastSeq: 4, generation: 'g7' },
  });
  await mira.news(7, 0, true);
  expect(asked.map((a) => a.url)).toEqual([
    '/api/jobs/7/entries?after=3',
    '/api/jobs/7/entries?after=0&kept=1',
  ]);
  expect(asked.map((a) => a.headers['x-pelvik-listening'])).toEqual(['1', '1']);
});

describe('what an answer means', () => {
  const later = { kind: 'later', message: 'That cannot be. Do something else.' };
  const failed = { ...later, kind: 'failed' };
  const refused = { ...later, kind: 'refused' };
  test.each([
    [400, refused],
    [401, { kind: 'sign-in' }],
    [403, refused],
    [408, later],
    [413, refused],
    [422, refused],
    [425, later],
    [429, later],
    [499, refused],
    [500, failed],
    [501, failed],
    [502, later],
    [503, later],
    [504, later],
    [507, failed],
  ])('%i', async (status, wanted) => {
    answer = refusal(status);
    expect(await mira.entries(7, [entry], {})).toEqual(wanted);
    expect(await mira.news(7, 0)).toEqual(wanted);
    expect(await mira.photo(7, 'p1', new Blob())).toEqual(wanted);
  });
  test.each(['other-person', 'restored'])('%s is told apart, whatever its status', async (kind) => {
    for (const status of [401, 409, 500]) {
      answer = refusal(status, kind);
      expect(await mira.entries(7, [entry], {})).toEqual({ kind });
    }
  });
  test('no network, and what answers in the server’s stead: later, and no reason is known', async () => {
    answer = () => {
      throw new TypeError('fetch failed');
    };
    expect(await mira.entries(7, [entry], {})).toEqual({ kind: 'later' });
    answer = () => new Response('<html>Sign in to the guest network', { status: 200 });
    expect(await mira.entries(7, [entry], {})).toEqual({ kind: 'later' });
  });
  test('an answer without words gets some', async () => {
    answer = () => new Response('', { status: 500 });
    expect(await mira.entries(7, [entry], {})).toEqual({
      kind: 'failed',
      message: 'The server answered 500. Try again.',
    });
  });
});

test('why things are put off is told after each answer, and taken back by the next', async () => {
  const answers = [
    { kind: 'later', message: 'The disk is full.' },
    { kind: 'later' },
    { kind: 'refused', message: 'no' },
    { kind: 'taken', value: 1 },
  ] as const;
  let next = 0;
  const way = async () => answers[next++ % answers.length]!;
  const said: (string | null)[] = [];
  const through = heard({ entries: way, photo: way, news: way } as unknown as Transport, (s) => said.push(s));
  const wanted = ['The disk is full.', null, null, null];
  for (const asks of [
    () => through.entries(7, [], {}),
    () => through.photo(7, 'p', new Blob()),
    () => through.news(7, 0),
  ]) {
    said.length = 0;
    for (const expected of answers) expect(await asks()).toBe(expected);
    expect(said).toEqual(wanted);
  }
});
