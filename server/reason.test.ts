import { stateFromValues } from '@/core/case';
import { NO_EXPERIENCE } from '@/core/diagnosis';
import { shippedUnits } from '@/data/shipped';
import { diagnoseState } from './reason';

let tries = 0;
let judged = 0;
let answer: object | null = null;
jest.mock('@/core/diagnosis', () => ({
  ...jest.requireActual('@/core/diagnosis'),
  shopDiagnoser:
    (...given: unknown[]) =>
    () => {
      tries++;
      // The thread that answers everybody has a bound of its own.
      expect(given[3]).toBeLessThan(jest.requireActual('@/core/inference').LARGEST);
      const { TooLarge } = jest.requireActual('@/core/inference');
      throw new TooLarge('The tables would hold too much.');
    },
}));
jest.mock('./background', () => ({
  inBackground: async (task: string) => {
    expect(task).toBe('diagnose');
    judged++;
    return answer;
  },
}));
const records = ['sudden', 'gradual', 'unknown'].map((onset) =>
  stateFromValues({ 'complaint.onset': onset }),
);
beforeEach(() => ((tries = 0), (judged = 0)));

test('a unit too large for the thread that answers everybody is judged in the background, and not tried here again', async () => {
  const unit = structuredClone(shippedUnits[0]!);
  answer = { causes: [] };
  for (const state of records) expect(await diagnoseState(unit, state, NO_EXPERIENCE)).toBe(answer);
  expect([tries, judged]).toEqual([1, 3]);
});

test('the same record is judged once, and anew when the shop has learnt more', async () => {
  const unit = structuredClone(shippedUnits[0]!);
  answer = { causes: [] };
  for (const state of [...records, ...structuredClone(records)])
    expect(await diagnoseState(unit, state, NO_EXPERIENCE)).toBe(answer);
  expect(judged).toBe(3);
  await diagnoseState(unit, records[0]!, { jobs: 1, causes: { other: 1 } });
  expect(judged).toBe(4);
});

test('a unit beyond what can be reasoned about says so, and is not tried again at every look', async () => {
  const unit = structuredClone(shippedUnits[0]!);
  answer = null;
  for (let k = 0; k < 3; k++)
    await expect(diagnoseState(unit, {}, NO_EXPERIENCE)).rejects.toMatchObject({
      status: 422,
      message: expect.stringMatching(/larger than Pelvik can reason/),
    });
  expect([tries, judged]).toEqual([1, 1]);
});
