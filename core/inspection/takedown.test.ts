import { fold } from '@/core/case';
import type { JobState } from '@/core/case';
import { shippedUnits } from '@/data/shipped';
import { skippedStations, stillInTheWay } from './index';

const unit = shippedUnits.find((u) => u.id === 'ostrel-six')!;
const stationOf = (id: string) => unit.stations.find((s) => s.id === id)!;
const blocked = unit.stations.find((s) => s.blockedBy.length > 0)!;

/** Stations taken out one after the other; `-` before a name puts it back. */
function taken(...ids: string[]): JobState {
  return fold(
    {},
    ids.map((id, k) => ({
      seq: k + 1,
      slot: `station.${id.replace('-!', '')}.out`,
      value: id.endsWith('-!') ? null : true,
      by: 'mira',
      at: '2026-11-02T08:00:00.000Z',
    })) as unknown as Parameters<typeof fold>[1],
  );
}

describe('order of the takedown', () => {
  const names = (state: JobState) => stillInTheWay(unit, state, blocked).map((s) => s.id);
  test('what blocks a station stands in the way until it is out', () => {
    expect(new Set(names(taken()))).toEqual(new Set(blocked.blockedBy));
    expect(names(taken(...blocked.blockedBy))).toEqual([]);
  });
  test('taken out of order it stays noted, also when the other is out at last', () => {
    const [first] = blocked.blockedBy;
    expect(names(taken(...blocked.blockedBy.slice(1), blocked.id, first!))).toEqual([first]);
  });
  test('put back and taken out again, the last time counts', () => {
    expect(names(taken(blocked.id, ...blocked.blockedBy, `${blocked.id}-!`, blocked.id))).toEqual([]);
  });
  test('what was passed over is skipped, what comes later is not', () => {
    const order = [...unit.stations].sort((a, b) => a.order - b.order).map((s) => s.id);
    expect(skippedStations(unit, taken())).toEqual(new Set());
    expect(skippedStations(unit, taken(order[0]!))).toEqual(new Set());
    expect(skippedStations(unit, taken(order[0]!, order[3]!))).toEqual(new Set([order[1], order[2]]));
    expect(stationOf(order[0]!).order).toBe(1);
  });
});
