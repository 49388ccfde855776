import fc from 'fast-check';
import type { Element, Gearset, UnitDefinition } from '@/core/unit';
import { blankUnit } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { gearOutcome, pairsOf, singleFaults } from './index';
import type { Fault } from './index';

/** A whole-number fraction: no rounding anywhere. */
class Fraction {
  constructor(
    readonly n: bigint,
    readonly d: bigint,
  ) {}
  static of(n: bigint, d = 1n): Fraction {
    const sign = d < 0n ? -1n : 1n;
    let [a, b] = [n < 0n ? -n : n, d < 0n ? -d : d];
    while (b) [a, b] = [b, a % b];
    return new Fraction((sign * n) / (a || 1n), (sign * d) / (a || 1n));
  }
  times(o: Fraction) {
    return Fraction.of(this.n * o.n, this.d * o.d);
  }
  over(o: Fraction) {
    return Fraction.of(this.n * o.d, this.d * o.n);
  }
  minus(o: Fraction) {
    return Fraction.of(this.n * o.d - o.n * this.d, this.d * o.d);
  }
  get zero() {
    return this.n === 0n;
  }
}

/** Outcome and ratio over the rationals, from the definition alone: every member an unknown, no reduction. */
function exactly(
  unit: UnitDefinition,
  key: string,
  faults: Fault[],
): { outcome: string; ratio: number | null } {
  const lost = new Set(faults.flatMap((f) => (f.kind === 'lost' ? [f.element] : [])));
  const stuck = new Set(faults.flatMap((f) => (f.kind === 'stuck' ? [f.element] : [])));
  const stripped = new Set(faults.flatMap((f) => (f.kind === 'strip' ? [f.gearset] : [])));
  const applied = new Set(unit.gears.find((g) => g.key === key)!.apply);
  const names = unit.members.map((m) => m.id);
  const rows: bigint[][] = [];
  const row = (terms: [string, number][], value = 0) => {
    const made = [...names.map(() => 0n), BigInt(value)];
    for (const [member, weight] of terms)
      if (member !== 'case') made[names.indexOf(member)]! += BigInt(weight);
    rows.push(made);
  };
  row([[unit.input, 1]], 1);
  for (const s of unit.gearsets) {
    if (stripped.has(s.id)) continue;
    if (s.kind === 'mesh')
      row([
        [s.first.member, s.first.teeth],
        [s.second.member, (s.mesh === 'external' ? 1 : -1) * s.second.teeth],
      ]);
    else {
      const sign = s.planets === 'single' ? 1 : -1;
      row([
        [s.sun.member, s.sun.teeth],
        [s.ring.member, sign * s.ring.teeth],
        [s.carrier, -(s.sun.teeth + sign * s.ring.teeth)],
      ]);
    }
  }
  for (const e of unit.elements)
    if (!lost.has(e.id) && (stuck.has(e.id) || applied.has(e.id)))
      row([
        [e.a, 1],
        [e.b, -1],
      ]);
  const m = rows.map((r) => r.map((v) => Fraction.of(v)));
  const pivots: number[] = [];
  for (let column = 0; column < names.length && pivots.length < m.length; column++) {
    const at = m.findIndex((r, k) => k >= pivots.length && !r[column]!.zero);
    if (at < 0) continue;
    [m[pivots.length], m[at]] = [m[at]!, m[pivots.length]!];
    const lead = m[pivots.length]!.map((v, _, all) => v.over(all[column]!));
    m[pivots.length] = lead;
    m.forEach((r, k) => {
      if (k !== pivots.length && !r[column]!.zero) {
        const factor = r[column]!;
        m[k] = r.map((v, i) => v.minus(factor.times(lead[i]!)));
      }
    });
    pivots.push(column);
  }
  if (m.slice(pivots.length).some((r) => !r.at(-1)!.zero)) return { outcome: 'tie-up', ratio: null };
  const output = names.indexOf(unit.output);
  const at = pivots.indexOf(output);
  if (at < 0 || m[at]!.some((v, k) => k !== output && k < names.length && !v.zero))
    return { outcome: 'neutral', ratio: null };
  const speed = m[at]!.at(-1)!;
  return speed.zero
    ? { outcome: 'output-held', ratio: null }
    : { outcome: 'drive', ratio: Number(speed.d) / Number(speed.n) };
}

