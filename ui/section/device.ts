import { partsWithRole } from '@/core/unit';
import type { Element, Gearset, UnitDefinition } from '@/core/unit';

/** Something drawn in a column of its own. */
export type Device = { id: string; name: string; station: string } & (
  | { kind: 'converter' }
  | { kind: 'pump' }
  | { kind: 'element'; element: Element }
  | { kind: 'gearset'; gearset: Gearset }
);

/** Everything a unit's drawing holds, unordered. */
export function devicesOf(unit: UnitDefinition): Device[] {
  const converter = unit.parts.find((p) => p.id === unit.converter.part);
  const pump = partsWithRole(unit, 'pump-gears', 'pump-cover')[0];
  return [
    { kind: 'converter', id: 'converter', name: 'Converter', station: converter?.station ?? '' },
    ...(pump ? [{ kind: 'pump' as const, id: 'pump', name: 'Pump', station: pump.station }] : []),
    ...unit.elements.map((element) => ({
      kind: 'element' as const,
      id: element.id,
      name: element.name,
      station: element.station,
      element,
    })),
    ...unit.gearsets.map((gearset) => ({
      kind: 'gearset' as const,
      id: gearset.id,
      name: gearset.name,
      station: gearset.station,
      gearset,
    })),
  ];
}

/** What a device is to a member that meets it: decides where on the device the member is drawn. */
export type Role =
  | 'turbine'
  | 'drum'
  | 'hub'
  | 'outer-race'
  | 'inner-race'
  | 'band-drum'
  | 'dog-left'
  | 'dog-right'
  | 'sun'
  | 'carrier'
  | 'ring'
  | 'gear';

/** One meeting of a member and a device. */
export interface End {
  member: string;
  role: Role;
  /** Which gear of a pair it is, for `gear`. */
  which?: 'first' | 'second';
}

export function endsOf(unit: UnitDefinition, device: Device): End[] {
  if (device.kind === 'converter') return [{ member: unit.input, role: 'turbine' }];
  if (device.kind === 'pump') return [];
  if (device.kind === 'gearset') {
    const set = device.gearset;
    if (set.kind === 'mesh')
      return [
        { member: set.first.member, role: 'gear', which: 'first' },
        { member: set.second.member, role: 'gear', which: 'second' },
      ];
    return [
      { member: set.ring.member, role: 'ring' },
      { member: set.carrier, role: 'carrier' },
      { member: set.sun.member, role: 'sun' },
    ];
  }
  const { a, b, kind } = device.element;
  const roles: Record<Element['kind'], [Role, Role]> = {
    clutch: ['drum', 'hub'],
    brake: ['hub', 'drum'],
    band: ['band-drum', 'outer-race'],
    'one-way': ['inner-race', 'outer-race'],
    dog: ['dog-left', 'dog-right'],
  };
  return [
    { member: a, role: roles[kind][0] },
    { member: b, role: roles[kind][1] },
  ];
}

/** Width of a device's column. Packs grow with their plates. */
export function widthOf(device: Device): number {
  if (device.kind === 'converter') return 132;
  if (device.kind === 'pump') return 50;
  if (device.kind === 'gearset') return device.gearset.kind === 'planetary' ? 82 : 56;
  const { kind, pack } = device.element;
  if (kind === 'clutch' || kind === 'brake') return 46 + Math.min(pack?.order.length ?? 6, 16) * 3;
  return kind === 'band' ? 58 : 54;
}
