import type { Behaviour, Complaint } from '@/core/case';
import behaviour from '@/data/knowledge/behaviour.json';
import { complaint } from '@/tests/fixtures/told';
import { agrees, cellLogLikelihood, tellsOfGears } from './index';
import type { BehaviourTable, Prediction } from './index';

const table = behaviour as unknown as BehaviourTable;

describe('how well a word fits', () => {
  const cell = (behaviours: Behaviour[], more: Parameters<typeof complaint>[2] = {}) =>
    complaint('D2', behaviours, more);
  const prediction = (kind: Prediction['kind'], actsLike: string | null = null): Prediction => ({
    gear: 'D2',
    kind,
    outcome: 'drive',
    ratio: 1,
    actsLike,
  });
  const fit = (c: Complaint, p: Prediction) => cellLogLikelihood(table, c, p);
  test('a tie-up is told as binding, bogging or slipping, hardly ever as normal', () => {
    for (const word of ['binds', 'bogs', 'slips'] as const)
      expect(fit(cell([word]), prediction('tie-up'))).toBeGreaterThan(
        fit(cell(['normal']), prediction('tie-up')) + 1,
      );
  });
  test('what the shop verified weighs more than the customer’s word, both ways', () => {
    const swing = (speaker: 'shop' | 'customer') =>
      fit(cell(['no-drive'], { speaker }), prediction('neutral')) -
      fit(cell(['no-drive'], { speaker }), prediction('normal'));
    expect(swing('shop')).toBeGreaterThan(swing('customer'));
  });
  test('naming the gear it acts like speaks for that gear and against others', () => {
    const like = (as: string) => fit(cell(['wrong-gear'], { actsLike: as }), prediction('lower', 'D1'));
    expect(like('D1')).toBeGreaterThan(like('D3') + 1.5);
  });
  test('many words for one gear are one event', () => {
    const one = fit(cell(['slips']), prediction('slip'));
    const two = fit(cell(['slips', 'flares']), prediction('slip'));
    expect(Math.abs(two - one)).toBeLessThan(0.5);
  });
  test('agreeing means: hardly any other outcome would be told better this way', () => {
    expect(agrees(table, cell(['no-drive']), prediction('neutral'))).toBe(true);
    expect(agrees(table, cell(['no-drive']), prediction('normal'))).toBe(false);
  });
  test('the word is believed as far as its speaker is', () => {
    const row = table.slip;
    const word = (speaker: 'shop' | 'customer') => fit(cell(['flares'], { speaker }), prediction('slip'));
    expect(word('shop')).toBeCloseTo(Math.log(0.98 * row.flares + 0.02 * 0.05), 12);
    expect(word('customer')).toBeCloseTo(Math.log(0.75 * row.flares + 0.25 * 0.05), 12);
  });
  test('of several words the mean of their logs', () => {
    const [a, b] = (['slips', 'flares'] as const).map((w) => fit(cell([w]), prediction('slip')));
    expect(fit(cell(['slips', 'flares']), prediction('slip'))).toBeCloseTo((a! + b!) / 2, 12);
  });
  test('a gear that is named adds where it fits, costs where it does not, and where nothing is wrong', () => {
    const as = (actsLike: string | undefined, p: Prediction) =>
      fit(cell(['wrong-gear'], actsLike ? { actsLike } : {}), p) - fit(cell(['wrong-gear']), p);
    expect(as('D1', prediction('lower', 'D1'))).toBeCloseTo(0.7, 12);
    expect(as('D3', prediction('lower', 'D1'))).toBeCloseTo(-1.2, 12);
    expect(as('D3', prediction('normal'))).toBeCloseTo(-1.2, 12);
    expect(as('D3', prediction('slip'))).toBe(0);
    expect(as(undefined, prediction('lower', 'D1'))).toBe(0);
  });
  test('what comes now and then says less', () => {
    const p = prediction('normal');
    expect(fit(cell(['slips'], { when: ['intermittent'] }), p)).toBeCloseTo(
      0.7 * fit(cell(['slips']), p),
      12,
    );
    expect(fit(cell(['slips'], { when: ['load'] }), p)).toBe(fit(cell(['slips']), p));
  });
  test('a word agrees down to a sixth of what fits it best', () => {
    const kinds = (Object.keys(table) as Prediction['kind'][]).filter((k) => typeof table[k] === 'object');
    for (const word of ['slips', 'normal', 'binds', 'wrong-gear', 'delayed'] as const) {
      const logs = kinds.map((k) => fit(cell([word]), prediction(k)));
      const fitting = kinds.filter((_, k) => logs[k]! > Math.max(...logs) - Math.log(6));
      expect(kinds.filter((k) => agrees(table, cell([word]), prediction(k)))).toEqual(fitting);
      expect(fitting.length).toBeLessThan(kinds.length);
    }
  });
  test('what a fallback program did, or of which nothing is said, tells nothing of the gears', () => {
    const [said, limp, silent] = [
      cell(['slips']),
      cell(['slips'], { limp: true }),
      cell([], { noises: ['whine'] }),
    ];
    expect(tellsOfGears([said, limp, silent])).toEqual([said]);
  });
});
