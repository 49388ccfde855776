import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type { CaseDocument, Json } from '@/core/case';
import { exportCase, importCase, readCaseFile } from './cases';
import { inTransaction } from './db';
import { appendEntries } from './entries';
import { jobByNumber } from './jobs';
import { savePhoto } from './photos';
import { reencode } from './pictures';
import { quotesOf } from './quotes';
import { answerQuote } from './quote-answers';
import { linkQuote } from './quote-links';
import { makeQuote } from './quote-making';
import { formerQuote } from '@/tests/fixtures/former-quote';
import { closePool, inDatabase, someJob, someone } from '@/tests/test-database';
import type { User } from './users';

afterAll(closePool);
const picture = () => sharp({ create: { width: 40, height: 30, channels: 3, background: '#884422' } });

/** A file through the whole way in: read away from the server, then written. */
async function bring(value: unknown, user: User): Promise<number> {
  const ready = await readCaseFile(Buffer.from(typeof value === 'string' ? value : JSON.stringify(value)));
  return inTransaction((c) => importCase(c, ready, user));
}
async function out(number: number, user: User): Promise<CaseDocument> {
  let text = '';
  for await (const piece of await exportCase(number, user)) text += piece;
  return JSON.parse(text);
}

/** A job with a committed cause, a photo and an accepted quote. */
async function wholeJob(ivo: User) {
  const job = await someJob(ivo);
  const photo = (await reencode(await picture().png().toBuffer()))!;
  const id = randomUUID();
  const write = (slot: string, value: Json) => ({ id: randomUUID(), slot, value });
  await inTransaction(async (c) => {
    await savePhoto(c, job.id, id, photo, ivo);
    await appendEntries(c, job.number, ivo, [
      write('customer.name', 'مريم Åse 🛠️'),
      write('unit.fluid.level', 'low'),
      write('unit.fluid.level', null),
      write('cause.commit', { cause: 'filter:blocked', reason: 'seen' }),
      write(`photo.${id}`, { about: 'debris' }),
    ]);
  });
  const quote = await inTransaction((c) => makeQuote(c, job.number, ivo));
  const token = await inTransaction((c) => linkQuote(c, job.number, quote.version, ivo));
  await inTransaction((c) =>
    answerQuote(c, token, { kind: 'accept', option: 'full', name: 'Ada Verhoeven' }),
  );
  return job;
}

test('a whole job goes out and comes back: record, photos, quotes and answers', async () => {
  const ivo = await someone('owner');
  const sent = await out((await wholeJob(ivo)).number, ivo);
  const back = await out(await bring(sent, ivo), ivo);
  expect(back.findings).toEqual(sent.findings);
  expect(back.photos).toEqual(sent.photos);
  expect(back.quotes).toEqual(sent.quotes!.map((q) => ({ ...q, imported: true })));
  const bare = (d: CaseDocument) => d.history!.map(({ id, seq, slot, value }) => ({ id, seq, slot, value }));
  expect(bare(back)).toEqual(bare(sent));
});

