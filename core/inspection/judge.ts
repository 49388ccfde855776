import { CANNOT_TELL, TAKEDOWN } from '@/core/case';
import type { Finding } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import type { CataloguePoint } from './catalogue';
import { kindOf, measured, measureOf } from './field';
import type { Judgement, Measured } from './judgement';
import type { Subject } from './subjects';

/**
 * What a finding says, or null when it says nothing that can be used: it could not be judged, was our own damage, or is
 * words. A resistance without its temperature cannot be judged.
 */
export function judge(
  unit: UnitDefinition,
  subject: Subject,
  { point: { field }, levels }: CataloguePoint,
  finding: Finding,
): Judgement | null {
  if (finding.is === CANNOT_TELL || finding.is === TAKEDOWN) return null;
  return kindOf(field).judge(field, levels, { unit, subject, finding });
}

/** A measured number in SI, beside its limit; null when it is no number of a measure, or lacks its temperature. */
export function measure(
  unit: UnitDefinition,
  subject: Subject,
  point: CataloguePoint['point'],
  finding: Finding,
): Measured | null {
  const field = measureOf(point);
  return field && measured(field, { unit, subject, finding });
}
