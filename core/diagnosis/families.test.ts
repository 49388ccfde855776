import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { shippedUnits } from '@/data/shipped';
import { told } from '@/tests/fixtures/told';
import type { Diagnosis } from './index';
import { diagnoserOf } from '@/tests/fixtures/diagnosers';

const judges = new Map(shippedUnits.map((u) => [u.id, diagnoserOf(u)]));
const judge = (id: string, values: Record<string, Json>): Diagnosis =>
  judges.get(id)!(stateFromValues(values));
const grid = (cells: Record<string, string>): Record<string, Json> =>
  Object.fromEntries(Object.entries(cells).map(([gear, b]) => [`grid.${gear}.shop`, told([b])]));
const top = (d: Diagnosis, n = 3) => d.causes.slice(0, n).map((c) => c.id);

describe('each family is judged by its own structure', () => {
  test('Five-X, third falls to first: the intermediate brake, its known weak piston on top', () => {
    const d = judge('ostrel-five-x', {
      ...grid({ D1: 'normal', D2: 'normal', D4: 'normal', R: 'normal' }),
      'grid.D3.shop': told(['flares'], [], { actsLike: 'D1' }),
    });
    expect(d.causes[0]).toMatchObject({ id: 'intermediate-piston-seals:feed-loss', element: 'intermediate' });
  });
  test('Five-X, no first but everything else: the low one-way clutch', () => {
    const d = judge(
      'ostrel-five-x',
      grid({ D1: 'no-drive', D2: 'no-drive', D3: 'normal', D4: 'normal', R: 'normal' }),
    );
    expect(d.causes[0]!.element).toBe('low-owc');
  });
  test('Six, Reverse and third and fifth gone: K2, its drum among the first', () => {
    const d = judge(
      'ostrel-six',
      grid({ R: 'no-drive', D1: 'normal', D2: 'normal', D3: 'flares', D4: 'normal', D5: 'flares' }),
    );
    expect(d.causes[0]!.element).toBe('K2');
    expect(top(d)).toContain('k2-drum:feed-loss');
  });
  test('Six, a solenoid of its own starves one clutch only, and stands among its suspects', () => {
    const d = judge(
      'ostrel-six',
      grid({
        D1: 'no-drive',
        D2: 'no-drive',
        D3: 'no-drive',
        D4: 'no-drive',
        D5: 'normal',
        D6: 'normal',
        R: 'normal',
      }),
    );
    const k1 = d.causes.filter((c) => c.probability > 0.02);
    expect(k1.every((c) => c.element === 'K1' || c.part === 'solenoid-k1' || c.id === 'other')).toBe(true);
    expect(d.causes.some((c) => c.part === 'solenoid-k1' && c.probability > 0.01)).toBe(true);
  });
  test('Hadric, no Reverse but everything else: the dog, whose servo and valve can starve it as oil can a clutch', () => {
    const gone = grid({
      R: 'no-drive',
      D1: 'normal',
      D2: 'normal',
      D3: 'normal',
      D4: 'normal',
      D5: 'normal',
    });
    const told = judge('hadric-five', gone);
    const holds = told.groups.filter((g) => g.id.startsWith('lets-go:'));
    expect(holds[0]!.words).toBe('The reverse dog does not hold');
    // Or its gear has let go of its shaft: the gears cannot tell the two apart.
    expect(told.groups.map((g) => g.words)).toContain('The power path is open: reverse gear');
    expect(top(told)).toEqual(expect.arrayContaining(['fork-servo:feed-loss', 'valve-servo:sticking']));
    const tried = judge('hadric-five', { ...gone, 'element.dog-reverse.air-test': { is: 'no' } });
    expect(tried.causes[0]).toMatchObject({ id: 'fork-servo:feed-loss' });
    expect(tried.undetermined).toBe(false);
  });
  test('Eight, stalls as it stops, forward and in Reverse: lock-up that does not let go, not a clutch that fights', () => {
    const d = judge(
      'ostrel-eight',
      grid({ D1: 'stalls-at-stops', R: 'stalls-at-stops', D4: 'normal', D6: 'normal' }),
    );
    expect(d.causes[0]!.id).toBe('converter:lock-up-drags');
    expect(d.causes[0]!.probability).toBeGreaterThan(2 * d.causes.find((c) => c.element)!.probability);
  });
  test('Five-X, binds in tight turns: the transfer clutch is on', () => {
    const d = judge('ostrel-five-x', grid({ D1: 'binds-in-turns' }));
    expect(d.groups[0]!.words).toBe('The transfer clutch does not let go');
  });
  test('Eight, no drive either way and the lever moves no valve: what is off is the lever', () => {
    const d = judge('ostrel-eight', {
      ...grid({ D1: 'no-drive', R: 'no-drive' }),
      'unit.checks.selector': { is: 'no' },
    });
    expect(d.causes[0]!.mode).toBe('off-lever');
  });
  test('Hadric, drives in Neutral and ties up but for fourth and Reverse: the fourth clutch on', () => {
    const d = judge(
      'hadric-five',
      grid({ N: 'moves', D1: 'bogs', D2: 'binds', D3: 'binds', D5: 'binds', D4: 'normal', R: 'normal' }),
    );
    expect(d.causes[0]!.element).toBe('C4R');
    expect(['welded', 'held-on']).toContain(d.causes[0]!.mode);
    expect(d.undetermined).toBe(true);
  });
  test('Eight, no gear at all, pressure there: the output end, its flange first', () => {
    const all = Object.fromEntries(
      shippedUnits[4]!.gears
        .filter((g) => g.gear !== null || g.range === 'R')
        .map((g) => [g.key, 'no-drive']),
    );
    const d = judge('ostrel-eight', {
      ...grid(all),
      'part.filter.pleats': { is: 'clear' },
      'unit.fluid.level': { is: 'full' },
      'part.pump-gears.condition': { is: 'sound' },
      'part.pump-cover.condition': { is: 'sound' },
    });
    expect(top(d, 4)).toContain('output-flange:path-broken');
  });
});

describe.each(shippedUnits.map((u) => [u.id, u] as const))('%s', (id, unit) => {
  test('nothing known: no cause stands out, and probabilities add up', () => {
    const d = judge(id, {});
    expect(d.undetermined).toBe(true);
    expect(d.causes[0]!.probability).toBeLessThan(0.3);
    expect(d.causes.reduce((sum, c) => sum + c.probability, 0)).toBeCloseTo(1, 6);
  });
  test('a part found failed that divides a member leads', () => {
    const gone = unit.parts.filter((p) => p.splits && (p.weakness ?? 0) > 1.3);
    for (const part of gone) {
      const d = judge(id, { [`part.${part.id}.condition`]: { is: 'failed' } });
      expect(d.causes[0]!.part).toBe(part.id);
    }
  });
  test('a blocked filter is never the element’s fault: system-wide causes gain', () => {
    const systemWide = (d: Diagnosis) =>
      d.causes
        .filter((c) => c.part === 'filter' || c.mode === 'lining-lost')
        .reduce((s, c) => s + c.probability, 0);
    expect(systemWide(judge(id, { 'part.filter.pleats': { is: 'blocked' } }))).toBeGreaterThan(
      systemWide(judge(id, {})) * 2,
    );
  });
});
