import type { JobState } from '@/core/case';
import { valueOf } from '@/core/case';
import type { Cause, Diagnosis } from '@/core/diagnosis';

/** The committed cause, with what it was committed on. */
export type CauseCommit = { cause: string; contributing?: string[]; reason: string };

/** The cause a job stands on: committed, or the leading one when it is determined. Null: none yet. */
export function standingCause(state: JobState, diagnosis: Diagnosis): Cause | null {
  const commit = valueOf<CauseCommit>(state, 'cause.commit');
  if (commit) return diagnosis.causes.find((c) => c.id === commit.cause) ?? null;
  return diagnosis.undetermined ? null : (diagnosis.causes[0] ?? null);
}

/** The finding in plain words for the customer: the technician's own where written, else drafted from the chain. */
export function findingWords(state: JobState, diagnosis: Diagnosis): string {
  const own = valueOf<string>(state, 'cause.words');
  if (own) return own;
  const cause = standingCause(state, diagnosis);
  if (!cause) {
    const open = diagnosis.causes.slice(0, 3).map((c) => c.words.toLowerCase());
    return `We have not yet determined what failed first. Still possible: ${open.join('; ')}. Before we say more we want to look further.`;
  }
  const [first, ...rest] = cause.chain;
  const sentences = [`${first?.words ?? cause.words}.`];
  if (rest.length) sentences.push(`What followed: ${rest.map((s) => s.words).join('; ')}.`);
  if (diagnosis.undetermined) sentences.push('We are not fully certain of the first cause and say so.');
  return sentences.join(' ');
}

/** What could still change the price, in words: open causes and things nobody has looked at. */
export function couldChange(diagnosis: Diagnosis): string[] {
  const open = diagnosis.causes.slice(1, 4).filter((c) => c.probability > 0.05);
  return [
    ...open.map((c) => `${c.words} (${Math.round(c.probability * 100)} % likely at this point).`),
    ...diagnosis.nextChecks
      .filter((c) => c.gain > 0.05)
      .slice(0, 2)
      .map((c) => `Not yet done: ${c.words.toLowerCase()}.`),
  ];
}
