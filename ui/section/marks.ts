import { valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import type { Inspection } from '@/core/inspection';
import { stationOfRole } from '@/core/unit';
import type { DeviceMark } from './drawing';

/** What the record says of every device: out of the case, looked at, found sound or not. */
export function marksOf(inspection: Inspection, state: JobState): Record<string, DeviceMark> {
  const { unit } = inspection;
  // The worst that is known of each element, gearset and part, under the name a finding has.
  const worst = new Map<string, number>();
  for (const { subject, judgement } of inspection.findings(state)) {
    if (judgement?.severity === undefined) continue;
    const about = [
      subject.element && `element ${subject.element}`,
      subject.gearset && `gearset ${subject.gearset}`,
      subject.part && `part ${subject.part}`,
    ];
    for (const key of about) if (key) worst.set(key, Math.max(worst.get(key) ?? 0, judgement.severity));
  }
  const conditionOf = (keys: string[]) => {
    const known = keys.flatMap((key) => worst.get(key) ?? []);
    return known.length ? conditionAt(Math.max(...known)) : undefined;
  };
  const parts = (ids: string[]) => ids.map((id) => `part ${id}`);
  const isOut = (station: string | null) =>
    station !== null && valueOf(state, `station.${station}.out`) === true;
  const at = (station: string, ids: string[]) =>
    ids.filter((id) => unit.parts.some((p) => p.id === id && p.station === station));

  const marks: Record<string, DeviceMark> = {};
  for (const e of unit.elements) {
    const own = at(e.station, [...e.feedPath, ...e.powerPath, ...(e.part ? [e.part] : [])]);
    marks[e.id] = { condition: conditionOf([`element ${e.id}`, ...parts(own)]), out: isOut(e.station) };
  }
  for (const set of unit.gearsets) {
    const own = unit.parts
      .filter((p) => p.splits?.away.some((a) => 'gearset' in a && a.gearset === set.id))
      .map((p) => p.id);
    marks[set.id] = { condition: conditionOf([`gearset ${set.id}`, ...parts(own)]), out: isOut(set.station) };
  }
  const converter = unit.parts.find((p) => p.id === unit.converter.part);
  marks.converter = {
    condition: conditionOf(parts([unit.converter.part])),
    out: isOut(converter?.station ?? null),
  };
  const pump = stationOfRole(unit, 'pump-gears', 'pump-cover');
  const pumped = unit.parts.filter((p) => p.station === pump).map((p) => p.id);
  marks.pump = { condition: conditionOf(parts(pumped)), out: isOut(pump) };
  return marks;
}

function conditionAt(severity: number): DeviceMark['condition'] {
  if (severity >= 3) return 'failed';
  return severity >= 1 ? 'worn' : 'sound';
}
