import { inTransaction } from './db';
import { takePrices, writePrices } from './price-book';
import { saveShop, shopOf } from './shop';
import { closePool, inDatabase, someone } from '@/tests/test-database';

afterAll(closePool);

const take = async (text: string) => takePrices(text, await someone('owner'));

test('the book goes out as a table and comes in again; what is taken counts from then on', async () => {
  const text = await inDatabase(writePrices);
  expect(text.split('\n')[0]).toBe('unit,part,name,supplier,price,cost,lead_days,core_deposit,return_days');
  expect(text).toContain('ostrel-four,filter,Filter,');
  const before = await inDatabase(shopOf);
  const { version, terms } = await take('unit,part,price,cost\nostrel-four,filter,"21,40",9.10\n');
  expect(version).toBe(before.version + 1);
  expect(terms.prices).toContainEqual({ unit: 'ostrel-four', part: 'filter', price: 2140, cost: 910 });
  expect(await inDatabase(writePrices)).toMatch(/ostrel-four,filter,Filter,[^,]*,21\.40,9\.10/);
  const owner = await someone('owner');
  await inTransaction((c) => saveShop(c, version, before.terms, owner));
});

test.each([
  ['unit,part,price\nostrel-four,filter,-1\n', /Row 1, price/],
  ['unit,part,price\nostrel-four,ghost,1\nghost,filter,1\n', /Row 1, part: .*and 1 more/],
  ['name,price\nFilter,1\n', /no rows with a column "unit"/],
  ['unit,part,price\nostrel-four,filter,1\nostrel-four,filter,2\n', /Row 2, part: .*twice/],
  ['', /no rows/],
  ['unit,part,price\nostrel-four,"filter,1\n', /cannot be read/],
  ['unit,part,price\nostrel-four,filter\n', /cannot be read/],
])('%j is refused whole', async (text, words) => {
  const before = await inDatabase(shopOf);
  await expect(take(text)).rejects.toMatchObject({ status: 400, message: expect.stringMatching(words) });
  expect(await inDatabase(shopOf)).toEqual(before);
});
