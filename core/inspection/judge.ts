import { CANNOT_TELL, TAKEDOWN } from '@/core/case';
import type { Finding } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import type { CataloguePoint } from './catalogue';
import { IN_SI, limitOf } from './limits';
import type { Limit } from './limits';
import { OUTSIDE } from './severity';
import { at20 } from './solenoid';
import type { Subject } from './subjects';

/** What a finding says: a level evidence and rules know, and how bad it is where the level tells. */
export interface Judgement {
  level: string;
  severity?: number;
}

/** A number held against the unit's limit. */
export interface Measured extends Judgement {
  level: 'in' | 'under' | 'over' | 'read';
  /** SI, corrected to 20 °C where it is a resistance. */
  value: number;
  limit: Limit | null;
}

/**
 * What a finding says, or null when it says nothing that can be used: it could not be judged, was our own damage, or is
 * words. A resistance without its temperature cannot be judged.
 */
export function judge(
  unit: UnitDefinition,
  subject: Subject,
  { point, levels }: CataloguePoint,
  finding: Finding,
): Judgement | null {
  const { is } = finding;
  if (is === CANNOT_TELL || is === TAKEDOWN || point.field.kind === 'words') return null;
  if (typeof is === 'number') {
    const measured = measure(unit, subject, point, finding);
    return measured && measured.level !== 'read' ? measured : null;
  }
  if (typeof is === 'string') {
    const level = levels.get(is);
    return level ? { level: is, severity: level.severity } : null;
  }
  return mostOf(levels, is);
}

/** An amount by place says as much as its heaviest place. */
function mostOf(levels: CataloguePoint['levels'], amounts: { [place: string]: string }): Judgement | null {
  const ids = [...levels.keys()];
  const most = Math.max(...Object.values(amounts).map((amount) => ids.indexOf(amount)));
  return most < 0 ? null : { level: ids[most]!, severity: levels.get(ids[most]!)!.severity };
}

/** A measured number in SI, beside its limit; null when it is no number of a measure, or lacks its temperature. */
export function measure(
  unit: UnitDefinition,
  subject: Subject,
  { field }: CataloguePoint['point'],
  { is, temperatureC }: Finding,
): Measured | null {
  if (field.kind !== 'measure' || typeof is !== 'number') return null;
  if (field.limit === 'resistance' && temperatureC === undefined) return null;
  const si = is * IN_SI[field.unit];
  const value = field.limit === 'resistance' ? at20(si, temperatureC!) : si;
  const limit = field.limit && limitOf(unit, subject, field.limit);
  if (!limit || (limit.min === undefined && limit.max === undefined)) return { level: 'read', value, limit };
  // A reading at the limit is within it, whatever the binary fraction of its decimals.
  const slack = 1e-9 * Math.max(Math.abs(value), Math.abs(limit.min ?? 0), Math.abs(limit.max ?? 0));
  const outside = field.outside ?? OUTSIDE;
  if (limit.min !== undefined && value < limit.min - slack)
    return { level: 'under', severity: outside, value, limit };
  if (limit.max !== undefined && value > limit.max + slack)
    return { level: 'over', severity: outside, value, limit };
  return { level: 'in', severity: 0, value, limit };
}