describe('a file has no authority of its own', () => {
  test('who wrote it there is its source; who brings it in is the writer', async () => {
    const [ivo, mira] = [await someone('owner'), await someone('technician')];
    const sent = await out((await wholeJob(ivo)).number, ivo);
    const number = await bring(sent, mira);
    const { state } = await inDatabase((c) => jobByNumber(c, number));
    const { at } = sent.history!.find((e) => e.slot === 'cause.commit')!;
    expect(state['cause.commit']).toMatchObject({ by: mira.name, source: { by: ivo.name, at } });
    // Brought in once more, the first writer is still the source.
    const again = await out(await bring(await out(number, mira), ivo), ivo);
    expect(again.history!.every((e) => e.source?.by === ivo.name && e.by === ivo.name)).toBe(true);
  });

  test('the counter brings in no findings', async () => {
    const [ivo, tobin] = [await someone('owner'), await someone('counter')];
    const sent = await out((await wholeJob(ivo)).number, ivo);
    await expect(bring(sent, tobin)).rejects.toMatchObject({
      status: 403,
      problems: expect.arrayContaining([expect.objectContaining({ pointer: '/findings/0' })]),
    });
  });

  test('an accepted quote is history: the job is not built by it, and it can be neither sent nor accepted', async () => {
    const ivo = await someone('owner');
    const sent = await out((await wholeJob(ivo)).number, ivo);
    const number = await bring(sent, ivo);
    const job = await inDatabase((c) => jobByNumber(c, number));
    expect(job).toMatchObject({ stage: 'scope', quoted: null });
    const [quote] = await inDatabase((c) => quotesOf(c, job.id));
    expect(quote).toMatchObject({ status: 'accepted', imported: true });
    await expect(inTransaction((c) => linkQuote(c, number, quote!.version, ivo))).rejects.toMatchObject({
      status: 409,
    });
    // The shop's own quote goes on from there.
    const own = await inTransaction((c) => makeQuote(c, number, ivo));
    expect(own.version).toBe(2);
    const token = await inTransaction((c) => linkQuote(c, number, 2, ivo));
    await inTransaction((c) => answerQuote(c, token, { kind: 'accept', option: 'full', name: 'Ada' }));
    expect((await inDatabase((c) => jobByNumber(c, number))).stage).toBe('build');
  });
});

const hand = (findings: CaseDocument['findings'], more: Partial<CaseDocument> = {}) => ({
  format: 'pelvik-case/1',
  unit: 'ostrel-four',
  findings,
  ...more,
});

test('a hand-written case becomes a job', async () => {
  const ivo = await someone('owner');
  const number = await bring(hand([{ slot: 'unit.fluid.level', value: { is: 'low' } }]), ivo);
  expect((await out(number, ivo)).findings).toMatchObject([
    { slot: 'unit.fluid.level', value: { is: 'low' } },
  ]);
});

test('the numbers of a file are its own affair: a record that came in goes on from where it ends', async () => {
  const ivo = await someone('owner');
  const entry = (seq: number, value: Json) => ({
    id: `entry-00${seq}`,
    seq,
    by: 'Ada',
    at: '2026-01-01T00:00:00.000Z',
    slot: 'unit.fluid.level',
    value,
  });
  const history = [entry(2147483647, { is: 'low' }), entry(7, { is: 'full' })];
  const number = await bring(hand([{ slot: 'unit.fluid.level', value: { is: 'low' } }], { history }), ivo);
  const answer = await inTransaction((c) =>
    appendEntries(c, number, ivo, [{ id: randomUUID(), slot: 'unit.fluid.colour', value: { is: 'red' } }]),
  );
  expect(answer.lastSeq).toBe(3);
});

const at = '2026-01-01T00:00:00.000Z';
const line = (seq: number, more: object = {}) => ({
  id: `entry-${seq}00`,
  seq,
  by: 'Ada',
  at,
  slot: 'unit.fluid.level',
  value: { is: 'low' },
  ...more,
});
const low = [{ slot: 'unit.fluid.level', value: { is: 'low' } }];
const quote = (more: object = {}) => ({
  version: 1,
  status: 'sent',
  createdAt: at,
  content: formerQuote,
  answers: [],
  ...more,
});

