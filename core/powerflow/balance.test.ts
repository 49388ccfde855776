import fc from 'fast-check';
import { blankUnit } from '@/core/unit';
import type { Element, Gearset, Part, UnitDefinition } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { gearTerms } from './gear-equation';
import { gearOutcome, meshTorques, pairsOf, singleFaults, solveGear, turning } from './index';
import type { Fault } from './index';

const NAMES = ['a', 'b', 'c', 'd', 'e', 'f'];
const members = (n: number) => fc.shuffledSubarray(NAMES, { minLength: n, maxLength: n });
const teeth = fc.integer({ min: 11, max: 120 });

/** Random trains of planetaries, double pinions and meshes, with clutches, brakes and one-way clutches. */
const trains = fc
  .record({
    sets: fc.array(
      fc.record({
        ends: members(3),
        sun: teeth,
        more: teeth,
        kind: fc.constantFrom('single', 'double', 'external', 'idler'),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    elements: fc.array(
      fc.record({
        ends: fc.shuffledSubarray([...NAMES, 'case'], { minLength: 2, maxLength: 2 }),
        oneWay: fc.boolean(),
        applied: fc.boolean(),
      }),
      { minLength: 1, maxLength: 4 },
    ),
    shafts: members(2),
  })
  .map(({ sets, elements, shafts }): UnitDefinition => {
    const made = elements.map(({ ends, oneWay }, k): Element => {
      const [a, b] = ends[0] === 'case' ? [ends[1]!, 'case'] : [ends[0]!, ends[1]!];
      const kind = oneWay ? 'one-way' : b === 'case' ? 'brake' : 'clutch';
      return {
        id: `e${k}`,
        name: `E${k}`,
        short: `E${k}`,
        kind,
        station: 'pan',
        a,
        b,
        feedPath: [],
        powerPath: [],
      };
    });
    const gearsets = sets.map(({ ends, sun, more, kind }, k): Gearset => {
      const base = { id: `g${k}`, name: `G${k}`, station: 'pan' };
      return kind === 'single' || kind === 'double'
        ? {
            ...base,
            kind: 'planetary',
            planets: kind,
            sun: { member: ends[0]!, teeth: sun },
            ring: { member: ends[1]!, teeth: sun + more },
            carrier: ends[2]!,
          }
        : {
            ...base,
            kind: 'mesh',
            mesh: kind as 'external' | 'idler',
            first: { member: ends[0]!, teeth: sun },
            second: { member: ends[1]!, teeth: more },
          };
    });
    const parts = made.map(
      (e): Part => ({
        id: `p${e.id}`,
        name: `P${e.id}`,
        station: 'pan',
        material: 'steel',
        splits: { member: e.a, away: [{ element: e.id }] },
      }),
    );
    return {
      ...blankUnit('random', 'Random'),
      members: NAMES.map((id) => ({ id, name: id })),
      input: shafts[0]!,
      output: shafts[1]!,
      gearsets,
      elements: made,
      parts,
      gears: [
        {
          key: 'D1',
          range: 'D',
          gear: 1,
          name: 'First',
          apply: made.filter((e, k) => e.kind !== 'one-way' && elements[k]!.applied).map((e) => e.id),
        },
      ],
    };
  });

const close = (a: number | null | undefined, b: number | null | undefined) =>
  a === b ||
  (typeof a === 'number' &&
    typeof b === 'number' &&
    Math.abs(a - b) <= 1e-6 * Math.max(1, Math.abs(a), Math.abs(b)));
const sameTorques = (a: Record<string, number | null>, b: Record<string, number | null>) => {
  expect(Object.keys(a).sort()).toEqual(Object.keys(b).sort());
  for (const id of Object.keys(a)) expect({ id, same: close(a[id], b[id]) }).toEqual({ id, same: true });
};

describe('random trains', () => {
  test('on every member the torques of teeth, elements, input and load add up to nothing', () => {
    fc.assert(
      fc.property(trains, (unit) => {
        const { outcome, ratio, elements } = solveGear(unit, 'D1');
        if (outcome !== 'drive' || Object.values(elements).some((t) => t === null)) return;
        const loads = meshTorques(unit, 'D1');
        if (unit.gearsets.some((g) => loads[g.id] === null || loads[g.id] === undefined)) return;
        // Signs of element torques are not told: each member's sum must vanish for one choice of signs, so the teeth's
        // torque on it is at most what its elements, the input and the load can hold.
        for (const { id } of unit.members) {
          const teethTorque = unit.gearsets.reduce((sum, g) => {
            const terms = gearTerms(g);
            const lambda = loads[g.id]! / terms[0]!.weight;
            return sum + terms.filter((t) => t.member === id).reduce((s, t) => s + lambda * t.weight, 0);
          }, 0);
          const held = unit.elements
            .filter((e) => e.a === id || e.b === id)
            .reduce((sum, e) => sum + (elements[e.id] ?? 0), 0);
          const outside = (id === unit.input ? 1 : 0) + (id === unit.output ? Math.abs(ratio!) : 0);
          expect(Math.abs(teethTorque)).toBeLessThanOrEqual(held + outside + 1e-6 * (1 + held + outside));
        }
      }),
      { numRuns: 500 },
    );
  });
  test('power in is power out: input torque 1 leaves as the ratio at one over the ratio', () => {
    fc.assert(
      fc.property(trains, (unit) => {
        const { outcome, ratio, speeds } = solveGear(unit, 'D1');
        if (outcome === 'drive') expect(close(ratio! * speeds[unit.output]!, 1)).toBe(true);
      }),
      { numRuns: 300 },
    );
  });
  test('names and their order change no torque', () => {
    fc.assert(
      fc.property(trains, (unit) => {
        const turned = {
          ...unit,
          members: [...unit.members].reverse(),
          gearsets: [...unit.gearsets].reverse(),
          elements: [...unit.elements].reverse(),
        };
        const [a, b] = [solveGear(unit, 'D1'), solveGear(turned, 'D1')];
        expect(b.outcome).toBe(a.outcome);
        // Where one-way clutches stand beside each other either may be taken to hold.
        if (a.split.length === 0 && b.split.length === 0) sameTorques(a.elements, b.elements);
      }),
      { numRuns: 300 },
    );
  });
  test('all teeth scaled alike change no torque and no speed', () => {
    fc.assert(
      fc.property(trains, fc.integer({ min: 2, max: 5 }), (unit, factor) => {
        const scaled: UnitDefinition = {
          ...unit,
          gearsets: unit.gearsets.map((g) =>
            g.kind === 'planetary'
              ? {
                  ...g,
                  sun: { ...g.sun, teeth: g.sun.teeth * factor },
                  ring: { ...g.ring, teeth: g.ring.teeth * factor },
                }
              : {
                  ...g,
                  first: { ...g.first, teeth: g.first.teeth * factor },
                  second: { ...g.second, teeth: g.second.teeth * factor },
                },
          ),
        };
        const [a, b] = [solveGear(unit, 'D1'), solveGear(scaled, 'D1')];
        expect(b.outcome).toBe(a.outcome);
        sameTorques(a.elements, b.elements);
        sameTorques(a.speeds, b.speeds);
      }),
      { numRuns: 300 },
    );
  });
  test('two faults of any kind in either order do the same', () => {
    fc.assert(
      fc.property(trains, fc.nat(), (unit, pick) => {
        const pairs = pairsOf(singleFaults(unit));
        if (pairs.length === 0) return;
        const pair = pairs[pick % pairs.length]!;
        const [a, b] = [gearOutcome(unit, 'D1', pair), gearOutcome(unit, 'D1', [pair[1], pair[0]])];
        expect({ ...b, ratio: null }).toEqual({ ...a, ratio: null });
        expect(close(a.ratio, b.ratio)).toBe(true);
      }),
      { numRuns: 600 },
    );
  });
  test('a part broken before an element is as good as the element lost', () => {
    fc.assert(
      fc.property(trains, fc.nat(), (unit, pick) => {
        const element = unit.elements[pick % unit.elements.length]!;
        const lost = gearOutcome(unit, 'D1', [{ kind: 'lost', element: element.id }]);
        const broken = gearOutcome(unit, 'D1', [{ kind: 'break', part: `p${element.id}` }]);
        expect(broken.outcome).toBe(lost.outcome);
        expect(close(broken.ratio, lost.ratio)).toBe(true);
      }),
      { numRuns: 400 },
    );
  });
  test('a stripped set is as good as none', () => {
    fc.assert(
      fc.property(trains, fc.nat(), (unit, pick) => {
        const set = unit.gearsets[pick % unit.gearsets.length]!;
        const without = { ...unit, gearsets: unit.gearsets.filter((g) => g !== set) };
        const [a, b] = [
          gearOutcome(unit, 'D1', [{ kind: 'strip', gearset: set.id }]),
          gearOutcome(without, 'D1'),
        ];
        expect(a.outcome).toBe(b.outcome);
        expect(close(a.ratio, b.ratio)).toBe(true);
      }),
      { numRuns: 300 },
    );
  });
  test('what turns on what never depends on where it is asked: pinions stand where sun and carrier turn alike', () => {
    fc.assert(
      fc.property(trains, (unit) => {
        const { speeds, outcome } = solveGear(unit, 'D1');
        if (outcome === 'tie-up') return;
        for (const t of turning(unit, 'D1').filter((x) => x.kind === 'pinion')) {
          const set = unit.gearsets.find((g) => g.id === t.gearset)!;
          if (set.kind !== 'planetary') continue;
          const [sun, carrier] = [speeds[set.sun.member], speeds[set.carrier]];
          if (typeof sun !== 'number' || typeof carrier !== 'number') expect(t.speed).toBeNull();
          else
            expect(t.speed === 0).toBe(
              Math.abs(sun - carrier) * set.sun.teeth < 1e-9 * Math.max(1, set.ring.teeth - set.sun.teeth),
            );
        }
      }),
      { numRuns: 300 },
    );
  });
});

describe('two breaks at once', () => {
  const four = shippedUnits[0]!;
  const broken = (...parts: string[]): Fault[] => parts.map((part) => ({ kind: 'break', part }));
  test('one part broken twice is broken once', () =>
    expect(gearOutcome(four, 'D2', broken('sun-shell', 'sun-shell'))).toEqual(
      gearOutcome(four, 'D2', broken('sun-shell')),
    ));
  test('where one part hangs behind another, it hangs on the nearer break, in any order', () => {
    const fiveX = shippedUnits[1]!;
    for (const { key } of fiveX.gears)
      expect(gearOutcome(fiveX, key, broken('output-shaft', 'transfer-drum'))).toEqual(
        gearOutcome(fiveX, key, broken('transfer-drum', 'output-shaft')),
      );
  });
  test('a part that divides nothing, and one there is not, are named', () => {
    expect(() => gearOutcome(four, 'D2', broken('filter'))).toThrow(/Filter is not part of a power path/);
    expect(() => gearOutcome(four, 'D2', broken('ghost'))).toThrow(/ghost/);
  });
});
