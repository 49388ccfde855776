import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { shareWith } from './experience';
import { buildModel, NO_EXPERIENCE } from './index';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const nine = { jobs: 9, causes: { 'valve-2-3:sticking': 4, 'filter:blocked': 5 } };

test('the knowledge is worth twenty jobs: no job changes nothing, twenty alike bring a share half way to 1', () => {
  expect(shareWith(0.1, 'a', NO_EXPERIENCE)).toBeCloseTo(0.1, 12);
  expect(shareWith(0.1, 'a', { jobs: 20, causes: { a: 20 } })).toBeCloseTo(0.55, 12);
  expect(shareWith(0.1, 'b', { jobs: 20, causes: { a: 20 } })).toBeCloseTo(0.05, 12);
});

test('shares still add up, and what a unit no longer has counts for nothing', () => {
  const sum = (experience: typeof nine) =>
    buildModel(four, knowledge, experience).roots.reduce((s, r) => s + r.prior, 0);
  expect(sum(nine)).toBeCloseTo(knowledge.causal.rate, 12);
  expect(sum({ jobs: 7, causes: { gone: 7 } } as never)).toBeCloseTo(knowledge.causal.rate, 12);
});
