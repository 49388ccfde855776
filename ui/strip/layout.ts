import { CASE } from '@/core/unit';
import type { Element, Gearset, UnitDefinition } from '@/core/unit';

/** Something drawn in a column of its own. */
export type Device =
  | { kind: 'converter'; id: string; name: string; station: string }
  | { kind: 'pump'; id: string; name: string; station: string }
  | { kind: 'element'; id: string; name: string; station: string; element: Element }
  | { kind: 'gearset'; id: string; name: string; station: string; gearset: Gearset };

/** Where a device meets a member, as drawn: a dot on the member's rail. */
export interface Lead {
  column: number;
  member: string;
  /** Which of the device's ends: drawn side by side. */
  end: number;
}

export interface Rail {
  member: string;
  name: string;
  level: number;
  from: number;
  to: number;
}

export interface StripLayout {
  devices: Device[];
  rails: Rail[];
  levels: number;
  leads: Lead[];
  /** Columns of the devices that are held to the case. */
  toCase: number[];
}

/** Lays any valid unit out: devices from converter to output, members as rails below, packed into few levels. */
export function layoutStrip(unit: UnitDefinition): StripLayout {
  const devices = [...unit.stations]
    .sort((a, b) => a.position - b.position)
    .flatMap((s) => devicesAt(unit, s.id));
  const leads = devices.flatMap((device, column) =>
    endsOf(device).map((member, end): Lead => ({ column, member, end })),
  );
  const real = leads.filter((l) => l.member !== CASE);
  const last = devices.length - 1;
  const spans = unit.members.map((m) => {
    const columns = real.filter((l) => l.member === m.id).map((l) => l.column);
    // The input comes from the converter, the output leaves at the far end.
    if (m.id === unit.input) columns.push(0);
    if (m.id === unit.output) columns.push(last);
    return { member: m.id, name: m.name, from: Math.min(...columns), to: Math.max(...columns) };
  });
  const rails = packed(spans.filter((s) => Number.isFinite(s.from)));
  return {
    devices,
    rails,
    levels: Math.max(0, ...rails.map((r) => r.level)) + 1,
    leads: real,
    toCase: leads.filter((l) => l.member === CASE).map((l) => l.column),
  };
}

function devicesAt(unit: UnitDefinition, station: string): Device[] {
  const fixed = (['converter', 'pump'] as const).flatMap((kind): Device[] =>
    station === kind ? [{ kind, id: kind, name: kind === 'pump' ? 'Pump' : 'Converter', station }] : [],
  );
  return [
    ...fixed,
    ...unit.elements
      .filter((e) => e.station === station)
      .map((element): Device => ({ kind: 'element', id: element.id, name: element.name, station, element })),
    ...unit.gearsets
      .filter((g) => g.station === station)
      .map((gearset): Device => ({ kind: 'gearset', id: gearset.id, name: gearset.name, station, gearset })),
  ];
}

/** Members a device joins, in drawing order. */
export function endsOf(device: Device): string[] {
  if (device.kind === 'element') return [device.element.a, device.element.b];
  if (device.kind !== 'gearset') return [];
  const set = device.gearset;
  return set.kind === 'planetary'
    ? [set.ring.member, set.carrier, set.sun.member]
    : [set.first.member, set.second.member];
}

/** Gives every span the lowest level where it touches no other (greedy by start, which is optimal for intervals). */
function packed(spans: Omit<Rail, 'level'>[]): Rail[] {
  const ends: number[] = [];
  return [...spans]
    .sort((a, b) => a.from - b.from || b.to - a.to)
    .map((span) => {
      let level = ends.findIndex((end) => end < span.from);
      if (level < 0) level = ends.length;
      ends[level] = span.to;
      return { ...span, level };
    });
}
