import { operationWithRole } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { Check } from './checks';
import type { Known } from './posterior';

/** Share of removing and refitting that is removing. */
const REMOVING = 0.5;

/**
 * Minutes of work before a check can be made: every station in the way that is not out yet, and as long as the vehicle is
 * whole its removal. Where a check stands in no station (fluid, codes, questions) nothing is in the way.
 */
export function reachOf(unit: UnitDefinition, { out, opened }: Known): (check: Check) => number {
  const perStation = ((operationWithRole(unit, 'teardown')?.hours ?? 4) * 60) / unit.stations.length;
  const removal = opened ? 0 : (operationWithRole(unit, 'remove-refit')?.hours ?? 6) * 60 * REMOVING;
  const stations = new Map(unit.stations.map((s) => [s.id, s]));
  const known = new Map<string, number>();
  const toReach = (station: string): number => {
    let minutes = known.get(station);
    if (minutes === undefined) {
      const way = new Set<string>();
      const add = (id: string) => {
        if (way.has(id) || out.has(id)) return;
        way.add(id);
        stations.get(id)?.blockedBy.forEach(add);
      };
      add(station);
      known.set(station, (minutes = removal + way.size * perStation));
    }
    return minutes;
  };
  const places = new Map<string, string>([
    ...unit.parts.map((p): [string, string] => [p.id, p.station]),
    ...unit.gearsets.map((g): [string, string] => [g.id, g.station]),
    ...unit.elements.map((e): [string, string] => [e.id, e.station]),
    ...unit.solenoids.map((s): [string, string] => [
      s.id,
      unit.parts.find((p) => p.id === s.part)?.station ?? '',
    ]),
  ]);
  const drains = unit.stations.find((s) => s.drains)?.id;
  return ({ point }) => {
    const at = point.indexOf(':');
    const station =
      at < 0 ? (point.startsWith('debris.') ? drains : undefined) : places.get(point.slice(at + 1));
    return station && stations.has(station) ? toReach(station) : 0;
  };
}
