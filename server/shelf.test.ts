import { randomUUID } from 'node:crypto';
import type { ShelfPiece } from '@/core/shelf';
import { inTransaction } from './db';
import { appendEntries } from './entries';
import { answerQuote } from './quote-answers';
import { jobByNumber } from './jobs';
import { goneFrom } from './quotable';
import { linkQuote } from './quote-links';
import { makeQuote } from './quote-making';
import { quotesOf } from './quotes';
import { addToShelf, changePiece, donorCores, shelfOf } from './shelf';
import { closePool, inDatabase, jobWith, someone } from '@/tests/test-database';
import type { User } from './users';

afterAll(closePool);

const CORE = {
  'vehicle.bare': true,
  'unit-source.from': 'A breaker',
  'unit.debris.water': { is: { sump: 'none' } },
  'part.sun-shell.condition': { is: 'sound' },
  'part.front-carrier.condition': { is: 'failed' },
};
const put = async (body: unknown) => {
  const who = await someone('technician');
  return inTransaction((c) => addToShelf(c, body, who));
};
const change = async (id: string, body: unknown) => {
  const who = await someone('technician');
  return inTransaction((c) => changePiece(c, id, body, who));
};
const pieces = () => inDatabase((c) => shelfOf(c, 'ostrel-four'));

async function shelved() {
  const core = await jobWith(CORE);
  const piece = await put({ job: core.number, part: 'sun-shell', price: 5500 });
  return { core, piece };
}

test('a good part of a core lies on the shelf with what was seen and where it came from', async () => {
  const { core, piece } = await shelved();
  expect(piece).toMatchObject({
    part: 'sun-shell',
    grade: 'sound',
    origin: 'A breaker',
    fromJob: core.number,
    price: 5500,
    heldBy: null,
  });
  expect(piece.seen).toMatch(/1 of \d+ points/);
  expect((await pieces()).map((p) => p.id)).toContain(piece.id);
  expect(await inDatabase(donorCores)).toContainEqual({
    job: core.number,
    unitName: 'Ostrel Four',
    origin: 'A breaker',
    water: 'none',
    good: 1,
    shelved: 1,
  });
});

test('the same part of the same core is there once, whoever puts it there', async () => {
  const { core } = await shelved();
  await expect(put({ job: core.number, part: 'sun-shell', price: 1 })).rejects.toMatchObject({ status: 409 });
});

test.each([
  [{ part: 'front-carrier', price: 100 }, 409, /Found failed/],
  [{ part: 'rear-carrier', price: 100 }, 409, /Nobody has looked/],
  [{ part: 'overhaul-kit', price: 100 }, 404, /./],
  [{ part: 'sun-shell', price: -1 }, 400, /price/],
  [{ part: 'sun-shell' }, 400, /price/],
])('%j does not get there', async (body, status, message) => {
  const core = await jobWith(CORE);
  await expect(put({ job: core.number, ...body })).rejects.toMatchObject({
    status,
    message: expect.stringMatching(message),
  });
});

test('a customer’s unit is no core of the shop', async () => {
  const job = await jobWith({ 'part.sun-shell.condition': { is: 'sound' } });
  await expect(put({ job: job.number, part: 'sun-shell', price: 100 })).rejects.toMatchObject({
    status: 409,
    message: 'This unit is a customer’s.',
  });
});

test('a piece is held for one job, until it is put back', async () => {
  const { piece } = await shelved();
  const [one, other] = [await jobWith({}), await jobWith({})];
  expect((await change(piece.id, { hold: one.number })).heldBy).toBe(one.number);
  expect((await change(piece.id, { hold: one.number })).heldBy).toBe(one.number);
  await expect(change(piece.id, { hold: other.number })).rejects.toMatchObject({
    status: 409,
    message: expect.stringMatching(`job ${one.number}`),
  });
  expect((await change(piece.id, { putBack: true })).heldBy).toBeNull();
  expect((await change(piece.id, { hold: other.number })).heldBy).toBe(other.number);
});

test('of two who take the last piece at once one gets it', async () => {
  const jobs = await Promise.all([jobWith({}), jobWith({})]);
  const who = await someone('technician');
  for (let round = 0; round < 5; round++) {
    const { piece } = await shelved();
    const tries = await Promise.allSettled(
      jobs.map((j) => inTransaction((c) => changePiece(c, piece.id, { hold: j.number }, who))),
    );
    expect(tries.map((t) => t.status).sort()).toEqual(['fulfilled', 'rejected']);
  }
});

test('what is gone is gone, with the reason', async () => {
  const { piece } = await shelved();
  await change(piece.id, { gone: 'dropped' });
  expect((await pieces()).map((p) => p.id)).not.toContain(piece.id);
  await expect(change(piece.id, { price: 5 })).rejects.toMatchObject({
    message: expect.stringMatching(/dropped/),
  });
});

