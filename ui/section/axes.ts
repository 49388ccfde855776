import { CASE } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { devicesOf, endsOf, widthOf } from './device';
import type { Device } from './device';

/** A device with its column, and the shafts it sits on: one, or two for a pair of gears on parallel shafts. */
export interface Placed {
  device: Device;
  x: number;
  width: number;
  axes: number[];
}

export interface Columns {
  placed: Placed[];
  /** Which shaft each member turns about, the input's first. */
  axisOf: Map<string, number>;
  axes: number;
  width: number;
}

const MARGIN = 10;
const GAP = 5;

/**
 * Finds the shafts of a unit and gives every device its column. Clutches and planetary sets join members about one axis;
 * a pair of gears stands between two. On one axis the columns follow the stations; on parallel shafts each pair of gears
 * is followed by the elements that lock its gears, and pairs that share a gear share a column.
 */
export function columnsOf(unit: UnitDefinition): Columns {
  const axisOf = orderAxes(unit, shafts(unit));
  const axes = Math.max(...axisOf.values()) + 1;
  const devices = devicesOf(unit);
  const columns = axes > 1 ? byGears(unit, devices) : byStation(unit, devices).map((d) => [d]);
  const placed: Placed[] = [];
  let x = MARGIN;
  for (const column of columns) {
    const width = Math.max(...column.map(widthOf));
    for (const device of column) {
      const on = endsOf(unit, device).flatMap((e) => (e.member === CASE ? [] : [axisOf.get(e.member)!]));
      placed.push({ device, x, width, axes: on.length ? [...new Set(on)].sort() : [0] });
    }
    x += width + GAP;
  }
  return { placed, axisOf, axes, width: x + 52 + MARGIN };
}

/** Groups of members about one axis. */
function shafts(unit: UnitDefinition): string[][] {
  const group = new Map(unit.members.map((m) => [m.id, new Set([m.id])]));
  const join = (ids: string[]) => {
    const members = ids.filter((id) => id !== CASE);
    const all = new Set(members.flatMap((id) => [...(group.get(id) ?? [])]));
    for (const id of all) group.set(id, all);
  };
  for (const e of unit.elements) join([e.a, e.b]);
  for (const s of unit.gearsets) if (s.kind === 'planetary') join([s.sun.member, s.ring.member, s.carrier]);
  return [...new Set(group.values())].map((set) => [...set]);
}

/** The input's shaft first, then each next to one it meshes with. */
function orderAxes(unit: UnitDefinition, groups: string[][]): Map<string, number> {
  const at = (member: string) => groups.findIndex((g) => g.includes(member));
  const order: number[] = [at(unit.input)];
  for (let k = 0; k < groups.length; k++) {
    for (const set of unit.gearsets) {
      if (set.kind !== 'mesh' || order[k] === undefined) continue;
      const [a, b] = [at(set.first.member), at(set.second.member)];
      for (const [from, to] of [
        [a, b],
        [b, a],
      ] as const)
        if (from === order[k] && to >= 0 && !order.includes(to)) order.push(to);
    }
  }
  groups.forEach((_, k) => !order.includes(k) && order.push(k));
  return new Map(groups.flatMap((g, k) => g.map((id): [string, number] => [id, order.indexOf(k)])));
}

function byStation(unit: UnitDefinition, devices: Device[]): Device[] {
  const position = new Map(unit.stations.map((s) => [s.id, s.position]));
  const at = (d: Device) =>
    d.kind === 'converter' ? -2 : d.kind === 'pump' ? -1 : (position.get(d.station) ?? 0.5);
  return devices
    .map((d, k) => ({ d, k }))
    .sort((a, b) => at(a.d) - at(b.d) || a.k - b.k)
    .map(({ d }) => d);
}

function byGears(unit: UnitDefinition, devices: Device[]): Device[][] {
  const columns: Device[][] = devices
    .filter((d) => d.kind === 'converter' || d.kind === 'pump')
    .map((d) => [d]);
  const elements = devices.filter((d) => d.kind === 'element');
  const used = new Set<string>();
  const sets = devices.filter((d) => d.kind === 'gearset');
  for (const set of sets) {
    if (used.has(set.id)) continue;
    const column = [set, ...sets.filter((o) => o !== set && !used.has(o.id) && sharesGear(set, o))];
    column.forEach((d) => used.add(d.id));
    columns.push(column);
    const members = column.flatMap((d) => endsOf(unit, d).map((e) => e.member));
    for (const e of elements) {
      if (used.has(e.id) || e.kind !== 'element') continue;
      const ends = [e.element.a, e.element.b];
      // The gear that turns free is named by few; shafts are named by many.
      const free = ends.filter((id) => members.includes(id) && id !== unit.input && id !== unit.output);
      const lone = free.some((id) => unit.elements.filter((x) => x.a === id || x.b === id).length === 1);
      if (!lone) continue;
      used.add(e.id);
      columns.push([e]);
    }
  }
  return [...columns, ...elements.filter((e) => !used.has(e.id)).map((e) => [e])];
}

/** Two pairs of gears with one gear in common: the same member with the same teeth. */
function sharesGear(a: Device, b: Device): boolean {
  if (a.kind !== 'gearset' || b.kind !== 'gearset') return false;
  if (a.gearset.kind !== 'mesh' || b.gearset.kind !== 'mesh') return false;
  const [x, y] = [a.gearset, b.gearset].map((s) => [s.first, s.second]);
  return x!.some((g) => y!.some((h) => g.member === h.member && g.teeth === h.teeth));
}
