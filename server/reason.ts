import { below } from '@/core/case';
import type { JobState } from '@/core/case';
import { diagnoser } from '@/core/diagnosis';
import type { Diagnosis } from '@/core/diagnosis';
import { buildQuote, couldChange, findingWords, standingCause } from '@/core/quote';
import type { QuoteContent } from '@/core/quote';
import type { UnitDefinition } from '@/core/unit';
import { knowledge, rules, terms } from './library';

const compiled = new WeakMap<UnitDefinition, (state: JobState) => Diagnosis>();

/** The diagnosis of a state; a unit's model is compiled once per process. */
export function diagnoseState(unit: UnitDefinition, state: JobState): Diagnosis {
  let diagnose = compiled.get(unit);
  if (!diagnose) compiled.set(unit, (diagnose = diagnoser(unit, knowledge)));
  return diagnose(state);
}

/** A quote for a state as it stands today (YYYY-MM-DD). */
export function quoteState(
  unit: UnitDefinition,
  state: JobState,
  jobNumber: number,
  today: string,
): QuoteContent {
  const diagnosis = diagnoseState(unit, state);
  return buildQuote({
    unit,
    rules,
    knowledge,
    terms,
    state,
    diagnosis,
    cause: standingCause(state, diagnosis),
    today,
    jobNumber,
    finding: findingWords(unit, state, diagnosis),
    couldChange: couldChange(diagnosis),
    photos: below(state, 'photo.').map(([id, p]) => ({
      id,
      caption: p.caption ?? '',
    })),
  });
}

/** Today by the server's clock. */
export function today(): string {
  return new Date().toISOString().slice(0, 10);
}
