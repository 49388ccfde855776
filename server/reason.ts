import { below } from '@/core/case';
import type { JobState } from '@/core/case';
import { shopDiagnoser } from '@/core/diagnosis';
import type { Diagnosis, Experience } from '@/core/diagnosis';
import { buildQuote, couldChange, findingWords, standingCause } from '@/core/quote';
import type { QuoteContent } from '@/core/quote';
import type { UnitDefinition } from '@/core/unit';
import { knowledge, rules, terms } from './library';

interface Compiled {
  experience: string;
  diagnose: (state: JobState) => Diagnosis;
}
const compiled = new WeakMap<UnitDefinition, Compiled>();

/** The diagnosis of a state; a unit's model is compiled once per process, and anew when the shop has learnt more. */
export function diagnoseState(unit: UnitDefinition, state: JobState, experience: Experience): Diagnosis {
  const key = JSON.stringify(experience);
  let known = compiled.get(unit);
  if (known?.experience !== key) {
    known = { experience: key, diagnose: shopDiagnoser(unit, knowledge, experience) };
    compiled.set(unit, known);
  }
  return known.diagnose(state);
}

/** A quote for a state as it stands today (YYYY-MM-DD). */
export function quoteState(
  unit: UnitDefinition,
  state: JobState,
  jobNumber: number,
  today: string,
  experience: Experience,
): QuoteContent {
  const diagnosis = diagnoseState(unit, state, experience);
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