function agree(unit: UnitDefinition, key: string, faults: Fault[]): void {
  const [got, exact] = [gearOutcome(unit, key, faults), exactly(unit, key, faults)];
  expect({ key, faults, outcome: got.outcome }).toEqual({ key, faults, outcome: exact.outcome });
  if (exact.ratio !== null) expect(Math.abs(got.ratio! / exact.ratio - 1)).toBeLessThan(1e-9);
}

describe('against whole-number fractions', () => {
  // Units without one-way clutches: there every outcome is a matter of linear equations alone.
  const plain = shippedUnits.filter((u) => u.elements.every((e) => e.kind !== 'one-way'));
  test.each(plain.map((u): [string, UnitDefinition] => [u.id, u]))(
    '%s: every pair of lost, stuck and stripped',
    (_, unit) => {
      const faults = singleFaults(unit).filter((f) => f.kind !== 'break');
      for (const { key } of unit.gears) {
        agree(unit, key, []);
        for (const fault of faults) agree(unit, key, [fault]);
        for (const pair of pairsOf(faults)) agree(unit, key, pair);
      }
    },
  );

  const NAMES = ['a', 'b', 'c', 'd', 'e', 'f'];
  const members = (n: number) => fc.shuffledSubarray(NAMES, { minLength: n, maxLength: n });
  const teeth = fc.integer({ min: 11, max: 120 });
  const planetary = fc.tuple(members(3), teeth, teeth, fc.boolean()).map(([m, sun, more, double]) => ({
    kind: 'planetary' as const,
    planets: double ? ('double' as const) : ('single' as const),
    sun: { member: m[0]!, teeth: sun },
    ring: { member: m[1]!, teeth: sun + more },
    carrier: m[2]!,
  }));
  const mesh = fc
    .tuple(
      members(2),
      teeth,
      teeth,
      fc.constantFrom('external' as const, 'internal' as const, 'idler' as const),
    )
    .map(([m, first, second, kind]) => ({
      kind: 'mesh' as const,
      mesh: kind,
      first: { member: m[0]!, teeth: first },
      second: { member: m[1]!, teeth: second },
    }));
  const element = fc.tuple(
    fc.shuffledSubarray([...NAMES, 'case'], { minLength: 2, maxLength: 2 }),
    fc.boolean(),
  );
  const units = fc
    .record({
      sets: fc.array(fc.oneof(planetary, mesh), { minLength: 1, maxLength: 5 }),
      elements: fc.array(element, { minLength: 1, maxLength: 4 }),
      shafts: members(2),
    })
    .map(({ sets, elements, shafts }): UnitDefinition => {
      const made = elements.map(([ends], k): Element => {
        const [a, b] = ends[0] === 'case' ? [ends[1]!, 'case'] : [ends[0]!, ends[1]!];
        return {
          id: `e${k}`,
          name: `E${k}`,
          short: `E${k}`,
          kind: b === 'case' ? 'brake' : 'clutch',
          station: 'pan',
          a,
          b,
          feedPath: [],
          powerPath: [],
        };
      });
      return {
        ...blankUnit('random', 'Random'),
        members: NAMES.map((id) => ({ id, name: id })),
        input: shafts[0]!,
        output: shafts[1]!,
        gearsets: sets.map((s, k) => ({ ...s, id: `g${k}`, name: `G${k}`, station: 'pan' }) as Gearset),
        elements: made,
        gears: [
          {
            key: 'D1',
            range: 'D',
            gear: 1,
            name: 'First',
            apply: made.filter((_, k) => elements[k]![1]).map((e) => e.id),
          },
        ],
      };
    });
  test('random planetaries, double pinions, meshes and idlers, in any connection', () => {
    fc.assert(
      fc.property(units, (unit) => agree(unit, 'D1', [])),
      { numRuns: 1500 },
    );
  });
  test('and with two faults', () => {
    fc.assert(
      fc.property(units, fc.nat(), (unit, pick) => {
        const pairs = pairsOf(singleFaults(unit));
        if (pairs.length) agree(unit, 'D1', pairs[pick % pairs.length]!);
      }),
      { numRuns: 600 },
    );
  });
});

