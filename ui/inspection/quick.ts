import { findingSlot } from '@/core/case';
import type { Json } from '@/core/case';
import type { CataloguePoint, Inspection, Subject } from '@/core/inspection';

/** The point a row answers without being opened. */
export function quickPoint(inspection: Inspection, subject: Subject): CataloguePoint | null {
  return [...inspection.points(subject).values()].find((p) => p.point.quick) ?? null;
}

/** What "the rest is sound" writes for a subject nobody has looked at: its sound answer, by name. Empty: it has none. */
export function soundOf(inspection: Inspection, subject: Subject): [string, Json][] {
  const point = quickPoint(inspection, subject);
  const sound = point && [...point.levels.values()].find((l) => l.severity === 0);
  return sound ? [[findingSlot(subject.slot, point.point.id), { is: sound.id }]] : [];
}
