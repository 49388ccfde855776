import type { Knowledge } from '@/core/diagnosis';
import type { ShopTerms } from '@/core/quote';
import type { ScopeRules } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import behaviour from '@/data/knowledge/behaviour.json';
import causal from '@/data/knowledge/causal.json';
import scopeRules from '@/data/policies/scope-rules.json';
import shop from '@/data/prices/shop.json';

/** What ships as data: checked by the tests, so it is trusted here. */
export const knowledge = { causal, behaviour } as unknown as Knowledge;
export const rules = scopeRules as unknown as ScopeRules;
export const terms = shop as unknown as ShopTerms;

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
