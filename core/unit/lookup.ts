import type { Part } from './schema';
import type { Element, GearPosition, UnitDefinition } from './schema';

/** A fixed member: brakes hold against it, its speed is always 0. */
export const CASE = 'case';

/** An element by id. Throws a RangeError naming the id when the unit has none. */
export function elementOf(unit: UnitDefinition, id: string): Element {
  return need(unit.elements, id, 'element', unit);
}

/** A gear position by key (`D2`). Throws a RangeError naming the key when the unit has none. */
export function gearOf(unit: UnitDefinition, key: string): GearPosition {
  const gear = unit.gears.find((g) => g.key === key);
  if (!gear)
    throw new RangeError(
      `${unit.name} has no gear "${key}"; it has ${unit.gears.map((g) => g.key).join(', ')}.`,
    );
  return gear;
}

/** A part by id. Throws a RangeError naming the id when the unit has none. */
export function partOf(unit: UnitDefinition, id: string): Part {
  return need(unit.parts, id, 'part', unit);
}

/** Elements with a lining that can burn: packs and bands. */
export function frictionElements(unit: UnitDefinition): Element[] {
  return unit.elements.filter((e) => e.pack || e.band);
}

/** Parts shared by the feed of two or more elements, besides the common feed. */
export function sharedFeed(unit: UnitDefinition, first: string, second: string): Part[] {
  const others = new Set(elementOf(unit, second).feedPath);
  return elementOf(unit, first)
    .feedPath.filter((id) => others.has(id))
    .map((id) => partOf(unit, id));
}

/** Elements whose feed or power path holds the part. */
export function elementsServedBy(unit: UnitDefinition, partId: string): Element[] {
  return unit.elements.filter((e) => e.feedPath.includes(partId) || e.powerPath.includes(partId));
}

/** Stations in removal order. */
export function stationsInOrder(unit: UnitDefinition) {
  return [...unit.stations].sort((a, b) => a.order - b.order);
}

function need<T extends { id: string }>(list: T[], id: string, what: string, unit: UnitDefinition): T {
  const found = list.find((item) => item.id === id);
  if (!found) throw new RangeError(`${unit.name} has no ${what} "${id}".`);
  return found;
}
