import type { Finding } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import type { Subject } from './subjects';
import type { Point } from './schema';

/** A place in a picture: the reading that holds what was found there, and how it is said. */
export interface PicturePlace {
  id: string;
  words: string;
}

/** Pinions of a set whose number the unit does not state. */
const USUAL_PINIONS = 4;

/** The places a point is painted over, in order; none where it has no picture of places. */
export function picturePlaces(unit: UnitDefinition, subject: Subject, point: Point): PicturePlace[] {
  if (point.picture === 'band')
    return (point.where ?? []).map((words) => ({ id: words.replaceAll(/\W+/g, '-').toLowerCase(), words }));
  if (point.picture !== 'planetary') return [];
  const set = unit.gearsets.find((g) => g.id === subject.ids[0]);
  const count = (set?.kind === 'planetary' && set.pinions?.count) || USUAL_PINIONS;
  return Array.from({ length: count }, (_, k) => ({ id: `pinion-${k + 1}`, words: `pinion ${k + 1}` }));
}

/** Findings of one point by reading; the first look, under '', speaks of every place that has none of its own. */
export type ByPlace = ReadonlyMap<string, Finding>;

/**
 * What is written where some places are painted: pairs of reading ('' for the whole) and finding, null where one is
 * taken back. What was said of the whole goes to the places that were not painted; places all alike, with nothing
 * else said of them, become one finding of the whole.
 */
export function paintPlaces(
  places: readonly PicturePlace[],
  known: ByPlace,
  painted: ReadonlySet<string>,
  is: string | null,
): [string, Finding | null][] {
  const whole = known.get('');
  const next = places.map(({ id, words }): [string, Finding | null] => {
    const own = known.get(id) ?? (whole ? { ...whole, where: words } : null);
    if (!painted.has(id)) return [id, own];
    return [id, is === null ? null : { ...own, is, where: words }];
  });
  const alike = alikeIn(next.map(([, finding]) => finding));
  const after: [string, Finding | null][] = alike
    ? [['', alike], ...next.map(([id]): [string, null] => [id, null])]
    : [['', null], ...next];
  return after.filter(([id, finding]) => !same(known.get(id) ?? null, finding));
}

/** The finding that says the same of every place; null where they differ, or more is said of one. */
function alikeIn(findings: readonly (Finding | null)[]): Finding | null {
  const [first, ...rest] = findings.map((f) => {
    if (!f) return null;
    const { where: _, ...said } = f;
    return said;
  });
  return first && rest.every((f) => f !== null && same(first, f)) ? first : null;
}

function same(a: Finding | null, b: Finding | null): boolean {
  if (a === null || b === null) return a === b;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]) as Set<keyof Finding>;
  return [...keys].every((key) => a[key] === b[key]);
}
