import { partState } from '@/core/inspection';
import type { Found } from '@/core/inspection';
import { fact } from './types';
import type { Fact, Reading } from './types';

/** A part that was sound where it was looked at, while nobody graded it as a whole, counts for this much. */
const IN_PART = 0.5;

/**
 * The state of each part: the worst of all points that tell of the part itself. What its mates did to it, or what its oil
 * did, are facts of their own.
 */
export function partFacts(found: readonly Found[]): Fact[] {
  const parts = new Map<string, Reading[]>();
  for (const { subject, point, judgement, slot } of found) {
    if (subject.part === null || point.point.counts !== 'part' || judgement?.severity === undefined) continue;
    const whole = point.file.of.part?.includes('*') === true;
    const readings = [...(parts.get(subject.part) ?? []), { slot, severity: judgement.severity, whole }];
    parts.set(subject.part, readings);
  }
  return [...parts].map(([id, readings]) => partFact(id, readings));
}

/** The state of a part by some of what was read of it. */
export function partFact(id: string, readings: readonly Reading[]): Fact {
  const severity = Math.max(...readings.map((r) => r.severity));
  return {
    ...fact(`part:${id}`, partState(severity), ...readings.map((r) => r.slot)),
    severity,
    readings,
    ...(severity === 0 && !readings.some((r) => r.whole)
      ? { weight: IN_PART, caution: 'Sound where it was looked at; not graded as a whole.' }
      : {}),
  };
}
