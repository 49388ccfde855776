import { partState } from '@/core/inspection';
import type { Found } from '@/core/inspection';
import { fact } from './types';
import type { Fact } from './types';

/** A part that was sound where it was looked at, while nobody graded it as a whole, counts for this much. */
const IN_PART = 0.5;

/**
 * The state of each part: the worst of all points that tell of the part itself. What its mates did to it, or what its oil
 * did, are facts of their own.
 */
export function partFacts(found: readonly Found[]): Fact[] {
  const parts = new Map<string, { severity: number; slots: string[]; whole: boolean }>();
  for (const { subject, point, judgement, slot } of found) {
    if (subject.part === null || point.point.counts !== 'part' || judgement?.severity === undefined) continue;
    const known = parts.get(subject.part) ?? { severity: 0, slots: [], whole: false };
    parts.set(subject.part, {
      severity: Math.max(known.severity, judgement.severity),
      slots: [...known.slots, slot],
      whole: known.whole || point.file.of.part?.includes('*') === true,
    });
  }
  return [...parts].map(([id, { severity, slots, whole }]) => ({
    ...fact(`part:${id}`, partState(severity), ...slots),
    severity,
    ...(severity === 0 && !whole
      ? { weight: IN_PART, caution: 'Sound where it was looked at; not graded as a whole.' }
      : {}),
  }));
}
