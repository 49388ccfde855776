import { shippedUnits } from '@/data/shipped';
import type { UnitDefinition } from '@/core/unit';
import { gearTerms } from './gear-equation';
import { meshTorques, pinionTeeth, sidesOf, solveGear, turning } from './index';
import type { Fault } from './index';

const unitOf = (id: string) => shippedUnits.find((u) => u.id === id)!;
const all = shippedUnits.map((u): [string, UnitDefinition] => [u.id, u]);

describe.each(all)('%s: torque through the teeth', (_, unit) => {
  const driving = unit.gears.filter((g) => solveGear(unit, g.key).outcome === 'drive');
  test('power in is power out, and no power is lost in between: the torques do no work in sum', () => {
    for (const { key } of driving) {
      const { ratio, speeds, elements } = solveGear(unit, key);
      const loads = meshTorques(unit, key);
      // Each gearset’s torques are λ·weight on its members: Σ λ·weight·ω is 0, so what enters leaves.
      for (const set of unit.gearsets) {
        const terms = gearTerms(set);
        const work = terms.reduce(
          (sum, t) => sum + t.weight * (t.member === 'case' ? 0 : (speeds[t.member] ?? 0)),
          0,
        );
        expect(Math.abs(work * (loads[set.id] ?? 0))).toBeLessThan(1e-6);
      }
      // Input power 1·1 leaves at the output: |torque out| = |ratio|.
      expect(Math.abs(ratio! * speeds[unit.output]!)).toBeCloseTo(1, 9);
      expect(Object.values(elements).every((t) => t === null || Number.isFinite(t))).toBe(true);
    }
  });
  test('about the axis everything balances: input, load and what the case holds', () => {
    for (const { key } of driving) {
      const { ratio, elements } = solveGear(unit, key);
      const loads = meshTorques(unit, key);
      if (unit.gearsets.some((s) => s.kind === 'mesh')) continue;
      // Signed reactions of the case: brakes and fixed gears. Their sum is load − input = ratio − 1.
      const brakes = unit.elements.filter((e) => e.b === 'case' && elements[e.id]);
      const onCase = unit.gearsets.flatMap((s) =>
        gearTerms(s)
          .filter((t) => t.member === 'case')
          .map((t) => ({ s, t })),
      );
      const fixed = onCase.reduce((sum, { s, t }) => {
        const own = gearTerms(s)[0]!.weight;
        return sum + ((loads[s.id] ?? 0) / own) * t.weight;
      }, 0);
      const least = Math.abs(ratio! - 1);
      const most = brakes.reduce((sum, e) => sum + elements[e.id]!, 0) + Math.abs(fixed);
      expect(most).toBeGreaterThanOrEqual(least - 1e-9);
    }
  });
});

describe('parallel shafts', () => {
  const hadric = unitOf('hadric-five');
  test('in third only its own pair carries, with the whole input torque on its first gear', () => {
    const loads = meshTorques(hadric, 'D3');
    expect(Math.abs(loads.third!)).toBeCloseTo(1, 12);
    for (const id of ['first', 'second', 'fourth', 'fifth', 'reverse', 'secondary-drive'])
      expect(loads[id]).toBe(0);
  });
  test('in first torque passes three pairs', () => {
    const loads = meshTorques(hadric, 'D1');
    expect(
      Object.keys(loads)
        .filter((id) => loads[id] !== 0)
        .sort(),
    ).toEqual(['first', 'secondary-drive', 'third']);
  });
  test('a gear that does not drive carries nothing', () => expect(meshTorques(hadric, 'N')).toEqual({}));
});

describe('what turns', () => {
  test('a direct gear turns as one: no pinion moves on its pin', () => {
    for (const [id, key] of [
      ['ostrel-eight', 'D6'],
      ['ostrel-four', 'D3'],
    ] as const)
      for (const t of turning(unitOf(id), key)) if (t.kind === 'pinion') expect(t.speed).toBe(0);
  });
  test('pinions of a pair turn against each other, as their teeth have it', () => {
    const [inner, outer] = turning(unitOf('ostrel-six'), 'D1').filter((t) => t.gearset === 'rear-small');
    expect(inner!.speed! * 20).toBeCloseTo(-outer!.speed! * 24, 12);
  });
  test('a single pinion’s teeth follow from sun and ring', () => {
    const set = unitOf('ostrel-four').gearsets[0]!;
    expect(set.kind === 'planetary' && pinionTeeth(set)).toEqual([(73 - 35) / 2]);
  });
  test('an applied element stands still against itself, an open one may not', () => {
    const four = unitOf('ostrel-four');
    for (const g of four.gears.filter((x) => x.gear !== null))
      for (const t of turning(four, g.key))
        if (t.kind === 'element' && g.apply.includes(t.id)) expect(t.speed).toBe(0);
  });
  test('a broken input leaves everything after it afloat', () => {
    const broken: Fault[] = [{ kind: 'break', part: 'input-shaft' }];
    expect(
      turning(unitOf('ostrel-six'), 'D1', broken).find((t) => t.id === 'front-pinion')!.speed,
    ).toBeNull();
  });
});

describe('what hangs on each side of a break', () => {
  test('the sun shell: drum, band and clutch on one side, the rear sun on the other', () => {
    const { near, away } = sidesOf(unitOf('ostrel-four'), 'sun-shell');
    expect(away).toEqual([{ gearset: 'rear', gear: 'sun' }]);
    expect(near).toEqual([{ element: 'reverse' }, { element: 'band-2-4' }]);
  });
  test('both sides together are everything on the member', () => {
    for (const unit of shippedUnits)
      for (const part of unit.parts.filter((p) => p.splits)) {
        const { near, away } = sidesOf(unit, part.id);
        expect(near.length).toBeGreaterThan(0);
        expect(away.length).toBe(part.splits!.away.length);
      }
  });
  test('a part that splits nothing says so', () => {
    expect(() => sidesOf(unitOf('ostrel-four'), 'filter')).toThrow(/not part of a power path/);
  });
});
