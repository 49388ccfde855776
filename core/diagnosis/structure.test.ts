import { margins } from '@/core/powerflow';
import { frictionElements } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { structureOf } from './structure';

const unitOf = (id: string) => shippedUnits.find((u) => u.id === id)!;

describe('what the construction tells', () => {
  test('short pressure and raised torque: the weakest element of a gear slips first, never for sure, never never', () => {
    for (const unit of shippedUnits) {
      const s = structureOf(unit);
      const pressure = (m: number) => Math.min(0.97, Math.max(0.03, (1 / m - 0.3) / 0.7));
      const torque = (m: number) => Math.min(0.97, Math.max(0.03, 2 - m));
      const all = margins(unit);
      for (const gear of new Set(all.map((m) => m.gear))) {
        const least = Math.min(...all.filter((m) => m.gear === gear).map((m) => m.margin));
        expect(s.slips(gear, 'pressure')).toBeCloseTo(pressure(least), 12);
        expect(s.slips(gear, 'torque')).toBeCloseTo(torque(least), 12);
      }
      for (const { id } of frictionElements(unit)) {
        const own = all.filter((m) => m.element === id).map((m) => m.margin);
        const worst = own.length ? Math.min(...own) : 2;
        expect(s.strength('by-pressure', id)).toBeCloseTo(pressure(worst), 12);
        expect(s.strength('by-torque', id)).toBeCloseTo(torque(worst), 12);
      }
    }
  });
  test('a gear that loads no element cannot slip; nobody in particular has a usual margin', () => {
    const s = structureOf(unitOf('ostrel-four'));
    expect(s.slips('N', 'pressure')).toBe(0);
    expect(s.strength('by-pressure', null)).toBeCloseTo((1 / 2 - 0.3) / 0.7, 12);
    expect(s.strength('by-torque', null)).toBe(0.03);
    expect(s.strength(0.42, 'high')).toBe(0.42);
  });
  test('torque in a gear as a share of the largest in any', () => {
    for (const unit of shippedUnits) {
      const s = structureOf(unit);
      const all = margins(unit);
      for (const { id } of frictionElements(unit)) {
        const own = all.filter((m) => m.element === id);
        const most = Math.max(...own.map((m) => m.loadNm));
        for (const m of own) expect(s.share(id, m.gear)).toBeCloseTo(m.loadNm / most, 12);
        for (const g of unit.gears)
          if (!own.some((m) => m.gear === g.key)) expect(s.share(id, g.key)).toBe(0);
      }
    }
  });
  test('what stands in one drum heats its neighbour', () => {
    const s = structureOf(unitOf('ostrel-four'));
    expect(s.neighbours('forward')).toEqual(['overrun']);
    expect(s.neighbours('overrun')).toEqual(['forward']);
    expect(s.neighbours('low-reverse')).toEqual([]);
  });
  test('who fights whom: the one that gives way is hit in full, the one that holds its own by half', () => {
    const s = structureOf(unitOf('ostrel-four'));
    const rivals = (id: string) => Object.fromEntries(s.rivals(id));
    for (const { id } of frictionElements(s.unit)) {
      expect(s.rivals(id).has(id)).toBe(false);
      for (const weight of s.rivals(id).values()) expect([0.5, 1]).toContain(weight);
      const most = Math.max(0, ...s.rivals(id).values());
      expect(s.strength('by-rivals', id)).toBeCloseTo(0.65 * most, 12);
    }
    // In Reverse the forward clutch kept on is met by the reverse clutch, which gives way, and the brake, which holds.
    expect(rivals('reverse')).toEqual({ forward: 1, overrun: 1 });
    expect(rivals('low-reverse')).toMatchObject({ forward: 0.5, overrun: 0.5, high: 1, 'band-2-4': 1 });
    expect(rivals('overrun')).toEqual({ high: 0.5 });
    expect(rivals('low-owc')).toEqual({});
    expect(s.strength('by-rivals', null)).toBe(0);
    expect(s.strength('by-rivals', 'low-owc')).toBe(0);
  });
  test('breaks that no gear can tell apart stand under the first of them', () => {
    const s = structureOf(unitOf('ostrel-four'));
    const broken = s.unit.parts.filter((p) => p.splits).map((p) => p.id);
    expect(
      [...s.paths.values()]
        .flat()
        .map((p) => p.id)
        .sort(),
    ).toEqual([...broken].sort());
    for (const [first, parts] of s.paths) {
      expect(parts[0]!.id).toBe(first);
      const does = (id: string) =>
        s.under([{ kind: 'break', part: id }]).map((p) => `${p.kind} ${p.actsLike}`);
      for (const part of parts) expect(does(part.id)).toEqual(does(first));
    }
    expect(s.paths.size).toBeLessThan(broken.length);
    expect(s.under([{ kind: 'lost', element: 'high' }])).toBe(s.under([{ kind: 'lost', element: 'high' }]));
  });
});