test.each([[null], [{}], [{ price: -1 }], [{ hold: 1, putBack: true }], [{ putBack: false }]])(
  '%j is nothing that can be done with it',
  async (body) => {
    const { piece } = await shelved();
    await expect(change(piece.id, body)).rejects.toMatchObject({ status: 400 });
  },
);

test.each([['nonsense'], [randomUUID()]])('there is no piece %s', async (id) => {
  await expect(change(id, { price: 5 })).rejects.toMatchObject({ status: 404 });
});

/** Chooses a piece for the sun shell of a job, whether it is held for it or not. */
const countOn = (job: number, { id: shelf, price }: ShelfPiece, by: User) => {
  const value = { grade: 'donor', supplier: 'Shelf', price, leadDays: 0, shelf, on: '2026-11-27' };
  const entry = { id: randomUUID(), slot: 'scope.source.sun-shell', value };
  return inTransaction((c) => appendEntries(c, job, by, [entry]));
};

test('a quote that counts on a piece held for nobody is not made', async () => {
  const { piece } = await shelved();
  const job = await jobWith({ 'part.sun-shell.condition': { is: 'failed' } });
  const owner = await someone('owner');
  await countOn(job.number, piece, owner);
  const make = () => inTransaction((c) => makeQuote(c, job.number, owner));
  await expect(make()).rejects.toMatchObject({ status: 409, message: expect.stringMatching(/Sun shell/) });
  await change(piece.id, { hold: job.number });
  const [targeted] = (await make()).content.options;
  const line = targeted!.lines.find((l) => l.order?.part === 'sun-shell')!;
  expect(line).toMatchObject({ price: 5500, note: 'used, inspected here' });
  expect(line.order).toMatchObject({ supplier: 'Shelf', grade: 'donor', shelf: piece.id, leadDays: 0 });
});

test('a piece nobody needs any more holds up no quote', async () => {
  const { piece } = await shelved();
  const job = await jobWith({ 'part.rear-carrier.condition': { is: 'failed' } });
  const owner = await someone('owner');
  await countOn(job.number, piece, owner);
  expect((await inTransaction((c) => makeQuote(c, job.number, owner))).version).toBe(1);
});

test('a piece is sold once: a quote whose piece went elsewhere is not accepted, one that was is not put back', async () => {
  const { piece } = await shelved();
  const owner = await someone('owner');
  const quoted = async () => {
    const job = await jobWith({ 'part.sun-shell.condition': { is: 'failed' } });
    await countOn(job.number, piece, owner);
    await change(piece.id, { hold: job.number });
    const { version } = await inTransaction((c) => makeQuote(c, job.number, owner));
    const token = await inTransaction((c) => linkQuote(c, job.number, version, owner));
    const accept = () =>
      inTransaction((c) => answerQuote(c, token, { kind: 'accept', option: 'targeted', name: 'Ann Reed' }));
    return { job, accept };
  };
  const first = await quoted();
  await change(piece.id, { putBack: true, anyway: true });
  const second = await quoted();
  await expect(first.accept()).rejects.toMatchObject({
    status: 409,
    message: 'A part of this option is no longer to be had.',
  });
  await second.accept();
  await expect(change(piece.id, { putBack: true })).rejects.toMatchObject({
    status: 409,
    message: expect.stringMatching(/is sold/),
  });
  await expect(change(piece.id, { gone: 'dropped' })).rejects.toMatchObject({ status: 409 });
});

test('a piece in a quote the customer has is not taken away without a warning; the quote then says what is gone', async () => {
  const { piece } = await shelved();
  const owner = await someone('owner');
  const job = await jobWith({ 'part.sun-shell.condition': { is: 'failed' } });
  await countOn(job.number, piece, owner);
  await change(piece.id, { hold: job.number });
  const { version } = await inTransaction((c) => makeQuote(c, job.number, owner));
  const gone = () =>
    inDatabase(async (c) => {
      const { id } = await jobByNumber(c, job.number);
      return goneFrom(c, id, (await quotesOf(c, id)).find((q) => q.version === version)!.content);
    });
  // Nobody has it yet: a draft holds nothing back.
  await change(piece.id, { putBack: true });
  expect(await gone()).toEqual([piece.name]);
  await change(piece.id, { hold: job.number });
  expect(await gone()).toEqual([]);
  await inTransaction((c) => linkQuote(c, job.number, version, owner));
  for (const body of [{ putBack: true }, { gone: 'dropped' }])
    await expect(change(piece.id, body)).rejects.toMatchObject({
      status: 409,
      kind: 'quoted',
      message: `${piece.name} is part of quote version ${version} for job ${job.number}, and the customer has that quote.`,
    });
  expect(await gone()).toEqual([]);
  expect((await change(piece.id, { price: 4200 })).heldBy).toBe(job.number);
  expect((await change(piece.id, { hold: job.number })).heldBy).toBe(job.number);
  expect((await change(piece.id, { putBack: true, anyway: true })).heldBy).toBeNull();
  expect(await gone()).toEqual([piece.name]);
});
