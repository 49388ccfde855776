import { NO_EXPERIENCE } from '@/core/diagnosis';
import { shippedUnits } from '@/data/shipped';
import { diagnoseState } from './reason';

let tries = 0;
jest.mock('@/core/diagnosis', () => ({
  ...jest.requireActual('@/core/diagnosis'),
  shopDiagnoser: () => () => {
    tries++;
    const { TooLarge } = jest.requireActual('@/core/inference');
    throw new TooLarge('The tables would hold too much.');
  },
}));

test('a unit beyond what can be reasoned about says so, and is not tried again at every look', () => {
  const unit = structuredClone(shippedUnits[0]!);
  for (let k = 0; k < 3; k++)
    expect(() => diagnoseState(unit, {}, NO_EXPERIENCE)).toThrow(
      expect.objectContaining({
        status: 422,
        message: expect.stringMatching(/larger than Pelvik can reason/),
      }),
    );
  expect(tries).toBe(1);
});
