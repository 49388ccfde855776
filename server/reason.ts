import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';
import { below } from '@/core/case';
import type { JobState } from '@/core/case';
import { shopDiagnoser } from '@/core/diagnosis';
import type { Diagnosis, Experience } from '@/core/diagnosis';
import { buildQuote, couldChange, findingWords, standingCauses } from '@/core/quote';
import { asPriced } from '@/core/shop';
import type { Clock, QuoteContent } from '@/core/quote';
import type { ShopTerms } from '@/core/shop';
import { madeOf, policiesOf, scoper } from '@/core/scope';
import type { MadeScope } from '@/core/scope';
import { TooLarge } from '@/core/inference';
import type { UnitDefinition } from '@/core/unit';
import { inBackground } from './background';
import { knowledge, rules } from './library';
import { UserError } from './problem';

/**
 * Table entries a verdict may need on the thread that answers everybody (the units that ship need at most 2^17.9, and take
 * 50 ms); one that needs more is made in the background, up to what can be reasoned about at all.
 */
const HERE = 2 ** 18;

/** So many judged records of a unit are kept: the same one is asked for by every look at its quotes. */
const KEPT = 24;

interface Compiled {
  experience: string;
  diagnose: (state: JobState) => Diagnosis;
  /** By the digest of the record. */
  judged: LRUCache<string, Diagnosis>;
  /** `nowhere`: beyond what can be reasoned about, and not tried again at every look. */
  where: 'here' | 'background' | 'nowhere';
}
const compiled = new WeakMap<UnitDefinition, Compiled>();

/**
 * The diagnosis of a state; a unit's model is compiled once per process, and anew when the shop has learnt more, and the
 * same record is judged once. Throws a UserError 422 for a unit whose model is beyond what can be reasoned about.
 */
export async function diagnoseState(
  unit: UnitDefinition,
  state: JobState,
  experience: Experience,
): Promise<Diagnosis> {
  const key = JSON.stringify(experience);
  let known = compiled.get(unit);
  if (known?.experience !== key) {
    const diagnose = shopDiagnoser(unit, knowledge, experience, HERE);
    known = { experience: key, diagnose, judged: new LRUCache({ max: KEPT }), where: 'here' };
    compiled.set(unit, known);
  }
  const record = createHash('sha256').update(JSON.stringify(state)).digest('base64');
  const diagnosis = known.judged.get(record) ?? (await judged(known, unit, state, experience));
  known.judged.set(record, diagnosis);
  return diagnosis;
}

async function judged(
  known: Compiled,
  unit: UnitDefinition,
  state: JobState,
  experience: Experience,
): Promise<Diagnosis> {
  if (known.where === 'here')
    try {
      return known.diagnose(state);
    } catch (error) {
      if (!(error instanceof TooLarge)) throw error;
      known.where = 'background';
    }
  const diagnosis =
    known.where === 'background' ? await inBackground('diagnose', { unit, state, experience }) : null;
  if (diagnosis) return diagnosis;
  known.where = 'nowhere';
  throw tooLarge(unit);
}

const tooLarge = (unit: UnitDefinition) =>
  new UserError(
    422,
    `${unit.name} is larger than Pelvik can reason about: its jobs are recorded, but not judged.`,
    'Describe the unit with fewer elements or shared parts, as a new version; new jobs will use it.',
  );

/** A quote for a state as it stands now. */
export async function quoteState(
  unit: UnitDefinition,
  state: JobState,
  jobNumber: number,
  clock: Clock,
  experience: Experience,
  terms: ShopTerms,
): Promise<QuoteContent> {
  const diagnosis = await diagnoseState(unit, state, experience);
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
export async function scopesMade(
  unit: UnitDefinition,
  state: JobState,
  experience: Experience,
  terms: ShopTerms,
): Promise<[string, MadeScope][]> {
  const causes = standingCauses(state, await diagnoseState(unit, state, experience));
  const situation = { state, policies: policiesOf(state, terms.policies), causes };
  const scopes = scoper(asPriced(unit, terms), { rules, knowledge }, situation);
  return scopes.open
    .filter((o) => o.barred === null && o.repair !== 'none')
    .map(({ repair }) => [`scope.made.${repair}`, madeOf(scopes.scope(repair))]);
}
