import { randomUUID } from 'node:crypto';
import { CLIP_LIMIT, clipAnswer, clipKind, clipOf, rangeOf, saveClip } from './clips';
import { inTransaction } from './db';
import { jobByNumber } from './jobs';
import { closePool, inDatabase, someJob, someone } from './test-database';

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
  [Buffer.from('\x1a\x45\xdf\xa3matroska', 'latin1'), null],
  [Buffer.alloc(0), null],
])('a clip is told by its bytes', (bytes, kind) => expect(clipKind(bytes)).toBe(kind));

test('is kept once, three to a job, and nothing that is no clip', async () => {
  const owner = await someone('owner');
  const { number } = await someJob(owner);
  const { id: job } = await inDatabase((c) => jobByNumber(c, number));
  const save = (id: string, bytes = webm) => inTransaction((c) => saveClip(c, job, id, bytes, owner));
  const ids = [randomUUID(), randomUUID(), randomUUID()];
  for (const id of ids) expect(await save(id)).toBe('video/webm');
  expect(await save(ids[0]!, mp4())).toBe('video/mp4');
  expect(await inDatabase((c) => clipOf(c, job, ids[0]!, null))).toMatchObject({
    mime: 'video/webm',
    bytes: webm,
  });
  await expect(save(randomUUID())).rejects.toMatchObject({ status: 413 });
  await expect(save(randomUUID(), Buffer.from('no clip'))).rejects.toMatchObject({ status: 415 });
  await expect(inDatabase((c) => clipOf(c, job, randomUUID(), null))).rejects.toMatchObject({ status: 404 });
  expect(CLIP_LIMIT).toBeLessThanOrEqual(26_214_400);
});

describe('as an answer', () => {
  const stored = Buffer.concat([webm, Buffer.from('0123456789')]);
  let told: (range: string | null) => Promise<unknown[]>;
  beforeAll(async () => {
    const owner = await someone('owner');
    const { number } = await someJob(owner);
    const { id: job } = await inDatabase((c) => jobByNumber(c, number));
    const id = randomUUID();
    await inTransaction((c) => saveClip(c, job, id, stored, owner));
    told = async (header) => {
      const range = rangeOf(header);
      const answer = clipAnswer(await inDatabase((c) => clipOf(c, job, id, range)), range);
      const bytes = Buffer.from(await answer.arrayBuffer());
      return [answer.status, bytes.toString('latin1'), answer.headers.get('content-range')];
    };
  });
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
    ['bytes=-3', 200, whole, null],
    ['lines=1-2', 200, whole, null],
  ])('to %j', async (range, ...expected) => expect(await told(range)).toEqual(expected));

  test('it is a clip and nothing a browser would run', () => {
    const { headers } = clipAnswer({ mime: 'video/mp4', size: 1, from: 0, bytes: Buffer.from('x') }, null);
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('content-security-policy')).toContain('sandbox');
  });
});
