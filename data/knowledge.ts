import { causalSchema } from '@/core/diagnosis';
import type { Knowledge } from '@/core/diagnosis';
import { derivedFactsSchema } from '@/core/facts';
import { behaviourSchema } from '@/core/suspects';
import { catalogueOf } from '@/core/inspection';
import { shipped } from '@/core/format';
import { scopeRulesSchema } from '@/core/scope';
import type { UnitKnowledge } from '@/core/validation';
import { inspection } from './inspection';
import behaviour from './knowledge/behaviour.json';
import causal from './knowledge/causal.json';
import derived from './knowledge/derived-facts.json';
import scopeRules from './policies/scope-rules.json';

/** What ships as knowledge, checked by the tests, so trusted here. */
export const knowledge: Knowledge = {
  causal: shipped(causalSchema, causal),
  behaviour: shipped(behaviourSchema, behaviour),
  derived: shipped(derivedFactsSchema, derived),
  inspection,
};
export const rules = shipped(scopeRulesSchema, scopeRules);

/** What a unit definition is held against. */
export const unitKnowledge: UnitKnowledge = {
  catalogue: catalogueOf(inspection),
  struckRoles: knowledge.causal.roots.flatMap((r) => r.roles ?? []),
  struckKinds: knowledge.causal.roots.flatMap((r) => r.kinds ?? []),
};
