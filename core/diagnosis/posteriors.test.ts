import { stateFromValues } from '@/core/case';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { posteriors } from './posteriors';
import { diagnoserOf } from '@/tests/fixtures/diagnosers';

test('the same as the verdict, without its reasons', () => {
  const unit = shippedUnits.find((u) => u.id === 'ostrel-four')!;
  const state = stateFromValues({
    'grid.D2.shop': { any: { behaviours: ['flares'] } },
    'part.filter.pleats': { is: 'dirty' },
  });
  const { causes, of } = posteriors(unit, knowledge);
  const { first, present } = of(state);
  const whole = diagnoserOf(unit)(state);
  expect([first.length, present.length]).toEqual([causes, causes]);
  expect([...first].sort((a, b) => b - a)).toEqual(whole.causes.map((c) => c.probability));
});
