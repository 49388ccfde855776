import { comebackOf } from './comeback';
import { closePool, inDatabase, jobWith } from '@/tests/test-database';

afterAll(closePool);

const of = (number: number) => inDatabase((c) => comebackOf(c, number));

test('a comeback stands beside the job it comes from: what was found, what was renewed, whose matter it may be', async () => {
  const { number: then } = await jobWith({
    'vehicle.odometerKm': 120_000,
    'part.filter.pleats': { is: 'blocked' },
    'part.sun-shell.condition': { is: 'sound' },
    'cause.commit': { cause: 'filter:blocked', contributing: [], reason: 'never changed' },
  });
  const { number: now } = await jobWith({
    'history.comeback': then,
    'vehicle.odometerKm': 131_000,
    'grid.R.shop': { any: { behaviours: ['no-drive'] } },
    'grid.D2.shop': { any: { behaviours: ['flares'] } },
    'part.sun-shell.condition': { is: 'failed' },
  });
  const comeback = await of(now);
  expect(comeback).toMatchObject({
    kmSince: 11_000,
    otherUnit: null,
    earlier: { number: then, closed: false },
  });
  expect(comeback.earlier.cause).toMatch(/^The filter blocked/);
  expect(comeback.renewed).toContain('Filter');
  expect(comeback.rows[0]).toMatchObject({
    words: 'Sun shell',
    then: 'sound',
    now: 'failed',
    change: 'worse',
  });
  expect(comeback.responsibility[0]).toMatchObject({ party: 'wear' });
  expect(comeback.responsibility[0]!.share).toBeGreaterThan(0.9);
});

test('a job that comes back from none, from itself, or from one that is not there is refused', async () => {
  await expect(of((await jobWith({})).number)).rejects.toMatchObject({ status: 404 });
  await expect(of((await jobWith({ 'history.comeback': 99_999_999 })).number)).rejects.toMatchObject({
    status: 404,
  });
});
