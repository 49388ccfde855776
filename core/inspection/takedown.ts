import type { JobState } from '@/core/case';
import { stationsInOrder } from '@/core/unit';
import type { Station, UnitDefinition } from '@/core/unit';

/** When a station came out, as the record counts; null while it is in. */
function outAt(state: JobState, station: Station): number | null {
  const slot = state[`station.${station.id}.out`];
  return slot?.value === true ? slot.seq : null;
}

/**
 * What should have been out before this station and was not, when it came out or still; in removal order. That order
 * is advice: it may be left, and what was found then is worth what it is worth.
 */
export function stillInTheWay(unit: UnitDefinition, state: JobState, station: Station): Station[] {
  const own = outAt(state, station) ?? Infinity;
  return stationsInOrder(unit).filter((other) => {
    if (!station.blockedBy.includes(other.id)) return false;
    const at = outAt(state, other);
    return at === null || at > own;
  });
}

/** Stations still in while one that comes after them is out. */
export function skippedStations(unit: UnitDefinition, state: JobState): ReadonlySet<string> {
  const order = stationsInOrder(unit);
  const last = order.findLastIndex((s) => outAt(state, s) !== null);
  return new Set(
    order
      .slice(0, Math.max(0, last))
      .filter((s) => outAt(state, s) === null)
      .map((s) => s.id),
  );
}
