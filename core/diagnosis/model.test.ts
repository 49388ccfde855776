import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { frictionElements } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { healthyTable } from '@/core/suspects';
import { knowledge } from '@/data/knowledge';
import ostrelFour from '@/data/units/ostrel-four.json';
import { looksAt, nextChecks, openChecks } from './checks';
import { ledgerOf } from './ledger';
import { buildMechanisms, strengthFor } from './mechanisms';
import { buildModel, linkOf } from './model';
import { normalise, posterior } from './posterior';
import { SIGNATURES } from './signature';

const unit = ostrelFour as unknown as UnitDefinition;
const model = buildModel(unit, knowledge);
const see = (values: Record<string, Json>) => posterior(model, stateFromValues(values));
const rootIndex = (id: string) => model.roots.findIndex((r) => r.id === id);

describe('mechanisms of a unit', () => {
  const mechanisms = buildMechanisms(unit, knowledge.causal);
  test('a template for each friction element makes one per element, its words naming it', () => {
    const burnt = mechanisms.filter((m) => m.id.startsWith('burnt:'));
    expect(burnt.map((m) => m.element)).toEqual(frictionElements(unit).map((e) => e.id));
    expect(burnt.find((m) => m.element === 'high')!.words).toContain('high clutch');
  });
  test('burning depends on that element’s own weakness, fibre on every element that burns', () => {
    const index = (id: string) => mechanisms.findIndex((m) => m.id === id);
    expect(mechanisms[index('burnt:high')]!.parents.map((p) => p.index)).toContain(index('weak:high'));
    expect(mechanisms[index('burnt:high')]!.parents.map((p) => p.index)).not.toContain(index('weak:forward'));
    expect(mechanisms[index('fibre')]!.parents).toHaveLength(1 + frictionElements(unit).length);
  });
  test('an unknown parent is an error of the knowledge, named', () => {
    const wrong = structuredClone(knowledge.causal);
    wrong.mechanisms[0]!.parents = { ghost: 0.5 };
    expect(() => buildMechanisms(unit, wrong)).toThrow(/unknown parent "ghost"/);
  });
  test('short pressure takes the weakest first: the strength follows the margin', () => {
    const strength = strengthFor(unit);
    const by = (element: string) => strength('by-pressure', element) as number;
    expect(by('high')).toBeGreaterThan(by('band-2-4'));
    expect(by('band-2-4')).toBeGreaterThan(by('forward'));
    expect(strength(0.42, 'high')).toBe(0.42);
  });
});

describe('first causes of a unit', () => {
  test('have ids of their own and priors that add up to one', () => {
    expect(new Set(model.roots.map((r) => r.id)).size).toBe(model.roots.length);
    expect(model.logPrior.reduce((sum, l) => sum + Math.exp(l), 0)).toBeCloseTo(1, 12);
  });
  test('every part of a feed path can fail, a known weak point the likeliest of its kind', () => {
    const seal = model.roots[rootIndex('high-piston-outer-seal:feed-loss')]!;
    const inner = model.roots[rootIndex('high-piston-inner-seal:feed-loss')]!;
    expect(seal.prior).toBeGreaterThan(inner.prior);
    expect(seal.words).toBe('High piston outer seal torn: the high clutch loses its oil');
  });
  test('a solenoid is a part too', () => {
    expect(model.roots[rootIndex('S2:electrical')]!.part).toBe('solenoid-s2');
  });
});

describe('what a cause does in the gears', () => {
  const healthy = healthyTable(unit);
  const target = { elements: ['high'], part: null, shiftIndex: 1, drives: null };
  test.each(Object.keys(SIGNATURES).filter((k) => k !== 'break'))(
    '%s: weights add up to one on either side',
    (kind) => {
      const grid = SIGNATURES[kind as keyof typeof SIGNATURES](unit, healthy, target);
      for (const side of [grid.absent, grid.present])
        expect(side.reduce((sum, s) => sum + s.weight, 0)).toBeCloseTo(1, 12);
    },
  );
  test('without the mechanism it hangs on, the gears are as built', () => {
    const { on, absent } = SIGNATURES.pressure(unit, healthy, target);
    expect(on).toBe('low-pressure');
    expect(absent[0]!.predictions!.every((p) => p.kind === 'normal')).toBe(true);
  });
  test('no pressure at all drives nowhere', () => {
    const { present } = SIGNATURES.pressure(unit, healthy, target);
    const none = present.at(-1)!.predictions!;
    expect(none.filter((p) => p.kind === 'neutral').map((p) => p.gear)).toEqual(
      expect.arrayContaining(['R', 'D1', 'D2', 'D3', 'D4']),
    );
  });
  test('a shift solenoid stuck gives the gear of the same range whose pattern is left', () => {
    const [off] = SIGNATURES.solenoid(unit, healthy, target).present;
    const d2 = off!.predictions!.find((p) => p.gear === 'D2')!;
    expect(d2.actsLike).toBe('D1');
  });
});

