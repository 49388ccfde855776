import { subjectSlot } from '@/core/case';
import type { SubjectHead } from '@/core/case';
import { elementsServedBy } from '@/core/unit';
import type { Element, PlateKind, UnitDefinition } from '@/core/unit';

/** Something of a unit that can be looked at. */
export interface Subject {
  head: SubjectHead;
  ids: readonly string[];
  /** `part.sun-shell` */
  slot: string;
  name: string;
  /** Where it is reached; null for what is asked before the unit is opened. */
  station: string | null;
  /** What the catalogue knows it by: its kind, and broader words for it. */
  selectors: readonly string[];
  /** The element it belongs to, where it belongs to one. */
  element: string | null;
  /** The part that is ordered for it. */
  part: string | null;
  gearset: string | null;
}

/** A subject as the unit has it; null when the unit has no such thing. Whole-unit subjects are the catalogue's own. */
export function subjectOf(unit: UnitDefinition, head: SubjectHead, ids: readonly string[]): Subject | null {
  const found = FIND[head](unit, ids);
  return (
    found && {
      element: null,
      part: null,
      gearset: null,
      ...found,
      head,
      ids,
      slot: subjectSlot({ head, ids }),
    }
  );
}

type Found = Pick<Subject, 'name' | 'station' | 'selectors'> &
  Partial<Pick<Subject, 'element' | 'part' | 'gearset'>>;
type Finder = (unit: UnitDefinition, ids: readonly string[]) => Found | null;

const FIND: Record<SubjectHead, Finder> = {
  part: (unit, [id]) => {
    const part = unit.parts.find((p) => p.id === id);
    if (!part) return null;
    const served =
      part.element === undefined ? elementsServedBy(unit, part.id).map((e) => e.id) : [part.element];
    return {
      name: part.name,
      station: part.station,
      selectors: part.kind ? [part.kind] : [],
      part: part.id,
      element: served.length === 1 ? served[0]! : null,
      gearset: part.gearset ?? null,
    };
  },
  element: (unit, [id]) => {
    const element = unit.elements.find((e) => e.id === id);
    return element
      ? {
          name: element.name,
          station: element.station,
          selectors: elementSelectors(element),
          element: element.id,
          part: element.part ?? null,
        }
      : null;
  },
  plate: (unit, [id, index]) => plateOf(unit, id!, index!),
  face: (unit, [id, index, side]) => {
    const plate = side === 'a' || side === 'b' ? plateOf(unit, id!, index!) : null;
    if (!plate || plate.selectors.includes('wave')) return null;
    return { ...plate, name: `${plate.name}, ${side === 'a' ? 'piston' : 'backing'} side` };
  },
  gearset: (unit, [id]) => {
    const set = unit.gearsets.find((g) => g.id === id);
    return set ? { name: set.name, station: set.station, selectors: [set.kind], gearset: set.id } : null;
  },
  solenoid: (unit, [id]) => {
    const solenoid = unit.solenoids.find((s) => s.id === id);
    const part = unit.parts.find((p) => p.id === solenoid?.part);
    return solenoid
      ? {
          name: solenoid.name,
          station: part?.station ?? null,
          selectors: [solenoid.kind],
          part: solenoid.part,
          element: solenoid.element ?? null,
        }
      : null;
  },
  sensor: (unit, [id]) => {
    const sensor = unit.sensors.find((s) => s.id === id);
    return sensor ? { name: sensor.name, station: sensor.station, selectors: [sensor.kind] } : null;
  },
  station: (unit, [id]) => {
    const station = unit.stations.find((s) => s.id === id);
    return station ? { name: station.name, station: station.id, selectors: ['station'] } : null;
  },
  unit: (_unit, [topic]) => ({ name: topic!, station: null, selectors: [topic!] }),
};

function elementSelectors(element: Element): string[] {
  if (element.pack) return ['pack'];
  if (element.band) return ['band'];
  // A one-way clutch that is ordered as a part is looked at as that part: one thing, one record.
  if (element.kind === 'one-way') return [element.part ? 'one-way' : 'one-way-alone'];
  return [element.kind];
}

/** "friction 2", "steel 1", "backing plate": as one counts them from the piston. */
export function plateName(order: readonly PlateKind[], index: number): string {
  const kind = order[index]!;
  if (kind === 'backing') return 'backing plate';
  if (kind === 'wave') return 'wave spring';
  return `${kind} ${order.slice(0, index + 1).filter((k) => k === kind).length}`;
}

function plateOf(unit: UnitDefinition, id: string, index: string): Found | null {
  const element = unit.elements.find((e) => e.id === id && e.pack);
  const order = element?.pack?.order;
  const kind = order?.[Number(index)];
  if (!element || !order || !kind || String(Number(index)) !== index) return null;
  return {
    name: `${element.name}, ${plateName(order, Number(index))}`,
    station: element.station,
    // A backing plate is a steel that is not turned.
    selectors: kind === 'backing' ? ['backing', 'steel'] : [kind],
    element: id,
  };
}
