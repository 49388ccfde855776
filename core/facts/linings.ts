import { findingSlot } from '@/core/case';
import type { JobState } from '@/core/case';
import { liningState, MOST_SEVERE, readPack } from '@/core/inspection';
import type { FaceReading, Found, Inspection, PackReading, Side } from '@/core/inspection';
import { frictionElements } from '@/core/unit';
import type { Element } from '@/core/unit';
import { fact } from './types';
import type { Fact } from './types';

/** The pack of an element as the record has it. */
export function packOf(inspection: Inspection, state: JobState, element: Element): PackReading {
  return readPack(element, (index, side) => faceOf(inspection, state, element.id, index, side));
}

function faceOf(
  inspection: Inspection,
  state: JobState,
  element: string,
  index: number,
  side: Side,
): FaceReading | null {
  const slot = findingSlot(`face.${element}.${index}.${side}`, 'heat');
  if (state[slot] === undefined) return null;
  const named = inspection.named(slot);
  const { is } = state[slot].value as { is: string };
  return named?.point.levels.get(is)?.severity ?? 'cannot-tell';
}

/** The linings of packs and bands: how burnt, fused or not, and how the damage of a pack lies. */
export function liningFacts(inspection: Inspection, state: JobState, found: readonly Found[]): Fact[] {
  const byElement = new Map<string, Found[]>();
  for (const f of found) {
    if (f.point.point.counts !== 'lining' || f.judgement?.severity === undefined) continue;
    const element = f.subject.element!;
    const list = byElement.get(element);
    if (list) list.push(f);
    else byElement.set(element, [f]);
  }
  return frictionElements(inspection.unit).flatMap((element) => {
    const own = byElement.get(element.id);
    return own ? liningOf(inspection, state, element, own) : [];
  });
}

/** The file of a steel's faces. */
const STEEL = 'steel-face';

function liningOf(inspection: Inspection, state: JobState, element: Element, own: readonly Found[]): Fact[] {
  // Steels overheat where linings stay sound: they speak for the lining only where nobody looked at it.
  const linings = own.filter((f) => f.point.file.id !== STEEL);
  const severity = Math.max(...(linings.length ? linings : own).map((f) => f.judgement!.severity!));
  const welded = own.some((f) => f.judgement!.severity! >= MOST_SEVERE);
  const slots = own.map((f) => f.slot);
  const reading = element.pack ? packOf(inspection, state, element) : null;
  const lining: Fact = { ...fact(`lining:${element.id}`, liningState(severity), ...slots), severity };
  if (reading && severity === 0 && !seenEnough(reading)) {
    lining.weight = reading.inspected / reading.faces;
    lining.caution = `Only ${reading.inspected} of ${reading.faces} faces were looked at.`;
  }
  // A welded pack is a burnt one that has also fused; a pack that was looked at and is loose has not.
  const { severity: _, ...rest } = lining;
  return [
    { ...lining, level: welded ? 'burnt' : lining.level },
    { ...rest, point: `fused:${element.id}`, level: welded ? 'yes' : 'no' },
    ...(reading ? patternFacts(element, reading, slots) : []),
  ];
}

/** Half of a pack was looked at, or half of its linings: to their being sound the steels then add nothing. */
function seenEnough({ plates, inspected, faces }: PackReading): boolean {
  const linings = plates.filter((p) => p.kind === 'friction').flatMap((p) => [p.faces.a, p.faces.b]);
  const seen = linings.filter((face) => face !== null).length;
  return inspected / faces >= 0.5 || seen / linings.length >= 0.5;
}

/** Overheated steels under sound linings mean dragging; the other patterns say where the oil did not reach. */
function patternFacts(element: Element, { pattern }: PackReading, slots: string[]): Fact[] {
  if (!pattern) return [];
  const dragged = pattern === 'steels-only';
  return [
    { ...fact(`dragged:${element.id}`, dragged ? 'yes' : 'no', ...slots), weight: dragged ? 1 : 0.5 },
    ...(dragged ? [] : [fact(`pattern:${element.id}`, pattern, ...slots)]),
  ];
}
