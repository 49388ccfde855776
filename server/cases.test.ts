import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type { CaseDocument } from '@/core/case';
import { exportCase, importCase } from './cases';
import { inTransaction } from './db';
import { appendEntries } from './entries';
import { reencode, savePhoto } from './photos';
import { answerQuote, makeQuote, sendQuote } from './quotes';
import { closePool, inDatabase, someJob, someone } from './test-database';

afterAll(closePool);
const picture = () => sharp({ create: { width: 40, height: 30, channels: 3, background: '#884422' } });

test('a whole job goes out and comes back exactly: record, photos, quotes and answers', async () => {
  const ivo = await someone('owner');
  const job = await someJob(ivo);
  const photo = await reencode(await picture().png().toBuffer());
  const id = randomUUID();
  await inTransaction(async (c) => {
    await savePhoto(c, job.id, id, photo, ivo.name);
    await appendEntries(c, job.number, ivo, [
      { id: randomUUID(), slot: 'customer.name', value: 'مريم Åse 🛠️' },
      { id: randomUUID(), slot: 'fluid.level', value: 'low' },
      { id: randomUUID(), slot: 'fluid.level', value: null },
      { id: randomUUID(), slot: `photo.${id}`, value: { about: 'debris' } },
    ]);
  });
  const quote = await inTransaction((c) => makeQuote(c, job.number, ivo));
  const token = await inTransaction((c) => sendQuote(c, job.number, quote.version, ivo));
  await inTransaction((c) =>
    answerQuote(c, token, { kind: 'accept', option: 'full', name: 'Ada Verhoeven' }),
  );
  const out = await inDatabase((c) => exportCase(c, job.number));
  const number = await inTransaction((c) => importCase(c, JSON.parse(JSON.stringify(out)), ivo));
  const back = await inDatabase((c) => exportCase(c, number));
  expect(back).toEqual(out);
});

test('a hand-written case becomes a job', async () => {
  const ivo = await someone('owner');
  const document: CaseDocument = {
    format: 'pelvik-case/1',
    unit: 'ostrel-four',
    findings: [{ slot: 'fluid.level', value: 'low' }],
  };
  const number = await inTransaction((c) => importCase(c, document, ivo));
  expect((await inDatabase((c) => exportCase(c, number))).findings).toMatchObject([
    { slot: 'fluid.level', value: 'low' },
  ]);
});

test.each<[string, unknown]>([
  ['not an object', 'text'],
  ['an unknown version', { format: 'pelvik-case/9', unit: 'ostrel-four', findings: [] }],
  ['an unknown unit', { format: 'pelvik-case/1', unit: 'nothing', findings: [] }],
  [
    'an absurd number',
    { format: 'pelvik-case/1', unit: 'ostrel-four', findings: [{ slot: 'vehicle.odometerKm', value: -1 }] },
  ],
  [
    'a photo that is text',
    {
      format: 'pelvik-case/1',
      unit: 'ostrel-four',
      findings: [],
      photos: [{ id: 'photo-0001', mime: 'image/jpeg', width: 1, height: 1, data: 'aGVsbG8=' }],
    },
  ],
])('%s is refused and leaves no job behind', async (_, value) => {
  const ivo = await someone('owner');
  const count = async () =>
    (await inDatabase((c) => c.query('SELECT count(*)::int AS n FROM jobs'))).rows[0].n;
  const before = await count();
  await expect(inTransaction((c) => importCase(c, value, ivo))).rejects.toMatchObject({
    status: expect.any(Number),
  });
  expect(await count()).toBe(before);
});

test('findings that contradict the history are refused', async () => {
  const ivo = await someone('owner');
  const document: CaseDocument = {
    format: 'pelvik-case/1',
    unit: 'ostrel-four',
    findings: [{ slot: 'fluid.level', value: 'full' }],
    history: [
      {
        id: 'entry-0001',
        seq: 1,
        by: 'a',
        at: '2026-01-01T00:00:00.000Z',
        slot: 'fluid.level',
        value: 'low',
      },
    ],
  };
  await expect(inTransaction((c) => importCase(c, document, ivo))).rejects.toThrow(/do not agree/);
});

test('photos are decoded, stripped and written anew; other files are refused', async () => {
  const upload = await picture()
    .withExif({ IFD0: { Copyright: 'secret place' } })
    .jpeg()
    .toBuffer();
  const kept = await reencode(upload);
  expect((await sharp(kept.bytes).metadata()).exif).toBeUndefined();
  expect(kept).toMatchObject({ width: 40, height: 30 });
  await expect(reencode(Buffer.from('plain text named photo.jpg'))).rejects.toMatchObject({ status: 415 });
  await expect(reencode(upload.subarray(0, 60))).rejects.toMatchObject({ status: 415 });
});
