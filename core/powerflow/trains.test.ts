import fc from 'fast-check';
import type { Element, GearPosition, PlanetarySet, UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import { gearOutcome, solveGear } from './index';
import type { Fault } from './index';

const base = ostrelFour as unknown as UnitDefinition;
const NAMES = ['a', 'b', 'c', 'd', 'e'];

/** A random train: one to three planetary sets over five members, a few clutches and brakes, one gear that applies some. */
const trains = fc
  .record({
    sets: fc.array(
      fc.record({
        members: fc.shuffledSubarray(NAMES, { minLength: 3, maxLength: 3 }),
        sun: fc.integer({ min: 18, max: 60 }),
        more: fc.integer({ min: 12, max: 80 }),
        double: fc.boolean(),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    elements: fc.array(
      fc.record({
        ends: fc.shuffledSubarray([...NAMES, 'case'], { minLength: 2, maxLength: 2 }),
        applied: fc.boolean(),
        oneWay: fc.boolean(),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    shafts: fc.shuffledSubarray(NAMES, { minLength: 2, maxLength: 2 }),
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
    const gear: GearPosition = {
      key: 'D1',
      range: 'D',
      gear: 1,
      name: 'First',
      apply: made.filter((e, k) => e.kind !== 'one-way' && elements[k]!.applied).map((e) => e.id),
    };
    return {
      ...base,
      members: NAMES.map((id) => ({ id, name: id })),
      input: shafts[0]!,
      output: shafts[1]!,
      gearsets: sets.map(
        ({ members, sun, more, double }, k): PlanetarySet => ({
          id: `p${k}`,
          name: `P${k}`,
          kind: 'planetary',
          station: 'pan',
          planets: double ? 'double' : 'single',
          sun: { member: members[0]!, teeth: sun },
          ring: { member: members[1]!, teeth: sun + more },
          carrier: members[2]!,
        }),
      ),
      elements: made,
      gears: [gear],
      parts: [],
      solenoids: [],
    };
  });

const close = (a: number, b: number) => Math.abs(a - b) < 1e-6 * Math.max(1, Math.abs(a), Math.abs(b));

test('speeds satisfy every gearset and every applied element', () => {
  fc.assert(
    fc.property(trains, (unit) => {
      const { speeds, outcome } = solveGear(unit, 'D1');
      if (outcome === 'tie-up') return;
      const speed = (id: string) => (id === 'case' ? 0 : speeds[id]);
      for (const set of unit.gearsets) {
        if (set.kind !== 'planetary') continue;
        const sign = set.planets === 'single' ? 1 : -1;
        const [s, r, c] = [speed(set.sun.member), speed(set.ring.member), speed(set.carrier)];
        if (typeof s !== 'number' || typeof r !== 'number' || typeof c !== 'number') continue;
        const { teeth } = set.sun;
        const ring = set.ring.teeth;
        expect(close(teeth * s + sign * ring * r, (teeth + sign * ring) * c)).toBe(true);
      }
      for (const element of unit.elements) {
        const [a, b] = [speed(element.a), speed(element.b)];
        if (typeof a !== 'number' || typeof b !== 'number') continue;
        if (element.kind === 'one-way') expect(a).toBeGreaterThanOrEqual(b - 1e-6);
        else if (unit.gears[0]!.apply.includes(element.id)) expect(close(a, b)).toBe(true);
      }
    }),
    { numRuns: 400 },
  );
});

test('the ratio is the input’s speed over the output’s', () => {
  fc.assert(
    fc.property(trains, (unit) => {
      const { outcome, ratio, speeds } = solveGear(unit, 'D1');
      if (outcome !== 'drive') return;
      expect(close(speeds[unit.input]!, 1)).toBe(true);
      expect(close(speeds[unit.output]! * ratio!, 1)).toBe(true);
    }),
    { numRuns: 300 },
  );
});

test('tooth counts scaled alike change nothing', () => {
  fc.assert(
    fc.property(trains, fc.integer({ min: 2, max: 7 }), (unit, factor) => {
      const scaled: UnitDefinition = {
        ...unit,
        gearsets: unit.gearsets.map((s) =>
          s.kind === 'planetary'
            ? {
                ...s,
                sun: { ...s.sun, teeth: s.sun.teeth * factor },
                ring: { ...s.ring, teeth: s.ring.teeth * factor },
              }
            : s,
        ),
      };
      const [a, b] = [gearOutcome(unit, 'D1'), gearOutcome(scaled, 'D1')];
      expect(b.outcome).toBe(a.outcome);
      if (a.ratio !== null) expect(close(a.ratio, b.ratio!)).toBe(true);
    }),
    { numRuns: 200 },
  );
});

test('members and elements in another order change nothing', () => {
  fc.assert(
    fc.property(trains, (unit) => {
      const turned: UnitDefinition = {
        ...unit,
        members: [...unit.members].reverse(),
        elements: [...unit.elements].reverse(),
        gearsets: [...unit.gearsets].reverse(),
      };
      const [a, b] = [gearOutcome(unit, 'D1'), gearOutcome(turned, 'D1')];
      expect(b.outcome).toBe(a.outcome);
      if (a.ratio !== null) expect(close(a.ratio, b.ratio!)).toBe(true);
    }),
    { numRuns: 200 },
  );
});

test('stuck is as good as applied, lost as good as not applied', () => {
  fc.assert(
    fc.property(trains, fc.nat(4), (unit, at) => {
      const element = unit.elements[at % unit.elements.length]!;
      if (element.kind === 'one-way') return;
      const gear = unit.gears[0]!;
      const rest = gear.apply.filter((id) => id !== element.id);
      const withIt = { ...unit, gears: [{ ...gear, apply: [...rest, element.id] }] };
      const without = { ...unit, gears: [{ ...gear, apply: rest }] };
      expect(gearOutcome(unit, 'D1', [{ kind: 'stuck', element: element.id }])).toEqual(
        gearOutcome(withIt, 'D1'),
      );
      expect(gearOutcome(unit, 'D1', [{ kind: 'lost', element: element.id }])).toEqual(
        gearOutcome(without, 'D1'),
      );
    }),
    { numRuns: 200 },
  );
});

test('two faults in either order do the same', () => {
  const fault = (unit: UnitDefinition, at: number, kind: 'lost' | 'stuck'): Fault => ({
    kind,
    element: unit.elements[at % unit.elements.length]!.id,
  });
  fc.assert(
    fc.property(trains, fc.nat(4), fc.nat(4), fc.boolean(), (unit, x, y, stuck) => {
      const pair = [fault(unit, x, stuck ? 'stuck' : 'lost'), fault(unit, y, 'lost')];
      expect(gearOutcome(unit, 'D1', pair)).toEqual(gearOutcome(unit, 'D1', [...pair].reverse()));
    }),
    { numRuns: 200 },
  );
});

test('power in is power out: in a driving gear the case’s torque makes up the difference', () => {
  fc.assert(
    fc.property(trains, (unit) => {
      const { outcome, ratio, elements } = solveGear(unit, 'D1');
      if (outcome !== 'drive' || Object.values(elements).some((t) => t === null)) return;
      // About the axis: input + output + case = 0, so |case| lies between |ratio − 1| and the sum of all brakes.
      const brakes = unit.elements.filter((e) => e.b === 'case' && (elements[e.id] ?? 0) > 0);
      const held = brakes.reduce((sum, e) => sum + elements[e.id]!, 0);
      if (brakes.length === 1) expect(close(held, Math.abs(ratio! - 1))).toBe(true);
      else expect(held).toBeGreaterThanOrEqual(Math.abs(ratio! - 1) - 1e-6);
    }),
    { numRuns: 400 },
  );
});
