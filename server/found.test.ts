import { foundInJob } from './found';
import { closePool, inDatabase, jobWith } from '@/tests/test-database';

afterAll(closePool);

test('a job tells whoever has the unit again what was wrong, and what it was put down to', async () => {
  const { number } = await jobWith({
    'vehicle.make': 'Corvane',
    'part.sun-shell.condition': { is: 'failed' },
    'part.filter.condition': { is: 'sound' },
    'cause.commit': { cause: 'sun-shell:path-broken', contributing: [], reason: 'turns in its splines' },
  });
  const found = await inDatabase((c) => foundInJob(c, number));
  expect(found).toMatchObject({ number, vehicle: 'Corvane', closed: false, unit: { id: 'ostrel-four' } });
  expect(found.cause).toMatch(/^Sun shell/);
  expect(found.wrong.map((w) => [w.row, w.words])).toEqual([['part.sun-shell', 'failed']]);
});
test('with nothing committed there is no cause; committed to none it says so', async () => {
  const { number: open } = await jobWith({ 'vehicle.make': 'Corvane' });
  expect((await inDatabase((c) => foundInJob(c, open))).cause).toBeNull();
  const { number: none } = await jobWith({
    'cause.commit': { cause: 'not-determined', contributing: [], reason: 'worn all over' },
  });
  expect((await inDatabase((c) => foundInJob(c, none))).cause).toBe('Not determined');
});
test('a job that is not there is refused', () =>
  expect(inDatabase((c) => foundInJob(c, 99_999_999))).rejects.toMatchObject({ status: 404 }));
