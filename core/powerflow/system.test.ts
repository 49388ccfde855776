import { four } from '@/tests/fixtures/four';
import type { Fault } from './fault';
import { buildSystem } from './system';

const second = four.gears.find((g) => g.key === 'D2')!;
const built = (...faults: Fault[]) => {
  const { owners, rows, oneWays, oneWayRows } = buildSystem(four, second, faults);
  expect([rows.length, oneWayRows.length]).toEqual([owners.length, oneWays.length]);
  return { owners, oneWays };
};
const lost = (element: string): Fault => ({ kind: 'lost', element });
const stuck = (element: string): Fault => ({ kind: 'stuck', element });

test('what is applied holds, one-way clutches hold one way', () =>
  expect(built()).toEqual({ owners: ['forward', 'band-2-4'], oneWays: ['input-owc', 'low-owc'] }));

test('what is lost is not there, whatever it is', () => {
  expect(built(lost('forward')).owners).toEqual(['band-2-4']);
  expect(built(lost('low-owc')).oneWays).toEqual(['input-owc']);
});

test('what is stuck holds both ways, applied or not', () => {
  expect(built(stuck('reverse')).owners).toEqual(['forward', 'reverse', 'band-2-4']);
  expect(built(stuck('low-owc'))).toEqual({
    owners: ['forward', 'band-2-4', 'low-owc'],
    oneWays: ['input-owc'],
  });
});

test('lost outweighs stuck, in whichever order; a slip and what is broken elsewhere change nothing here', () => {
  expect(built(lost('forward'), stuck('forward')).owners).toEqual(['band-2-4']);
  expect(built(stuck('forward'), lost('forward')).owners).toEqual(['band-2-4']);
  expect(built({ kind: 'slip', element: 'forward', capacityNm: 10 }, stuck('reverse')).owners).toEqual([
    'forward',
    'reverse',
    'band-2-4',
  ]);
});
