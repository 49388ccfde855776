import type { Behaviour, Heat } from '@/core/case';
import { complaint } from '@/tests/fixtures/told';
import { losesGrip, thermalFit, thermalsOf } from './temperature';

const cell = (gear: string, b: Behaviour, heat: Heat = 'any') => complaint(gear, [b], { heat });

describe('hot, cold, or always', () => {
  test('what is welded or broken is so at any temperature', () => {
    expect(losesGrip([{ kind: 'stuck', element: 'K2' }])).toBe(false);
    expect(losesGrip([{ kind: 'lost', element: 'K2' }])).toBe(true);
    expect(thermalsOf(false)).toEqual([{ when: 'always', share: 1 }]);
    expect(thermalsOf(true).map((t) => t.when)).toEqual(['always', 'hot', 'cold']);
  });
  test('a cell that names the other temperature is about the sound gear', () => {
    const cold = cell('D3', 'normal', 'cold');
    expect(thermalFit(cold, 'hot', -5, -0.1)).toBe(-0.1);
  });
  test('how often it is told with the word', () => {
    const hot = cell('D3', 'slips', 'hot');
    expect(thermalFit(hot, 'hot', -5, -1)).toBeCloseTo(-5 + Math.log(0.8), 12);
    expect(thermalFit(hot, 'always', -5, -1)).toBeCloseTo(-5 + Math.log(0.4), 12);
    expect(thermalFit(hot, 'cold', -5, -1)).toBe(-1);
    // Nobody complains of a gear that is well.
    expect(thermalFit(cell('D3', 'normal', 'hot'), 'hot', -5, -1)).toBe(-5);
    expect(thermalFit(cell('D3', 'normal', 'hot'), 'always', -5, -1)).toBe(-5);
    expect(thermalFit(cell('D3', 'slips'), 'always', -5, -1)).toBe(-5);
    const both = { ...hot, cell: { behaviours: ['normal', 'slips'] as Behaviour[] } };
    expect(thermalFit(both, 'hot', -5, -1)).toBeCloseTo(-5 + Math.log(0.8), 12);
  });
  test('without a word the mean of the sound and the faulty gear', () => {
    for (const [bad, good] of [
      [-1, -4],
      [-4, -1],
    ] as const)
      expect(thermalFit(cell('D3', 'slips'), 'cold', bad, good)).toBeCloseTo(
        Math.log((Math.exp(bad) + Math.exp(good)) / 2),
        12,
      );
  });
  test('seven of ten losses are there always, most others hot', () =>
    expect(thermalsOf(true)).toEqual([
      { when: 'always', share: 0.7 },
      { when: 'hot', share: 0.22 },
      { when: 'cold', share: 0.08 },
    ]));
  test('a cell without a word lies between both', () => {
    const fit = thermalFit(cell('D3', 'slips'), 'hot', -1, -4);
    expect(fit).toBeLessThan(-1);
    expect(fit).toBeGreaterThan(-4);
  });
});
