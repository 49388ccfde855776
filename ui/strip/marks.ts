import { valueOf } from '@/core/case';
import type { JobState, PartGrade } from '@/core/case';
import { observe } from '@/core/evidence';
import { stationOfRole } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { DeviceMark } from './strip';

/** What the record says of every device: out of the case, looked at, found sound or not. */
export function marksOf(unit: UnitDefinition, state: JobState): Record<string, DeviceMark> {
  const levels = new Map(observe(unit, state).map((o) => [o.point, o.level]));
  const marks: Record<string, DeviceMark> = {};
  const partsOf = (station: string, ids: string[]) =>
    unit.parts
      .filter((p) => ids.includes(p.id) && p.station === station)
      .map((p) => valueOf(state, `part.${p.id}`)?.grade);
  for (const element of unit.elements) {
    const lining = levels.get(`lining:${element.id}`);
    const grades = partsOf(element.station, [...element.feedPath, ...element.powerPath, element.id]);
    marks[element.id] = { condition: worst(lining, grades), out: isOut(state, element.station) };
  }
  for (const set of unit.gearsets) {
    const grades = unit.parts
      .filter((p) => p.splits?.away.some((a) => 'gearset' in a && a.gearset === set.id))
      .map((p) => valueOf(state, `part.${p.id}`)?.grade);
    marks[set.id] = { condition: worst(undefined, grades), out: isOut(state, set.station) };
  }
  const converter = levels.get('converter-lining');
  marks.converter = {
    condition:
      converter === 'gone' ? 'failed' : converter === 'worn' ? 'worn' : converter ? 'sound' : undefined,
    out: isOut(state, unit.parts.find((p) => p.id === unit.converter.part)?.station ?? null),
  };
  const pumpStation = stationOfRole(unit, 'pump-gears', 'pump-cover');
  const pump = unit.parts
    .filter((p) => p.station === pumpStation)
    .map((p) => valueOf(state, `part.${p.id}`)?.grade);
  marks.pump = { condition: worst(undefined, pump), out: isOut(state, pumpStation) };
  return marks;
}

function isOut(state: JobState, station: string | null): boolean {
  return station !== null && valueOf(state, `station.${station}.out`) === true;
}

function worst(lining: string | undefined, grades: (PartGrade | undefined)[]): DeviceMark['condition'] {
  if (lining === 'burnt' || grades.includes('failed')) return 'failed';
  if (lining === 'heat-marked' || grades.includes('worn') || grades.includes('marked')) return 'worn';
  return lining === 'sound' || grades.includes('sound') ? 'sound' : undefined;
}
