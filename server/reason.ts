import { below } from '@/core/case';
import type { JobState } from '@/core/case';
import { shopDiagnoser } from '@/core/diagnosis';
import type { Diagnosis, Experience } from '@/core/diagnosis';
import { asPriced, buildQuote, couldChange, findingWords, standingCauses } from '@/core/quote';
import type { Clock, QuoteContent, ShopTerms } from '@/core/quote';
import { madeOf, policiesOf, scoper } from '@/core/scope';
import type { MadeScope } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import { knowledge, rules } from './library';

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

/** A quote for a state as it stands now. */
export function quoteState(
  unit: UnitDefinition,
  state: JobState,
  jobNumber: number,
  clock: Clock,
  experience: Experience,
  terms: ShopTerms,
): QuoteContent {
  const diagnosis = diagnoseState(unit, state, experience);
  const without = new Set(below(state, 'quote.without.').map(([id]) => id));
  return buildQuote({
    unit,
    rules,
    knowledge,
    terms,
    state,
    diagnosis,
    causes: standingCauses(state, diagnosis),
    clock,
    jobNumber,
    finding: findingWords(unit, state, diagnosis),
    couldChange: couldChange(diagnosis),
    photos: below(state, 'photo.')
      .filter(([id]) => !without.has(id))
      .map(([id, p]) => ({ id, caption: p.caption ?? '' })),
  });
}

/** The scopes a quote is made of, as they stand now, by the slot that keeps each. */
export function scopesMade(
  unit: UnitDefinition,
  state: JobState,
  experience: Experience,
  terms: ShopTerms,
): [string, MadeScope][] {
  const causes = standingCauses(state, diagnoseState(unit, state, experience));
  const situation = { state, policies: policiesOf(state, terms.policies), causes };
  const scopes = scoper(asPriced(unit, terms), { rules, knowledge }, situation);
  return scopes.open
    .filter((o) => o.barred === null && o.repair !== 'none')
    .map(({ repair }) => [`scope.made.${repair}`, madeOf(scopes.scope(repair))]);
}
