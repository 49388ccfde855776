import type { UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import { layoutStrip } from './layout';

const unit = ostrelFour as unknown as UnitDefinition;

test('every element and gearset has a column of its own', () => {
  const { devices } = layoutStrip(unit);
  const ids = devices.map((d) => d.id);
  expect(new Set(ids).size).toBe(ids.length);
  for (const item of [...unit.elements, ...unit.gearsets]) expect(ids).toContain(item.id);
});

test('every lead ends on a rail that reaches its column', () => {
  const { leads, rails } = layoutStrip(unit);
  for (const lead of leads) {
    const rail = rails.find((r) => r.member === lead.member)!;
    expect(rail.from).toBeLessThanOrEqual(lead.column);
    expect(rail.to).toBeGreaterThanOrEqual(lead.column);
  }
});

test('rails of one level never touch', () => {
  const { rails } = layoutStrip(unit);
  for (const a of rails)
    for (const b of rails)
      if (a !== b && a.level === b.level) expect(a.to < b.from || b.to < a.from).toBe(true);
});

test('draws a unit with a single gearset and no converter station', () => {
  const small: UnitDefinition = {
    ...unit,
    stations: [unit.stations[7]!],
    elements: [],
    gearsets: [unit.gearsets[0]!],
  };
  expect(layoutStrip(small).devices).toHaveLength(1);
});
