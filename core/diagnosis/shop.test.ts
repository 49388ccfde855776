import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { isConfirmed, NO_EXPERIENCE, shopDiagnoser } from './index';
import type { Diagnosis } from './index';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const GRID: Record<string, Json> = {
  'grid.D3.shop': { any: { behaviours: ['slips'] } },
  'grid.D4.shop': { any: { behaviours: ['slips'] } },
};
const nine = { jobs: 9, causes: { 'valve-2-3:sticking': 4, 'filter:blocked': 5 } };
const share = (d: Diagnosis, id: string) => d.causes.find((c) => c.id === id)!.probability;

test('what the shop has met often stands higher, what it has not lower; the job can leave it out', () => {
  const plain = shopDiagnoser(four, knowledge, NO_EXPERIENCE)(stateFromValues(GRID));
  const judge = shopDiagnoser(four, knowledge, nine);
  const ours = judge(stateFromValues(GRID));
  expect(share(ours, 'valve-2-3:sticking')).toBeGreaterThan(1.5 * share(plain, 'valve-2-3:sticking'));
  expect(share(ours, 'high-piston-outer-seal:feed-loss')).toBeLessThan(
    share(plain, 'high-piston-outer-seal:feed-loss'),
  );
  const off = judge(stateFromValues({ ...GRID, 'cause.experience': 'off' }));
  expect(off.causes.map((c) => [c.id, c.probability])).toEqual(
    plain.causes.map((c) => [c.id, c.probability]),
  );
});

test('only a cause that was itself found is worth counting', () => {
  const judge = shopDiagnoser(four, knowledge, NO_EXPERIENCE);
  const confirmed = (values: Record<string, Json>) => {
    const state = stateFromValues(values);
    return isConfirmed(state, judge(state));
  };
  const commit = { 'cause.commit': { cause: 'valve-2-3:sticking', contributing: [], reason: 'it hangs' } };
  expect(confirmed({ ...GRID, ...commit })).toBe(false);
  expect(confirmed({ ...GRID, ...commit, 'part.valve-2-3.moves': { is: 'stuck' } })).toBe(true);
  expect(confirmed({ ...GRID, 'part.valve-2-3.moves': { is: 'stuck' } })).toBe(false);
  expect(
    confirmed({ ...GRID, 'cause.commit': { cause: 'not-determined', contributing: [], reason: 'x' } }),
  ).toBe(false);
});
