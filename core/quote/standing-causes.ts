import type { JobState } from '@/core/case';
import { valueOf } from '@/core/case';
import type { Cause, Ranking } from '@/core/diagnosis';

/** The committed cause, with what it was committed on. */
export type CauseCommit = { cause: string; contributing?: string[]; reason: string };

/** The cause a job stands on: committed, or the leading one when it is determined. Null: none yet. */
export function standingCause(state: JobState, diagnosis: Ranking): Cause | null {
  const commit = valueOf(state, 'cause.commit');
  if (commit) return diagnosis.causes.find((c) => c.id === commit.cause) ?? null;
  return diagnosis.undetermined ? null : (diagnosis.causes[0] ?? null);
}

/** What a scope is built on: the standing cause, and what was committed as contributing. */
export function standingCauses(state: JobState, diagnosis: Ranking): Cause[] {
  const first = standingCause(state, diagnosis);
  const besides = valueOf(state, 'cause.commit')?.contributing ?? [];
  return first ? [first, ...diagnosis.causes.filter((c) => c !== first && besides.includes(c.id))] : [];
}
