import { CANNOT_TELL, TAKEDOWN } from '@/core/case';
import type { Finding } from '@/core/case';
import type { CataloguePoint } from './catalogue';
import { kindOf } from './field';
import { IN_SI } from './limits';
import type { Limit } from './limits';
import type { Subject } from './subjects';
import type { MeasureUnit } from './schema';

const UNJUDGED: Record<string, string> = {
  [CANNOT_TELL]: 'Cannot tell',
  [TAKEDOWN]: 'Damaged by us in the takedown',
};

/** An answer as a person says it: "Shown by the air test". */
export function levelWords(point: CataloguePoint, level: string): string {
  return point.levels.get(level)?.words ?? UNJUDGED[level] ?? level;
}

/** What is looked at, with whom: "Sun shell, crack". A condition is said of the thing itself. */
export function pointWords(subject: Subject, { file, point }: CataloguePoint): string {
  return file.id === 'part' ? subject.name : `${subject.name}, ${point.words.toLowerCase()}`;
}

/** What was found, in a few words: "1.62 mm", "blue", "heavy in the pan, some on the magnets". */
export function findingWords(point: CataloguePoint, { is }: Finding): string {
  const { field } = point.point;
  return kindOf(field).words(field, is, (level) => levelWords(point, level));
}

/** Decimals a unit is read to. */
const DECIMALS: Partial<Record<MeasureUnit, number>> = { mm: 2, Ω: 1, 'l/min': 1, l: 1 };

/** A value as it is read in its unit, without naming it; hundredths of a millimetre keep a digit more. */
export function readingWords(si: number, unit: MeasureUnit): string {
  const shown = si / IN_SI[unit];
  return unit === 'mm' && Math.abs(shown) < 0.1 ? shown.toFixed(3) : shown.toFixed(DECIMALS[unit] ?? 0);
}

/** A limit as it stands beside the field: "0.20–0.60 mm", "at most 0.20 mm", "new 1.60 mm". Empty where there is none. */
export function measureWords(limit: Limit | null, unit: MeasureUnit): string {
  if (!limit) return '';
  const say = (si: number) => readingWords(si, unit);
  const { min, max, nominal } = limit;
  const bounds =
    min !== undefined && max !== undefined
      ? min === max
        ? `exactly ${say(min)}`
        : `${say(min)}–${say(max)}`
      : min !== undefined
        ? `at least ${say(min)}`
        : max !== undefined
          ? `at most ${say(max)}`
          : '';
  const parts = [nominal === undefined ? '' : `new ${say(nominal)}`, bounds].filter(Boolean);
  return parts.length ? `${parts.join(', ')} ${unit}`.trim() : '';
}