describe('classic arrangements by their textbook formulas', () => {
  const train = (
    gearsets: Gearset[],
    elements: [string, string, string][],
    apply: string[],
    input: string,
    output: string,
  ): UnitDefinition => {
    const made = elements.map(
      ([id, a, b]): Element => ({
        id,
        name: id,
        short: id,
        kind: b === 'case' ? 'brake' : 'clutch',
        station: 'pan',
        a,
        b,
        feedPath: [],
        powerPath: [],
      }),
    );
    const names = new Set([
      input,
      output,
      ...elements.flatMap(([, a, b]) => [a, b]),
      ...gearsets.flatMap((s) => (s.kind === 'mesh' ? [] : [s.sun.member, s.ring.member, s.carrier])),
    ]);
    names.delete('case');
    return {
      ...blankUnit('classic', 'Classic'),
      input,
      output,
      members: [...names].map((id) => ({ id, name: id })),
      gearsets,
      elements: made,
      gears: [{ key: 'D1', range: 'D', gear: 1, name: 'First', apply }],
    };
  };
  const set = (
    id: string,
    planets: 'single' | 'double',
    sun: [string, number],
    ring: [string, number],
    carrier: string,
  ): Gearset => ({
    id,
    name: id,
    kind: 'planetary',
    planets,
    sun: { member: sun[0], teeth: sun[1] },
    ring: { member: ring[0], teeth: ring[1] },
    carrier,
    station: 'pan',
  });
  const ratio = (unit: UnitDefinition) => gearOutcome(unit, 'D1').ratio;

  test('Simpson, sun 28 and ring 62 twice: 2.452, 1.452, 1 and −2.214', () => {
    const sets = [
      set('front', 'single', ['S', 28], ['Fr', 62], 'out'),
      set('rear', 'single', ['S', 28], ['out', 62], 'Cr'),
    ];
    const elements: [string, string, string][] = [
      ['fwd', 'in', 'Fr'],
      ['dir', 'in', 'S'],
      ['int', 'S', 'case'],
      ['lr', 'Cr', 'case'],
    ];
    const gear = (...apply: string[]) => ratio(train(sets, elements, apply, 'in', 'out'));
    expect(gear('fwd', 'lr')).toBeCloseTo(2 + 28 / 62, 12);
    expect(gear('fwd', 'int')).toBeCloseTo(1 + 28 / 62, 12);
    expect(gear('fwd', 'dir')).toBeCloseTo(1, 12);
    expect(gear('dir', 'lr')).toBeCloseTo(-62 / 28, 12);
  });
  test('Ravigneaux, suns 34 and 26, ring 74: first, second and reverse', () => {
    const sets = [
      set('large', 'single', ['L', 34], ['out', 74], 'C'),
      set('small', 'double', ['S', 26], ['out', 74], 'C'),
    ];
    const elements: [string, string, string][] = [
      ['s', 'in', 'S'],
      ['l', 'in', 'L'],
      ['bl', 'L', 'case'],
      ['bc', 'C', 'case'],
    ];
    const gear = (...apply: string[]) => ratio(train(sets, elements, apply, 'in', 'out'));
    expect(gear('s', 'bc')).toBeCloseTo(74 / 26, 12);
    expect(gear('l', 'bc')).toBeCloseTo(-74 / 34, 12);
    // Large sun held: (1 + Zl/Zs) / (1 + Zl/Zr).
    expect(gear('s', 'bl')).toBeCloseTo((1 + 34 / 26) / (1 + 34 / 74), 12);
  });
  test('a simple set six ways, sun 30 and ring 70', () => {
    const base = [set('p', 'single', ['S', 30], ['R', 70], 'C')];
    const way = (input: string, output: string, held: string) =>
      ratio(train(base, [['b', held, 'case']], ['b'], input, output));
    expect(way('S', 'C', 'R')).toBeCloseTo(1 + 70 / 30, 12);
    expect(way('C', 'S', 'R')).toBeCloseTo(1 / (1 + 70 / 30), 12);
    expect(way('R', 'C', 'S')).toBeCloseTo(1 + 30 / 70, 12);
    expect(way('C', 'R', 'S')).toBeCloseTo(1 / (1 + 30 / 70), 12);
    expect(way('S', 'R', 'C')).toBeCloseTo(-70 / 30, 12);
    expect(way('R', 'S', 'C')).toBeCloseTo(-30 / 70, 12);
  });
});
