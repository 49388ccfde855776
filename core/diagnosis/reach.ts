import type { JobState } from '@/core/case';
import { operationWithRole } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { Check } from './checks';
import type { Known } from './posterior';

/** Share of removing and refitting that is removing. */
const REMOVING = 0.5;

/** What has to be done before a check can be made. */
export interface Reach {
  /** Minutes of taking apart. */
  minutes: number;
  /** It can be made with the unit in the vehicle. */
  onVehicle: boolean;
}

/** Measured at the plug, with the unit whole. */
const AT_THE_PLUG = /^solenoid\.resistance:/;

/**
 * Every station in the way that is not out yet, and as long as the vehicle is whole its removal. The pan comes off in the
 * vehicle; where a check stands in no station (fluid, codes, questions) nothing is in the way.
 */
export function reachOf(unit: UnitDefinition, { out, opened }: Known): (check: Check) => Reach {
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
  const places = placesOf(unit);
  const drains = unit.stations.find((s) => s.drains)?.id;
  return ({ point }) => {
    const at = point.indexOf(':');
    const station =
      at < 0 ? (point.startsWith('debris.') ? drains : undefined) : places.get(point.slice(at + 1));
    if (!station || !stations.has(station) || (!opened && AT_THE_PLUG.test(point)))
      return { minutes: 0, onVehicle: true };
    if (!opened && station === drains) return { minutes: perStation, onVehicle: true };
    return { minutes: toReach(station), onVehicle: false };
  };
}

/** The station each part, set, element and solenoid is reached at. */
function placesOf(unit: UnitDefinition): Map<string, string> {
  return new Map([
    ...unit.parts.map((p): [string, string] => [p.id, p.station]),
    ...unit.gearsets.map((g): [string, string] => [g.id, g.station]),
    ...unit.elements.map((e): [string, string] => [e.id, e.station]),
    ...unit.solenoids.map((s): [string, string] => [
      s.id,
      unit.parts.find((p) => p.id === s.part)?.station ?? '',
    ]),
  ]);
}

/** What can only be looked at when it is out: plates and what they stand in, sets, and parts. A solenoid may hang outside. */
const OPENED = new Set(['face', 'plate', 'element', 'gearset', 'part']);

/** Stations that are out: marked so, or looked into, with all that stood in their way. */
export function stationsReached(unit: UnitDefinition, state: JobState): Set<string> {
  const places = placesOf(unit);
  const stations = new Map(unit.stations.map((s) => [s.id, s]));
  const out = new Set<string>();
  const add = (id: string) => {
    if (out.has(id) || !stations.has(id)) return;
    out.add(id);
    stations.get(id)!.blockedBy.forEach(add);
  };
  for (const slot of Object.keys(state)) {
    const [head, id, rest] = slot.split('.') as [string, string, string?];
    if (head === 'station' && rest === 'out' && state[slot]!.value === true) out.add(id);
    else if (OPENED.has(head)) add(places.get(id) ?? '');
  }
  return out;
}
