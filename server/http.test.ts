import { NextRequest } from 'next/server';
import { open, readJson, readText, readUpload } from './http';
import { jobNumber, quoteVersion, sequence } from './address';
import { UserError } from './problem';

const request = (body?: BodyInit | null, headers: Record<string, string> = {}) =>
  new NextRequest('http://127.0.0.1:4180/api/x', {
    method: body === undefined ? 'GET' : 'POST',
    ...(body === undefined ? {} : { body }),
    headers: { host: '127.0.0.1:4180', ...headers },
    // Node wants this for a body that streams.
    ...({ duplex: 'half' } as object),
  });
const streamed = (chunks: number, size: number) =>
  new ReadableStream<Uint8Array>({
    start(controller) {
      for (let k = 0; k < chunks; k++) controller.enqueue(new Uint8Array(size));
      controller.close();
    },
  });
const context = { params: Promise.resolve({}) };

describe('bodies', () => {
  test('are read up to their limit', async () => {
    expect((await readUpload(request(streamed(4, 100)), 400)).length).toBe(400);
  });
  test('beyond it are refused while they stream in, whatever the headers claim', async () => {
    await expect(readUpload(request(streamed(5, 100)), 400)).rejects.toMatchObject({ status: 413 });
    await expect(readUpload(request('x', { 'content-length': '900' }), 400)).rejects.toMatchObject({
      status: 413,
    });
    const exact = request('x'.repeat(2048), { 'content-length': '2048' });
    expect((await readUpload(exact, 2048)).length).toBe(2048);
    await expect(readUpload(request('x'.repeat(2049)), 2048)).rejects.toThrow('larger than 2 kB');
  });
  test('that are not there are empty', async () => {
    expect((await readUpload(request(), 400)).length).toBe(0);
  });
  test('of plain text hold no character that cannot be kept', async () => {
    expect(await readText(request('a;b\nπ'), 400)).toBe('a;b\nπ');
    await expect(readText(request('a\0b'), 400)).rejects.toMatchObject({ status: 400 });
  });
  test('that come to a halt are given up, those that trickle are not', async () => {
    jest.useFakeTimers();
    try {
      let push: (chunk: Uint8Array | null) => void = () => undefined;
      const slow = new ReadableStream<Uint8Array>({
        start(controller) {
          push = (chunk) => (chunk ? controller.enqueue(chunk) : controller.close());
        },
      });
      const whole = readUpload(request(slow), 1000);
      for (let k = 0; k < 10; k++) {
        push(new Uint8Array(10));
        await jest.advanceTimersByTimeAsync(15_000);
      }
      push(null);
      expect((await whole).length).toBe(100);
      const halts = readUpload(request(new ReadableStream<Uint8Array>({ start: () => undefined })), 1000);
      const told = expect(halts).rejects.toMatchObject({ status: 408 });
      await jest.advanceTimersByTimeAsync(25_000);
      await told;
      // What is small has no reason to trickle.
      let drip: () => void = () => undefined;
      const endless = new ReadableStream<Uint8Array>({
        start: (controller) => void (drip = () => controller.enqueue(new Uint8Array([32]))),
        // What is given up is let go: nothing more is taken in.
        cancel: () => void (drip = () => undefined),
      });
      const late = expect(readJson(request(endless))).rejects.toMatchObject({ status: 408 });
      for (let k = 0; k < 5; k++) {
        drip();
        await jest.advanceTimersByTimeAsync(15_000);
      }
      await late;
    } finally {
      jest.useRealTimers();
    }
  });
  test.each([
    ['{"a":', 'not valid JSON'],
    ['', 'not valid JSON'],
    ['null', 'not a JSON object'],
    ['[1]', 'not a JSON object'],
    ['"text"', 'not a JSON object'],
    ['{"a":"\\u0000"}', 'character that cannot be kept'],
    ['{"a":"\\ud800"}', 'character that cannot be kept'],
    [`{"a":[${'0,'.repeat(6000)}0]}`, 'more than 5000 values'],
    [`${'['.repeat(40)}${']'.repeat(40)}`, 'nested'],
  ])('%s is named', async (text, words) => {
    await expect(readJson(request(text))).rejects.toMatchObject({ message: expect.stringContaining(words) });
  });
  test('emoji and right-to-left words come through', async () => {
    expect(await readJson(request('{"name":"مريم 🛠️"}'))).toEqual({ name: 'مريم 🛠️' });
  });
});

describe('writes come from our own pages', () => {
  const post = (headers: Record<string, string>) =>
    open(async () => Response.json({ ok: true }))(request('{}', headers), context);
  test.each<[string, Record<string, string>, number]>([
    ['our header, our origin', { 'x-pelvik': '1', origin: 'http://127.0.0.1:4180' }, 200],
    ['our header, no origin', { 'x-pelvik': '1' }, 200],
    ['no header', { origin: 'http://127.0.0.1:4180' }, 403],
    ['another origin', { 'x-pelvik': '1', origin: 'http://elsewhere.example' }, 403],
    ['an origin that is null', { 'x-pelvik': '1', origin: 'null' }, 403],
    ['an origin that is none', { 'x-pelvik': '1', origin: 'http://127.0.0.1:9999' }, 403],
  ])('%s: %#', async (_, headers, status) => expect((await post(headers)).status).toBe(status));
});

describe('errors', () => {
  const failing = async (error: Error) => {
    const answer = await open(async () => {
      throw error;
    })(request(), context);
    return { status: answer.status, text: await answer.text() };
  };
  test('meant for the user are passed on with their remedy', async () => {
    const { status, text } = await failing(new UserError(409, 'Taken.', 'Choose another.'));
    expect(status).toBe(409);
    expect(JSON.parse(text).error).toEqual({ message: 'Taken.', remedy: 'Choose another.', problems: [] });
  });
  test('of any other kind show nothing of the inside', async () => {
    const { status, text } = await failing(new Error('connect ECONNREFUSED secret-host'));
    expect(status).toBe(500);
    expect(text).not.toMatch(/ECONNREFUSED|secret|at .*\.ts/);
  });
});

test.each([
  ['1001', 1001],
  ['0', 0],
  ['-1', -1],
  ['1e3', -1],
  ['1001; DROP', -1],
  ['9999999999', -1],
])('a job number written "%s" is read as %d', (text, number) =>
  expect(jobNumber({ number: text })).toBe(number),
);

test.each([
  ['1', 1],
  ['10000', 10000],
])('a quote’s version written "%s" is read as %d', (text, version) =>
  expect(quoteVersion({ version: text })).toBe(version),
);
test.each(['1.5', '0', '-1', '1e3', '999999', 'x', ''])('"%s" is no version of a quote', (text) =>
  expect(() => quoteVersion({ version: text })).toThrow(/no such quote/),
);
test.each([
  [null, 0],
  ['0', 0],
  ['123456789', 123_456_789],
])('from %s the record is read after %d', (text, after) => expect(sequence(text)).toBe(after));
test.each(['-1', '1.5', 'x', '99999999999', '1e9'])('"%s" is no place in a record', (text) =>
  expect(() => sequence(text)).toThrow(/not a place/),
);

test('the six characters of an escape are words like any other', async () => {
  expect(await readJson(request(JSON.stringify({ a: String.raw`typed \u0000 by hand` })))).toEqual({
    a: String.raw`typed \u0000 by hand`,
  });
});

test('no answer of the API is kept by anybody', async () => {
  const answer = await open(async () => Response.json({ ok: true }))(request(), context);
  expect(answer.headers.get('cache-control')).toBe('no-store');
});
