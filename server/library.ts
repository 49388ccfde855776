import type { Knowledge } from '@/core/diagnosis';
import type { ShopTerms } from '@/core/quote';
import type { ScopeRules } from '@/core/scope';
import { catalogueOf, inspectionOf, stageOfIn } from '@/core/inspection';
import type { Inspection } from '@/core/inspection';
import type { UnitDefinition } from '@/core/unit';
import { knowledge, rules } from '@/data/knowledge';
import shop from '@/data/prices/shop.json';

export { knowledge, rules };

/** The shop's terms: checked by the tests, so trusted here. */
export const terms = shop as unknown as ShopTerms;

const catalogue = catalogueOf(knowledge.inspection);

/** What can be looked at on a unit. */
export const inspect = (unit: UnitDefinition): Inspection => inspectionOf(unit, catalogue);

/** The stage each slot of a job belongs to. */
export const stageOf = stageOfIn(catalogue);

/** Everything a job page reasons with. */
export interface Library {
  unit: UnitDefinition;
  knowledge: Knowledge;
  rules: ScopeRules;
  terms: ShopTerms;
}

const texts = new WeakMap<UnitDefinition, string>();

/** A unit's `Library` as JSON, written once per process. */
export function libraryText(unit: UnitDefinition): string {
  let text = texts.get(unit);
  if (!text) {
    const library: Library = { unit, knowledge, rules, terms };
    texts.set(unit, (text = JSON.stringify(library)));
  }
  return text;
}
