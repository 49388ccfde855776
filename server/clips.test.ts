import { randomUUID } from 'node:crypto';
import { clipAnswer, PIECE } from './clip-answer';
import { CLIP_LIMIT, clipKind, clipOf, clipPiece, saveClip } from './clips';
import type { Json } from '@/core/case';
import { inTransaction } from './db';
import { appendEntries } from './entries';
import { jobByNumber } from './jobs';
import { closePool, inDatabase, someJob, someone } from '@/tests/test-database';

afterAll(closePool);

const mp4 = (brand = 'isom') => Buffer.from(`\0\0\0\x18ftyp${brand}\0\0\x02\0isomiso2avc1mp41`, 'latin1');
const webm = Buffer.from('\x1a\x45\xdf\xa3\x9fB\x86\x81\x01B\xf7\x81\x01B\x82\x84webm', 'latin1');

test.each([
  [mp4(), 'video/mp4'],
  [mp4('mp42'), 'video/mp4'],
  [webm, 'video/webm'],
  [mp4('heic'), null],
  [mp4('qt  '), null],
  [Buffer.from('<html>ftypisom'), null],
  [Buffer.from('\0\0\0\x18freeisom', 'latin1'), null],
  [Buffer.from('\x1a\x45\xdf\xa3matroska', 'latin1'), null],
  [Buffer.alloc(0), null],
])('a clip is told by its bytes', (bytes, kind) => expect(clipKind(bytes)).toBe(kind));

test('is kept once, three to a job, and nothing that is no clip', async () => {
  const owner = await someone('owner');
  const { number } = await someJob(owner);
  const { id: job } = await inDatabase((c) => jobByNumber(c, number));
  const save = (id: string, bytes = webm) =>
    inTransaction(async (c) => saveClip(c, await jobByNumber(c, number, true), id, bytes, owner));
  const ids = [randomUUID(), randomUUID(), randomUUID()];
  for (const id of ids) expect(await save(id)).toBe('video/webm');
  expect(await save(ids[0]!, mp4())).toBe('video/mp4');
  expect(await inDatabase((c) => clipOf(c, job, ids[0]!))).toEqual({ mime: 'video/webm', size: webm.length });
  expect(await inDatabase((c) => clipPiece(c, job, ids[0]!, 2, 3))).toEqual(webm.subarray(2, 5));
  await expect(save(randomUUID())).rejects.toMatchObject({ status: 413 });
  await expect(save(randomUUID(), Buffer.from('no clip'))).rejects.toMatchObject({ status: 415 });
  await expect(inDatabase((c) => clipOf(c, job, randomUUID()))).rejects.toMatchObject({ status: 404 });
  expect(CLIP_LIMIT).toBeLessThanOrEqual(26_214_400);
});

test('those taken out again free their places; what a quote shows stays', async () => {
  const owner = await someone('owner');
  const { number } = await someJob(owner);
  const { id: job } = await inDatabase((c) => jobByNumber(c, number));
  const save = (id: string) =>
    inTransaction(async (c) => saveClip(c, await jobByNumber(c, number, true), id, webm, owner));
  const name = (id: string, value: Json) =>
    inTransaction((c) => appendEntries(c, number, owner, [{ id: randomUUID(), slot: `clip.${id}`, value }]));
  const ids = [randomUUID(), randomUUID(), randomUUID()];
  for (const id of ids) {
    await save(id);
    await name(id, { caption: '' });
  }
  await inDatabase((c) =>
    c.query(
      `INSERT INTO quotes (id, job_id, version, status, content, created_by, created_by_user) VALUES ($1, $2, 1, 'sent', $3, $4, $5)`,
      [randomUUID(), job, JSON.stringify({ clips: [{ id: ids[0], caption: '' }] }), owner.name, owner.id],
    ),
  );
  await expect(save(randomUUID())).rejects.toMatchObject({ status: 413, remedy: 'Take one out first.' });
  for (const id of ids) await name(id, null);
  const next = [randomUUID(), randomUUID(), randomUUID()];
  for (const id of next) {
    await save(id);
    await name(id, { caption: '' });
  }
  await expect(save(randomUUID())).rejects.toMatchObject({ status: 413 });
  const { rows } = await inDatabase((c) => c.query('SELECT id FROM clips WHERE job_id = $1', [job]));
  expect(rows.map((r) => r.id).sort()).toEqual([ids[0], ...next].sort());
});

describe('as an answer', () => {
  const stored = Buffer.concat([webm, Buffer.from('0123456789')]);
  const clip = {
    mime: 'video/webm' as const,
    size: stored.length,
    piece: async (from: number, n: number) => stored.subarray(from, from + n),
  };
  const told = async (range: string | null) => {
    const answer = await clipAnswer(clip, range);
    const bytes = Buffer.from(await answer.arrayBuffer());
    return [answer.status, bytes.toString('latin1'), answer.headers.get('content-range')];
  };
  const size = stored.length;
  const whole = stored.toString('latin1');
  const last = size - 3;

  test.each([
    [null, 200, whole, null],
    ['bytes=0-3', 206, whole.slice(0, 4), `bytes 0-3/${size}`],
    [`bytes=${last}-`, 206, '789', `bytes ${last}-${size - 1}/${size}`],
    [`bytes=${last}-999999999`, 206, '789', `bytes ${last}-${size - 1}/${size}`],
    [`bytes=${size}-`, 416, '', `bytes */${size}`],
    ['bytes=5-2', 416, '', `bytes */${size}`],
    ['bytes=0-1,4-5', 200, whole, null],
    ['bytes=-3', 206, '789', `bytes ${last}-${size - 1}/${size}`],
    ['lines=1-2', 200, whole, null],
  ])('to %j', async (range, ...expected) => expect(await told(range)).toEqual(expected));

  test('it is a clip and nothing a browser would run', async () => {
    const { headers } = await clipAnswer(clip, null);
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('content-security-policy')).toContain('sandbox');
  });

  test('a large one is read piece by piece as it is taken, and no further once nobody takes it', async () => {
    const size = 10 * PIECE + 1;
    const asked: number[] = [];
    const large = (ended: () => void, range: string | null = null) =>
      clipAnswer(
        {
          mime: 'video/mp4',
          size,
          piece: async (from, n) => {
            asked.push(from);
            return Buffer.alloc(Math.min(n, size - from), 1);
          },
        },
        range,
        ended,
      );
    let ends = 0;
    const whole = await large(() => ends++);
    expect([whole.headers.get('content-length'), asked]).toEqual([String(size), []]);
    expect((await whole.arrayBuffer()).byteLength).toBe(size);
    expect([asked.length, ends]).toEqual([11, 1]);
    asked.length = 0;
    const reader = (await large(() => ends++)).body!.getReader();
    await reader.read();
    await reader.cancel();
    expect([asked.length, ends]).toEqual([1, 2]);
    const piece = await large(() => ends++, 'bytes=7-');
    expect([piece.headers.get('content-range'), ends]).toEqual([`bytes 7-${PIECE + 6}/${size}`, 3]);
  });

  test('who takes nothing any more is given up', async () => {
    jest.useFakeTimers();
    try {
      let ends = 0;
      const { body } = await clipAnswer({ ...clip, size: 2 * PIECE }, null, () => ends++);
      const reader = body!.getReader();
      await reader.read();
      await jest.advanceTimersByTimeAsync(31_000);
      expect(ends).toBe(1);
      await expect(reader.read()).rejects.toThrow('Nobody takes');
    } finally {
      jest.useRealTimers();
    }
  });
});