describe('points and what they hang on', () => {
  test('a lining hangs on its element’s burning, a part on the causes that are that part', () => {
    const lining = linkOf(model, 'lining:high')!;
    expect(lining.kind === 'mechanism' && model.mechanisms[lining.index]!.id).toBe('burnt:high');
    const part = linkOf(model, 'part:sun-shell')!;
    expect(part.kind === 'root' && part.matches(model.roots[rootIndex('sun-shell:path-broken')]!)).toBe(true);
  });
  test('an unknown point says nothing', () => {
    expect(linkOf(model, 'moon-phase')).toBeNull();
    expect(linkOf(model, 'lining:ghost')).toBeNull();
  });
});

describe('next checks', () => {
  test('are never what was looked at already', () => {
    const post = see({ 'part.filter.pleats': { is: 'clear' }, 'unit.fluid.level': { is: 'full' } });
    const points = openChecks(model, post).map((c) => c.point);
    expect(points).not.toContain('filter.pleats:filter');
    expect(points).not.toContain('fluid-level');
    expect(points).toContain('lining:high');
  });
  test('gain is never negative and never more than what is not known', () => {
    const post = see({ 'grid.D2.shop': { any: { behaviours: ['flares'] } } });
    const entropy = post.probability.reduce((h, p) => (p > 0 ? h - p * Math.log2(p) : h), 0);
    for (const check of nextChecks(model, post)) {
      expect(check.gain).toBeGreaterThanOrEqual(0);
      expect(check.gain).toBeLessThanOrEqual(entropy + 1e-9);
    }
  });
  test('a check looks straight at a cause through its part or its mechanism', () => {
    expect(looksAt(model, 'part:pump-cover', rootIndex('pump-cover:low-output'))).toBe(true);
    expect(looksAt(model, 'filter.pleats:filter', rootIndex('filter:blocked'))).toBe(true);
    expect(looksAt(model, 'lining:forward', rootIndex('forward:welded'))).toBe(true);
    expect(looksAt(model, 'lining:high', rootIndex('forward:welded'))).toBe(false);
  });
});

describe('the posterior', () => {
  test('probabilities of big logarithms neither overflow nor vanish', () => {
    const p = normalise([-5000, -5001, -Infinity]);
    expect(p[0]! / p[1]!).toBeCloseTo(Math.E, 9);
    expect(p[2]).toBe(0);
  });
  test('the order in which findings were written does not matter', () => {
    const values: [string, Json][] = [
      ['part.filter.pleats', { is: 'blocked' }],
      ['unit.fluid.smell', { is: 'burnt' }],
      ['face.high.2.a.heat', { is: 'charred' }],
    ];
    const a = see(Object.fromEntries(values)).probability;
    const b = see(Object.fromEntries([...values].reverse())).probability;
    a.forEach((p, k) => expect(p).toBeCloseTo(b[k]!, 12));
  });
  test('leaving a finding out of the record is what the ledger says it weighs', () => {
    const values: Record<string, Json> = {
      'grid.D2.shop': { any: { behaviours: ['flares'] } },
      'grid.D4.shop': { any: { behaviours: ['wrong-gear'], actsLike: 'D3' } },
      'element.band-2-4.drum': { is: 'grooved' },
      'part.filter.pleats': { is: 'clear' },
    };
    const r = rootIndex('band-anchor:path-broken');
    const odds = (p: number) => Math.log(p / (1 - p));
    const post = see(values);
    for (const [slot, point] of [
      ['element.band-2-4.drum', 'band.drum:band-2-4'],
      ['part.filter.pleats', 'filter.pleats:filter'],
    ] as const) {
      const { [slot]: _, ...rest } = values;
      const weight = ledgerOf(model, post)(r).find((e) => e.point === point)?.weight ?? 0;
      expect(weight).toBeCloseTo(odds(post.probability[r]!) - odds(see(rest).probability[r]!), 1);
    }
  });
  test('the grid’s weight is exact too, for a cause whose grid hangs on a mechanism', () => {
    const values: Record<string, Json> = {
      'part.filter.pleats': { is: 'restricted' },
      'unit.fluid.smell': { is: 'burnt' },
    };
    const grid: Record<string, Json> = {
      'grid.D4.shop': { hot: { behaviours: ['slips'] } },
    };
    const r = rootIndex('filter:blocked');
    const odds = (p: number) => Math.log(p / (1 - p));
    const post = see({ ...values, ...grid });
    const weight = ledgerOf(model, post)(r).find((e) => e.point === 'grid')?.weight ?? 0;
    expect(weight).toBeCloseTo(odds(post.probability[r]!) - odds(see(values).probability[r]!), 1);
  });
});
