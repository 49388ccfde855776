import ostrelFour from '@/data/units/ostrel-four.json';
import { elementOf, elementsServedBy, frictionElements, gearOf, midSentence, partOf } from './index';
import { sharedFeed, stationsInOrder } from './index';
import type { UnitDefinition } from './index';

const unit = ostrelFour as unknown as UnitDefinition;

describe('ids are found, or said to be missing by name', () => {
  test('elements, gears and parts', () => {
    expect(elementOf(unit, 'high').kind).toBe('clutch');
    expect(gearOf(unit, 'D2').apply).toEqual(['forward', 'band-2-4']);
    expect(partOf(unit, 'filter').material).toBe('paper');
  });
  test.each([
    [() => elementOf(unit, 'ghost'), /no element "ghost"/],
    [() => gearOf(unit, 'D9'), /no gear "D9"; it has P, R, N/],
    [() => partOf(unit, 'ghost'), /no part "ghost"/],
  ])('%#', (look, words) => expect(look).toThrow(words));
});

describe('paths', () => {
  test('the support rings starve several elements, the sun shell carries two', () => {
    expect(elementsServedBy(unit, 'support-rings').length).toBeGreaterThan(2);
    expect(elementsServedBy(unit, 'sun-shell').map((e) => e.id)).toEqual(['reverse', 'band-2-4']);
  });
  test('what two elements share is the same from either side', () => {
    for (const a of frictionElements(unit)) {
      for (const b of frictionElements(unit)) {
        const [ab, ba] = [sharedFeed(unit, a.id, b.id), sharedFeed(unit, b.id, a.id)];
        expect(new Set(ab)).toEqual(new Set(ba));
      }
    }
  });
});

test('friction elements are those with a lining: no one-way clutch', () => {
  expect(frictionElements(unit).every((e) => e.kind !== 'one-way')).toBe(true);
  expect(frictionElements(unit)).toHaveLength(6);
});

test('stations in removal order are a copy, not the unit’s own list turned round', () => {
  const before = unit.stations.map((s) => s.id);
  expect(stationsInOrder(unit).map((s) => s.order)).toEqual(
    [...unit.stations.map((s) => s.order)].sort((a, b) => a - b),
  );
  expect(unit.stations.map((s) => s.id)).toEqual(before);
});

test.each([
  ['High clutch', 'high clutch'],
  ['2-4 band', '2-4 band'],
  ['S2', 'S2'],
  ['', ''],
])('"%s" stands in a sentence as "%s"', (name, said) => expect(midSentence(name)).toBe(said));
