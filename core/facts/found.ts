import { TAKEDOWN } from '@/core/case';
import type { Finding } from '@/core/case';
import { kindOf } from '@/core/inspection';
import type { Found, Weakening } from '@/core/inspection';
import { fact, pattern } from './types';
import type { Fact } from './types';

/**
 * What the findings say, point by point. Several readings of one point are one fact: the worst counts, and of equally
 * bad ones that which was made under the best conditions.
 */
export function pointFacts(found: readonly Found[], job: readonly Fact[]): Fact[] {
  const facts = new Map<string, Fact>();
  for (const f of found) {
    for (const next of factsOfFinding(f, job)) {
      const known = facts.get(next.point);
      facts.set(next.point, known ? worse(known, next) : next);
    }
  }
  return [...facts.values()];
}

/** The target of a finding's facts: plates and faces speak for their element. */
export function targetOf({ subject }: Found): string | null {
  if (subject.head === 'unit') return null;
  return subject.head === 'plate' || subject.head === 'face' ? subject.element! : subject.ids[0]!;
}

function factsOfFinding(found: Found, job: readonly Fact[]): Fact[] {
  const { slot, finding, judgement, point } = found;
  const target = targetOf(found);
  const suffix = target === null ? '' : `:${target}`;
  if (finding.is === TAKEDOWN) return [fact(`takedown${suffix}`, 'yes', slot)];
  if (!judgement) return [];
  const own: Fact = {
    ...fact(`${point.key}${suffix}`, judgement.level, slot),
    ...weightOf(point.point.weakens ?? [], finding, judgement.level, job),
    ...(judgement.severity === undefined ? {} : { severity: judgement.severity }),
  };
  const given = (point.point.gives ?? []).map(({ fact: name, yes }): Fact => {
    const seen = yes.includes(judgement.level);
    // Seen once is seen, whatever a second look said.
    return { ...own, point: `${name}${suffix}`, level: seen ? 'yes' : 'no', severity: seen ? 1 : 0 };
  });
  return [own, ...given, ...whereOf(found, suffix), ...byPlace(found, suffix)];
}

/** What held a filter back: each kind is a fact of its own, beside the heaviest of them. */
function byPlace({ slot, finding, point }: Found, suffix: string): Fact[] {
  if (typeof finding.is !== 'object' || targetless(suffix)) return [];
  return Object.entries(finding.is).map(([place, amount]) =>
    fact(`${point.key}.${place}${suffix}`, amount, slot),
  );
}

/** Debris of the whole unit is told apart by kind already; its places say where, not what. */
const targetless = (suffix: string) => suffix === '';

/** Where a test bubbled points at a part, not only at the element: a fact of its own for the place. */
function whereOf({ slot, finding, judgement, point }: Found, suffix: string): Fact[] {
  if (finding.where === undefined || !kindOf(point.point.field).underConditions || !judgement!.severity)
    return [];
  return [fact(`bubbled.${finding.where.replaceAll(' ', '-')}${suffix}`, 'yes', slot)];
}

function weightOf(
  weakens: readonly Weakening[],
  finding: Finding,
  level: string,
  job: readonly Fact[],
): { weight: number; caution?: string } {
  const hit = weakens.find(
    (w) =>
      (w.levels?.includes(level) ?? true) &&
      (w.job ?? []).every((text) => holds(job, text)) &&
      (w.under ?? []).every(({ condition, below, is, otherwise }) => {
        const value = finding[condition] ?? otherwise;
        return below === undefined ? value === is : typeof value === 'number' && value < below;
      }),
  );
  return hit ? { weight: hit.weight, caution: hit.caution } : { weight: 1 };
}

/** True when one of the facts is `point=level|level`. */
export function holds(facts: readonly Fact[], text: string): boolean {
  const { point, levels } = pattern(text);
  return facts.some((f) => f.point === point && levels.includes(f.level));
}

function worse(a: Fact, b: Fact): Fact {
  if (a.level === b.level) {
    const better = a.weight >= b.weight ? a : b;
    return { ...better, slots: [...a.slots, ...b.slots] };
  }
  const [x, y] = [a.severity ?? 0, b.severity ?? 0];
  return y > x || (y === x && b.weight > a.weight) ? b : a;
}
