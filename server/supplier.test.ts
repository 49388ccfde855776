import { createServer } from 'node:http';
import type { RequestListener, Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import { startSupplier } from '@/stand-ins/supplier';
import type { FailureMode } from '@/stand-ins/supplier';
import { DEFAULT_TERMS } from './shop';
import { askedOf, httpSupplier, offersFrom } from './supplier';

const unit = ostrelFour as unknown as UnitDefinition;
const servers: Server[] = [];
afterAll(() =>
  servers.forEach((s) => {
    s.closeAllConnections();
    s.close();
  }),
);

const parts = [
  'sun-shell',
  'converter',
  'filter',
  'front-carrier',
  'pump-gears',
  'band',
  'low-owc',
  'servo-piston',
];
const question = { unit: 'ostrel-four', supplier: 'Marrow Gear & Drum', parts };
const addressOf = (server: Server) => `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
const answerFrom = (address: string, costs = false, patience = 3000) =>
  offersFrom(httpSupplier(address), question, { unit, terms: DEFAULT_TERMS, costs }, patience);

async function suppliedBy(failure: FailureMode) {
  const server = await startSupplier(0, failure, 20);
  servers.push(server);
  return addressOf(server);
}

async function stranger(listener: RequestListener) {
  const server = createServer(listener);
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return addressOf(server);
}

test('an ordinary supplier offers grades with price, stock and day; what it costs is not for everybody', async () => {
  const address = await suppliedBy('none');
  const { offers, trouble, refused } = await answerFrom(address);
  expect(trouble).toBeNull();
  expect(refused).toEqual([]);
  expect(offers.length).toBeGreaterThan(parts.length);
  expect(new Set(offers.map((o) => o.grade))).toEqual(new Set(['new', 'remanufactured', 'donor']));
  for (const o of offers) {
    expect(o.price).toBeGreaterThan(0);
    expect(o.source === null).toBe(o.days === null);
    expect(o).not.toHaveProperty('cost');
  }
  const [open] = (await answerFrom(address, true)).offers;
  expect(open!.cost).toBeLessThan(open!.price);
});

test('one failure is asked about again, so that nobody sees it', async () => {
  const address = await suppliedBy('none');
  for (let k = 0; k < 12; k++) expect((await answerFrom(address)).trouble).toBeNull();
});

test.each<[FailureMode, RegExp]>([
  ['slow', /in time/],
  ['failing', /answered 503/],
  ['garbled', /cannot be read/],
])('a %s supplier is said to be so, and nothing is known', async (failure, words) => {
  const answer = await answerFrom(await suppliedBy(failure), false, 600);
  expect(answer.trouble).toMatch(words);
  expect(answer.offers).toEqual([]);
  expect(answer.unanswered).toEqual(parts);
});

test('a lying supplier is believed in nothing that cannot be', async () => {
  const { offers, refused, trouble } = await answerFrom(await suppliedBy('lying'));
  expect(trouble).toBeNull();
  expect(refused.length).toBeGreaterThan(5);
  for (const o of offers) {
    expect(o.price).toBeGreaterThan(0);
    expect(o.days ?? 0).toBeLessThanOrEqual(365);
    expect(o.days ?? 0).toBeGreaterThanOrEqual(0);
  }
});

test('sold out, nothing is in stock, and some of it nobody can promise', async () => {
  const { offers } = await answerFrom(await suppliedBy('sold-out'));
  expect(offers.every((o) => o.stock === 0)).toBe(true);
  expect(offers.some((o) => o.source === null)).toBe(true);
});

test('nobody there, an answer without end, and one that sends elsewhere are troubles like others', async () => {
  expect((await answerFrom('http://127.0.0.1:9')).trouble).toMatch(/cannot be reached/);
  const endless = await stranger((_, response) => {
    response.writeHead(200);
    const more = setInterval(() => response.write('x'.repeat(65_536)), 1);
    response.on('close', () => clearInterval(more));
  });
  expect((await answerFrom(endless)).trouble).toMatch(/no end/);
  const elsewhere = await stranger((_, response) => response.writeHead(302, { location: endless }).end());
  expect((await answerFrom(elsewhere)).trouble).toMatch(/cannot be reached/);
});

test('without a supplier the price book stands', async () => {
  const answer = await offersFrom(null, question, { unit, terms: DEFAULT_TERMS, costs: false });
  expect(answer).toMatchObject({ trouble: 'No supplier is connected', offers: [], unanswered: parts });
});

test('only parts of the unit are asked about', () => {
  expect(askedOf(unit, { supplier: '', parts: ['filter'] })).toEqual({
    unit: 'ostrel-four',
    supplier: '',
    parts: ['filter'],
  });
  for (const body of [null, {}, { supplier: '', parts: [] }, { supplier: '', parts: ['ghost'] }])
    expect(() => askedOf(unit, body)).toThrow(expect.objectContaining({ status: 400 }));
});
