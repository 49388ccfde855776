import { below } from '@/core/case';
import type { JobState } from '@/core/case';
import { diagnoser } from '@/core/diagnosis';
import type { Diagnosis } from '@/core/diagnosis';
import { buildQuote, couldChange, findingWords, standingCause } from '@/core/quote';
import type { QuoteContent } from '@/core/quote';
import { knowledge, rules, terms, unitById } from './library';

const compiled = new Map<string, (state: JobState) => Diagnosis>();

/** The diagnosis of a state; a unit's model is compiled once per process. */
export function diagnoseState(unitId: string, state: JobState): Diagnosis {
  let diagnose = compiled.get(unitId);
  if (!diagnose) {
    diagnose = diagnoser(unitById(unitId), knowledge);
    compiled.set(unitId, diagnose);
  }
  return diagnose(state);
}

/** A quote for a state as it stands today (YYYY-MM-DD). */
export function quoteState(unitId: string, state: JobState, jobNumber: number, today: string): QuoteContent {
  const diagnosis = diagnoseState(unitId, state);
  return buildQuote({
    unit: unitById(unitId),
    rules,
    terms,
    state,
    diagnosis,
    cause: standingCause(state, diagnosis),
    today,
    jobNumber,
    finding: findingWords(unitById(unitId), state, diagnosis),
    couldChange: couldChange(diagnosis),
    photos: below<{ about: string; caption?: string }>(state, 'photo.').map(([id, p]) => ({
      id,
      caption: p.caption ?? '',
    })),
  });
}

/** Today by the server's clock. */
export function today(): string {
  return new Date().toISOString().slice(0, 10);
}
