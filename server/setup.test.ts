import type { Client } from './db';
import { isEmpty, setUp } from './setup';
import { asOwner, closePool, inDatabase, someone } from '@/tests/test-database';

afterAll(closePool);

const CODE = 'a-code-of-twelve';
const owner = { code: CODE, id: 'Orla', name: 'Orla Venn', password: 'gantry-otter-77-linen' };

/** A shop nobody works in yet, for as long as it is looked at. */
const inEmptyShop = <T>(work: (client: Client) => Promise<T>): Promise<T> =>
  asOwner(async (client) => {
    await client.query('BEGIN');
    try {
      // Stands before the shop's own table, for this connection alone: nobody else waits for it.
      await client.query('CREATE TEMP TABLE users (LIKE public.users INCLUDING ALL)');
      return await work(client);
    } finally {
      await client.query('ROLLBACK');
    }
  });

test('whoever has the code becomes the owner, and nobody after', async () => {
  const [made, again] = await inEmptyShop(async (client) => {
    expect(await isEmpty(client)).toBe(true);
    const user = await setUp(client, owner, CODE);
    expect(await isEmpty(client)).toBe(false);
    return [user, await setUp(client, { ...owner, id: 'second' }, CODE).catch((e: unknown) => e)];
  });
  expect(made).toMatchObject({ id: 'orla', name: 'Orla Venn', role: 'owner' });
  expect(again).toMatchObject({ status: 409 });
});

test.each([
  [{ ...owner, code: 'another' }, CODE, 403],
  [owner, undefined, 403],
  [{ ...owner, code: '' }, '', 403],
  [{ ...owner, password: 'short' }, CODE, 400],
  [{ ...owner, id: 'no such name!' }, CODE, 400],
  [{ code: CODE }, CODE, 400],
  [null, CODE, 400],
])('%j with the code %j is refused', async (body, code, status) => {
  const refused = await inEmptyShop((client) => setUp(client, body, code).catch((e: unknown) => e));
  expect(refused).toMatchObject({ status });
});

test('where people work, the code opens nothing', async () => {
  await someone('technician');
  const refused = await inDatabase((client) => setUp(client, owner, CODE).catch((e: unknown) => e));
  expect(refused).toMatchObject({ status: 409 });
});

test('only wrong codes count, and however many there were the right one opens', async () => {
  let wrong = 0;
  const tooOften = async () => ++wrong > 2;
  const outcomes = await inEmptyShop(async (client) => {
    const go = (body: unknown) =>
      setUp(client, body, CODE, tooOften).then(
        () => 'in',
        (e: { status: number }) => e.status,
      );
    const weak = { ...owner, password: 'short' };
    const another = { ...owner, code: 'another' };
    const told = [];
    for (const body of [weak, another, weak, another, another, owner]) told.push(await go(body));
    return told;
  });
  expect([outcomes, wrong]).toEqual([[400, 403, 400, 403, 429, 'in'], 3]);
});
