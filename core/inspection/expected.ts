import type { JobState, SubjectHead } from '@/core/case';
import type { Stage } from '@/core/stage';
import type { Inspection } from './inspection';
import { pointWords } from './words';

/** What the catalogue expects of every job and this record does not have yet, in words; of one stage. */
export function stillExpected(inspection: Inspection, state: JobState, stage: Stage): string[] {
  const { unit, catalogue } = inspection;
  const slots = Object.keys(state);
  const ids: Partial<Record<SubjectHead, readonly string[]>> = {
    unit: catalogue.files.flatMap((f) => f.of.unit ?? []),
    part: unit.parts.map((p) => p.id),
    element: unit.elements.map((e) => e.id),
    gearset: unit.gearsets.map((g) => g.id),
    solenoid: unit.solenoids.map((s) => s.id),
    sensor: unit.sensors.map((s) => s.id),
  };
  const expecting = catalogue.files.filter((f) => f.stage === stage && f.points.some((p) => p.expected));
  const heads = new Set(expecting.flatMap((f) => Object.keys(f.of) as SubjectHead[]));
  return [...heads].flatMap((head) =>
    [...new Set(ids[head] ?? [])].flatMap((id) => {
      const subject = inspection.subject(head, [id]);
      if (!subject) return [];
      return [...inspection.points(subject).values()]
        .filter((p) => p.point.expected && p.file.stage === stage)
        .filter(({ point }) => !slots.some((s) => isOf(s, `${subject.slot}.${point.id}`)))
        .map((point) => pointWords(subject, point));
    }),
  );
}

const isOf = (slot: string, finding: string) => slot === finding || slot.startsWith(`${finding}.`);
