import type { UnitDefinition } from '@/core/unit';
import { unitKnowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { checkUnit, unitWarnings } from './index';

const six = shippedUnits.find((u) => u.id === 'ostrel-six')!;
const fiveX = shippedUnits.find((u) => u.id === 'ostrel-five-x')!;
const changed = (unit: UnitDefinition, change: (u: UnitDefinition) => void) => {
  const copy = structuredClone(unit);
  change(copy);
  return copy;
};
const part = (u: UnitDefinition, id: string) => u.parts.find((p) => p.id === id)!;
const at = (u: UnitDefinition, id: string) => u.parts.findIndex((p) => p.id === id);

describe('what can neither be looked at nor suspected', () => {
  test.each<[string, UnitDefinition, (u: UnitDefinition) => void, (u: UnitDefinition) => string, RegExp]>([
    [
      'a part without a kind',
      six,
      (u) => delete part(u, 'k2-drum').kind,
      (u) => `/parts/${at(u, 'k2-drum')}`,
      /has no kind/,
    ],
    [
      'a kind nobody knows',
      six,
      (u) => (part(u, 'k2-drum').kind = 'gizmo'),
      (u) => `/parts/${at(u, 'k2-drum')}/kind`,
      /no kind "gizmo"/,
    ],
    [
      'a path part without a way to fail',
      six,
      (u) => delete part(u, 'k2-hub').failure,
      (u) => `/parts/${at(u, 'k2-hub')}`,
      /no way to fail/,
    ],
    [
      'a weak point no cause reaches',
      six,
      (u) => (part(u, 'pan').weakness = 2),
      (u) => `/parts/${at(u, 'pan')}/weakness`,
      /no cause can reach/,
    ],
    [
      'a limit nobody can measure',
      six,
      (u) => (u.specs[0]!.part = 'harness'),
      () => '/specs/0',
      /nobody can measure "input-end-play"/,
    ],
    [
      'a variant without its measurement',
      six,
      (u) => (part(u, 'k1-drum').variantMeasurement = 'Measure it.'),
      (u) => `/parts/${at(u, 'k1-drum')}/variantMeasurement`,
      /variants without/,
    ],
    [
      'a one-way clutch that stands twice',
      fiveX,
      (u) => delete u.elements.find((e) => e.id === 'low-owc')!.part,
      (u) => `/elements/${u.elements.findIndex((e) => e.id === 'low-owc')}`,
      /stands twice/,
    ],
  ])('%s is found, with its place and a remedy', (_, unit, change, pointer, message) => {
    const wrong = changed(unit, change);
    const found = unitWarnings(wrong, unitKnowledge).find((p) => p.pointer === pointer(wrong));
    expect(found?.message).toMatch(message);
    expect(found!.remedy.length).toBeGreaterThan(5);
  });
  test('pressures are measured on the vehicle, torques kept at assembly: neither is asked of the bench', () => {
    const messages = (u: UnitDefinition) => unitWarnings(u, unitKnowledge).map((p) => p.message);
    expect(messages(six)).toEqual([]);
    const loadless = changed(six, (u) => delete u.specs.find((s) => s.id === 'line-idle')!.load);
    expect(messages(loadless).join()).toMatch(/nobody can measure "line-idle"/);
  });
});

test.each<[string, (u: UnitDefinition) => void, string]>([
  ['an unknown set', (u) => (u.parts[0]!.soldAs = 'ghost'), '/parts/0/soldAs'],
  ['an unknown likeness', (u) => (u.parts[0]!.mistakenFor = ['ghost']), '/parts/0/mistakenFor/0'],
  ['an unknown element of a part', (u) => (u.parts[0]!.element = 'ghost'), '/parts/0/element'],
  ['an unknown gearset of a part', (u) => (u.parts[0]!.gearset = 'ghost'), '/parts/0/gearset'],
  [
    'an unknown overlap',
    (u) => (u.labour[0]!.overlaps = [{ with: 'ghost', hours: 1 }]),
    '/labour/0/overlaps/0/with',
  ],
])('%s is an error of the definition', (_, change, pointer) =>
  expect(checkUnit(changed(six, change)).map((p) => p.pointer)).toContain(pointer),
);

describe.each(shippedUnits.map((u) => [u.id, u] as const))('%s is what is really in the box', (_, unit) => {
  test('with everything priced, supplied and dated that can be bought', () => {
    expect(unit.parts.length).toBeGreaterThanOrEqual(130);
    for (const p of unit.parts.filter((x) => x.kit)) {
      expect([p.id, (p.price ?? 0) > 0]).toEqual([p.id, true]);
      expect([p.id, p.leadDays === undefined]).toEqual([p.id, false]);
    }
    for (const p of unit.parts.filter((x) => x.coreDeposit)) expect([p.id, p.returnDays]).toEqual([p.id, 30]);
  });
  test('with a stack that comes to its clearance on the sizes on offer, each pack its own', () => {
    const packs = unit.elements.flatMap((e) => (e.pack ? [{ id: e.id, ...e.pack }] : []));
    expect(new Set(packs.map((p) => `${p.frictionThickness} ${p.steelThickness}`)).size).toBeGreaterThan(
      packs.length - 2,
    );
    for (const { id, order, frictionThickness, steelThickness, clearance, setUp, worn } of packs) {
      const s = setUp!;
      const stack = order.reduce(
        (sum, kind) =>
          sum +
          {
            friction: frictionThickness,
            steel: steelThickness,
            backing: s.backingThickness!,
            wave: s.waveHeight!,
          }[kind],
        0,
      );
      const room = s.grooveToPiston - (s.grooveFace === 'upper' ? s.ringThickness : 0);
      expect([id, room - stack > clearance.min && room - stack < clearance.max]).toEqual([id, true]);
      expect(s.steelSizes).toContain(steelThickness);
      expect(s.frictionSizes).toContain(frictionThickness);
      expect(s.pistonLowest).toBeLessThan(s.pistonHeight);
      expect(s.drumLength).toBeGreaterThan(s.hubLength);
      expect(worn!.friction!).toBeLessThan(frictionThickness);
    }
  });
  test('with a left-hand thread somewhere, and parts that are taken for each other', () => {
    expect(unit.stations.flatMap((s) => s.fasteners).join()).toMatch(/Left-hand thread/);
    expect(unit.labour.some((l) => l.overlaps?.length)).toBe(true);
  });
  test('with cautions where the work is: air where packs are tested, lining dust at the first of them', () => {
    const packed = unit.stations.filter((s) =>
      unit.elements.some((e) => (e.pack || e.band) && e.station === s.id),
    );
    for (const s of packed) expect([s.id, /\bair\b/i.test(s.cautions.join())]).toEqual([s.id, true]);
    const [first] = packed.sort((a, b) => a.order - b.order);
    expect(first!.cautions.join()).toMatch(/asbestos/);
  });
});
