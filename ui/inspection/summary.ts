import { findingName } from '@/core/case';
import type { Finding } from '@/core/case';
import { findingWords, judge, kindOf, toneOf } from '@/core/inspection';
import type { CataloguePoint, Inspection, Subject, Tone } from '@/core/inspection';

export interface RowSummary {
  /** What was found, the worst first, in a line; empty when nobody looked. */
  words: string;
  tone: Tone | undefined;
}

/** What the record says of one subject, from its stored findings as [point.reading, finding]. */
export function summaryOf(
  inspection: Inspection,
  subject: Subject,
  stored: readonly (readonly [string, Finding])[],
): RowSummary {
  const points = inspection.points(subject);
  const said = stored.flatMap(([rest, finding]) => {
    const name = findingName(`${subject.slot}.${rest}`);
    const point = name && points.get(name.point);
    if (!point) return [];
    const severity = judge(inspection.unit, subject, point, finding)?.severity;
    return [{ words: saidOf(point, finding), severity }];
  });
  said.sort((a, b) => (b.severity ?? 0) - (a.severity ?? 0));
  const worst = said.some((s) => s.severity !== undefined)
    ? Math.max(...said.map((s) => s.severity ?? 0))
    : undefined;
  return { words: said.map((s) => s.words).join('; '), tone: toneOf(worst) };
}

/** A condition is said by itself; anything else with its name. */
function saidOf(point: CataloguePoint, finding: Finding): string {
  const place = point.point.picture && finding.where ? ` (${finding.where})` : '';
  const words = findingWords(point, finding) + place;
  return point.file.id === 'part' || kindOf(point.point.field).saysItself
    ? words
    : `${point.point.words.toLowerCase()} ${words}`;
}