describe('refused with a pointer, leaving no job behind', () => {
  test.each<[string, unknown, string]>([
    ['not JSON', '{"format":', ''],
    ['not an object', '"text"', ''],
    ['an unknown version', { format: 'pelvik-case/9', unit: 'ostrel-four', findings: [] }, '/format'],
    ['an absurd number', hand([{ slot: 'vehicle.odometerKm', value: -1 }]), '/findings/0/value'],
    ['a half character', hand([{ slot: 'complaint.words', value: 'x\ud800' }]), '/findings/0/value'],
    ['NUL', hand([{ slot: 'complaint.words', value: 'x\0' }]), '/findings/0/value'],
    [
      'year 0000',
      hand(low as never, { history: [line(1, { at: '0000-01-01T00:00:00Z' })] as never }),
      '/history/0/at',
    ],
    ['year 9999', hand([{ slot: 'job.promised', value: '9999-12-31' }]), '/findings/0/value'],
    ['a day that is none', hand([{ slot: 'job.promised', value: '2026-02-30' }]), '/findings/0/value'],
    [
      'an id twice',
      hand(low as never, { history: [line(1), line(2, { id: 'entry-100' })] as never }),
      '/history/1/id',
    ],
    [
      'a number twice',
      hand(low as never, { history: [line(1), line(1, { id: 'entry-x00' })] as never }),
      '/history/1/seq',
    ],
    ['a slot twice', hand([...low, ...low] as never), '/findings/1/slot'],
    [
      'a quote without content',
      hand([], { quotes: [quote({ content: { options: {} } })] as never }),
      '/quotes/0/content',
    ],
    ['a version twice', hand([], { quotes: [quote(), quote()] as never }), '/quotes/1/version'],
    [
      'two accepted quotes',
      hand([], {
        quotes: [quote({ status: 'accepted' }), quote({ version: 2, status: 'accepted' })] as never,
      }),
      '/quotes/1/status',
    ],
    [
      'an answer of nobody',
      hand([], {
        quotes: [quote({ answers: [{ kind: 'ask', option: null, name: '', message: 'x', at }] })] as never,
      }),
      '/quotes/0/answers/0/name',
    ],
    [
      'a part the unit lacks',
      hand([{ slot: 'part.ghost.condition', value: { is: 'worn' } }]),
      '/findings/0/value',
    ],
    ['a plate too many', hand([{ slot: 'face.high.40.a.heat', value: 'bright' }]), '/findings/0/value'],
    [
      'a lining’s grade on a steel',
      hand([{ slot: 'face.high.0.a.heat', value: 'charred' }]),
      '/findings/0/value',
    ],
    [
      'a gear the unit lacks',
      hand([{ slot: 'grid.D9', value: { behaviours: ['slips'], when: [], source: 'shop' } }]),
      '/findings/0/value',
    ],
    ['a solenoid the unit lacks', hand([{ slot: 'solenoid.ghost', value: { ohm: 1 } }]), '/findings/0/value'],
    ['a station the unit lacks', hand([{ slot: 'station.ghost.out', value: true }]), '/findings/0/value'],
    [
      'a photo that is text',
      hand([], { photos: [{ id: 'photo-0001', mime: 'image/jpeg', width: 1, height: 1, data: 'aGVsbG8=' }] }),
      '/photos/0/data',
    ],
  ])('%s', async (_, value, pointer) => {
    const ivo = await someone('owner');
    const mine = () => inDatabase((c) => c.query('SELECT 1 FROM jobs WHERE created_by = $1', [ivo.id]));
    await expect(bring(value, ivo)).rejects.toMatchObject({
      status: 400,
      problems: expect.arrayContaining([
        expect.objectContaining({
          pointer: expect.stringMatching(`^${pointer}`),
          remedy: expect.stringMatching(/./),
        }),
      ]),
    });
    expect((await mine()).rowCount).toBe(0);
  });

  test('an unknown unit', async () => {
    const ivo = await someone('owner');
    await expect(bring({ ...hand([]), unit: 'nothing' }, ivo)).rejects.toMatchObject({ status: 400 });
  });

  test('findings that contradict the history', async () => {
    const ivo = await someone('owner');
    const document = hand([{ slot: 'unit.fluid.level', value: { is: 'full' } }], {
      history: [line(1)] as never,
    });
    await expect(bring(document, ivo)).rejects.toThrow(/do not agree/);
  });
});

test.each([0, 1, 500, 1001])(
  'a record of %i entries goes out whole, piece by piece, in its order',
  async (n) => {
    const ivo = await someone('owner');
    const job = await someJob(ivo);
    const batch = Array.from({ length: n }, (_, k) => ({
      id: randomUUID(),
      slot: 'complaint.words',
      value: `words ${k}`,
    }));
    if (n) await inTransaction((c) => appendEntries(c, job.number, ivo, batch));
    const { history } = await out(job.number, ivo);
    expect(history!.map((e) => [e.seq, e.value])).toEqual(batch.map((e, k) => [k + 1, e.value]));
  },
);
