import { stateFromValues } from '@/core/case';
import type { JobState } from '@/core/case';
import { NO_EXPERIENCE } from '@/core/diagnosis';
import { TooLarge } from '@/core/inference';
import { knowledge } from '@/data/knowledge';
import { four } from '@/tests/fixtures/four';
import { told } from '@/tests/fixtures/told';
import { Reasoner } from './reasoner';

let tries = 0;
let large = false;
jest.mock('@/core/diagnosis', () => {
  const actual = jest.requireActual('@/core/diagnosis');
  return {
    ...actual,
    shopRanker: (...given: unknown[]) => {
      const rank = actual.shopRanker(...given);
      return (state: JobState) => {
        tries++;
        if (large) throw new TooLarge('The tables would hold too much.');
        return rank(state);
      };
    },
  };
});
beforeEach(() => ([tries, large] = [0, false]));

const slips = stateFromValues({ 'grid.D2.shop': told(['slips']) });
const begun = () => {
  const reasoner = new Reasoner();
  reasoner.prepare(four, knowledge, NO_EXPERIENCE);
  return reasoner;
};

test('what is new is put to what is known; suspects are named again only where the grid has changed', async () => {
  const reasoner = begun();
  const first = reasoner.reason({ set: slips, clear: [] });
  expect(first.ranking!.causes.length).toBeGreaterThan(10);
  expect(first.suspects!.length).toBeGreaterThan(0);
  const found = reasoner.reason({
    set: stateFromValues({ 'part.sun-shell.condition': { is: 'failed' } }),
    clear: [],
  });
  expect(found.suspects).toBeNull();
  expect(found.ranking!.causes).not.toEqual(first.ranking!.causes);
  const checks = await reasoner.nextChecks();
  expect(checks!.length).toBeGreaterThan(0);
  const cleared = reasoner.reason({ set: {}, clear: ['part.sun-shell.condition'] });
  expect(cleared.ranking).toEqual(first.ranking);
  expect(reasoner.reason({ set: {}, clear: ['grid.D2.shop'] }).suspects).not.toBeNull();
});

test('a search for what to look at next is given up when something new comes in between', async () => {
  const reasoner = begun();
  reasoner.reason({ set: slips, clear: [] });
  // Every look at the clock is far apart: each step of the search is a slice of its own.
  let now = 0;
  const clock = jest.spyOn(performance, 'now').mockImplementation(() => (now += 1000));
  const search = reasoner.nextChecks();
  reasoner.reason({ set: stateFromValues({ 'part.sun-shell.condition': { is: 'failed' } }), clear: [] });
  expect(await search).toBeNull();
  clock.mockRestore();
  expect(await reasoner.nextChecks()).not.toBeNull();
});

test('a unit beyond what can be reasoned about is not tried again; its suspects are still named', async () => {
  large = true;
  const reasoner = begun();
  const first = reasoner.reason({ set: slips, clear: [] });
  expect(first.ranking).toBeNull();
  expect(first.suspects!.length).toBeGreaterThan(0);
  large = false;
  expect(reasoner.reason({ set: slips, clear: [] }).ranking).toBeNull();
  expect(await reasoner.nextChecks()).toBeNull();
  expect(tries).toBe(1);
});
