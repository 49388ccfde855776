import { randomUUID } from 'node:crypto';
import type { Json } from '@/core/case';
import { inTransaction } from './db';
import { quoteJob } from './experience';
import { appendEntries } from './entries';
import { jobByNumber } from './jobs';
import { quoteFor } from './quotes';
import { answerQuote } from './quote-answers';
import { linkQuote } from './quote-links';
import { makeQuote } from './quote-making';
import { DEFAULT_TERMS, UNSET_TERMS, openTerms, saveShop, shopOf, shopVersions } from './shop';
import { asOwner, closePool, inDatabase, someJob, someone } from '@/tests/test-database';

afterAll(closePool);

const now = () => inDatabase(shopOf);

test('a shop that set nothing works by what ships; what the owner sets stands, version by version', async () => {
  const ivo = await someone('owner');
  const first = await now();
  if (first.version === 0) expect(first.terms).toEqual(UNSET_TERMS);
  const dearer = { ...first.terms, fluidPerLitre: first.terms.fluidPerLitre + 1 };
  const saved = await inTransaction((c) => saveShop(c, first.version, dearer, ivo));
  expect(saved).toEqual({ version: first.version + 1, terms: dearer });
  expect(await now()).toEqual(saved);
  expect((await inDatabase(shopVersions))[0]).toMatchObject({ version: saved.version, by: ivo.name });
  await expect(inTransaction((c) => saveShop(c, first.version, dearer, ivo))).rejects.toMatchObject({
    status: 409,
  });
  await expect(
    inTransaction((c) => saveShop(c, saved.version, { ...dearer, waste: -1 }, ivo)),
  ).rejects.toMatchObject({
    status: 400,
    problems: [{ pointer: '/waste' }],
  });
  await expect(asOwner((c) => c.query('DELETE FROM shop_terms'))).rejects.toThrow(/append-only/);
  await inTransaction((c) => saveShop(c, saved.version, { ...DEFAULT_TERMS }, ivo));
});

test('what things cost the shop, and other units’ prices, do not go to its browsers', () => {
  const terms = {
    ...DEFAULT_TERMS,
    times: [
      { unit: 'a', operation: 'x', hours: 1 },
      { unit: 'b', operation: 'x', hours: 2 },
    ],
    prices: [
      { unit: 'a', part: 'p', price: 5, cost: 3 },
      { unit: 'b', part: 'p', price: 6, cost: 4 },
    ],
  };
  const open = openTerms(terms, 'a');
  expect(open).toMatchObject({
    costPerHour: 0,
    partsMarkup: 0,
    times: [{ hours: 1 }],
    prices: [{ unit: 'a', part: 'p', price: 5 }],
  });
  expect('cost' in open.prices[0]!).toBe(false);
});

async function jobOf(values: Record<string, Json>) {
  const owner = await someone('owner');
  const job = await someJob(owner);
  const batch = Object.entries(values).map(([slot, value]) => ({ id: randomUUID(), slot, value }));
  await inTransaction((c) => appendEntries(c, job.number, owner, batch));
  return { owner, number: job.number };
}
const FAILED = { 'part.sun-shell.condition': { is: 'failed' } };

test('work promised to others stands before a job: it is ready later', async () => {
  const ready = async (number: number) =>
    (await inDatabase(async (c) => quoteJob(c, await jobByNumber(c, number)))).options[0]!.ready!.at;
  const mine = await jobOf(FAILED);
  const before = await ready(mine.number);
  for (let k = 0; k < 4; k++) {
    const other = await jobOf(FAILED);
    const { version } = await inTransaction((c) => makeQuote(c, other.number, other.owner));
    const token = await inTransaction((c) => linkQuote(c, other.number, version, other.owner));
    await inTransaction((c) => answerQuote(c, token, { kind: 'accept', option: 'full', name: 'Ada' }));
  }
  expect((await ready(mine.number)) > before).toBe(true);
});

test('nothing is quoted that nothing stands behind, or that has no price', async () => {
  const empty = await jobOf({});
  await expect(inTransaction((c) => makeQuote(c, empty.number, empty.owner))).rejects.toMatchObject({
    status: 409,
    message: expect.stringMatching(/nothing to quote yet/),
  });
  const own = { change: 'add', name: 'Bracket', reason: 'cracked' };
  const unpriced = await jobOf({ ...FAILED, 'scope.line.own-1': own });
  await expect(inTransaction((c) => makeQuote(c, unpriced.number, unpriced.owner))).rejects.toMatchObject({
    status: 409,
    message: expect.stringMatching(/Bracket has no price/),
  });
  const priced = await jobOf({ ...FAILED, 'scope.line.own-1': { ...own, price: 900 } });
  expect((await inTransaction((c) => makeQuote(c, priced.number, priced.owner))).version).toBe(1);
});

test('what is earned is the owner’s to see', async () => {
  const { owner, number } = await jobOf(FAILED);
  const { content } = await inTransaction((c) => makeQuote(c, number, owner));
  expect(quoteFor(owner, content).options.every((o) => o.inner)).toBe(true);
  for (const role of ['technician', 'counter'] as const)
    expect(quoteFor({ ...owner, role }, content).options.some((o) => o.inner)).toBe(false);
});
