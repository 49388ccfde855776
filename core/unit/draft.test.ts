import { gearOutcome } from '@/core/powerflow';
import { checkUnit, unitWarnings } from '@/core/validation';
import { shippedUnits } from '@/data/shipped';
import {
  addElement,
  addGear,
  addMesh,
  addPlanetary,
  blankUnit,
  duplicateUnit,
  idFrom,
  removeElement,
  removeGearset,
  replaceElement,
  tidy,
  toggleApply,
  withForwardSign,
} from './index';
import type { UnitDefinition } from './index';
import { unitKnowledge } from '@/data/knowledge';

/** Two speeds and a third by the brake of another member: one planetary, a clutch and a brake. */
function entered(): UnitDefinition {
  let unit = addPlanetary(blankUnit('own', 'Own Two'));
  unit = addElement(addElement(unit, 'brake'), 'clutch');
  const [brake, clutch] = unit.elements;
  unit = replaceElement(unit, { ...brake!, a: 'sun-1' });
  unit = replaceElement(unit, { ...clutch!, a: 'in', b: 'sun-1' });
  unit = addGear(addGear(unit, 'forward'), 'forward');
  unit = toggleApply(toggleApply(unit, 'D1', brake!.id), 'D2', clutch!.id);
  return unit;
}

describe('a unit entered step by step', () => {
  test('is one Pelvik can use, with nothing odd about it', () => {
    expect(checkUnit(entered())).toEqual([]);
    expect(unitWarnings(entered(), unitKnowledge)).toEqual([]);
    expect(gearOutcome(entered(), 'D1').ratio).toBeCloseTo(1 + 36 / 72, 12);
    expect(gearOutcome(entered(), 'D2').ratio).toBeCloseTo(1, 12);
  });
  test('its stations come out in order, and every element has parts that feed and carry it', () => {
    const unit = entered();
    expect(unit.stations.map((s) => s.order)).toEqual(unit.stations.map((_, k) => k + 1));
    for (const e of unit.elements) {
      expect(e.feedPath.length).toBeGreaterThan(0);
      for (const id of [...e.feedPath, ...e.powerPath]) expect(unit.parts.map((p) => p.id)).toContain(id);
    }
  });
  test('what is added and taken out again leaves nothing behind', () => {
    const before = entered();
    const more = addElement(addPlanetary(before), 'band');
    const back = removeGearset(removeElement(more, more.elements.at(-1)!.id), more.gearsets.at(-1)!.id);
    expect(back.members).toEqual(before.members);
    expect(back.elements).toEqual(before.elements);
    expect(checkUnit(back)).toEqual([]);
  });
  test('an element taken out is out of every gear', () => {
    const unit = removeElement(entered(), 'brake-1');
    expect(unit.gears.flatMap((g) => g.apply)).not.toContain('brake-1');
    expect(unit.parts.some((p) => p.id.startsWith('brake-1'))).toBe(false);
  });
  test('reverse stands once, after Park', () => {
    const unit = addGear(addGear(entered(), 'reverse'), 'reverse');
    expect(unit.gears.map((g) => g.key)).toEqual(['P', 'R', 'N', 'D1', 'D2']);
  });
  test('a pair of gears brings its own free gear', () => {
    const unit = addMesh(blankUnit('own', 'Own'));
    expect(unit.members.map((m) => m.id)).toContain('gear-1');
    expect(withForwardSign(unit, -1.2).forwardSign).toBe(-1);
  });
});

test.each(shippedUnits.map((u): [string, UnitDefinition] => [u.id, u]))(
  '%s stays whole when anything is taken out',
  (_, unit) => {
    // Gears may stop driving; names must not dangle.
    const dangling = (u: UnitDefinition) => checkUnit(u).filter((p) => /there is no/.test(p.message));
    for (const e of unit.elements) expect(dangling(removeElement(unit, e.id))).toEqual([]);
    for (const g of unit.gearsets) expect(dangling(removeGearset(unit, g.id))).toEqual([]);
    expect(checkUnit(tidy(unit))).toEqual([]);
    expect(checkUnit(duplicateUnit(unit, 'another', 'Another'))).toEqual([]);
  },
);

test('ids are made from names and never twice', () => {
  expect(idFrom('Clutch  Ä 1', [])).toBe('clutch-a-1');
  expect(idFrom('مريم', [])).toBe('item');
  expect(idFrom('Brake', ['brake', 'brake-2'])).toBe('brake-3');
});
