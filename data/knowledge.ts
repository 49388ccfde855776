import type { Knowledge } from '@/core/diagnosis';
import { catalogueOf } from '@/core/inspection';
import type { ScopeRules } from '@/core/scope';
import type { UnitKnowledge } from '@/core/validation';
import { inspection } from './inspection';
import behaviour from './knowledge/behaviour.json';
import causal from './knowledge/causal.json';
import derived from './knowledge/derived-facts.json';
import scopeRules from './policies/scope-rules.json';

/** What ships as knowledge, checked by the tests, so trusted here. */
export const knowledge = { causal, behaviour, derived, inspection } as unknown as Knowledge;
export const rules = scopeRules as unknown as ScopeRules;

/** What a unit definition is held against. */
export const unitKnowledge: UnitKnowledge = {
  catalogue: catalogueOf(inspection),
  struckRoles: knowledge.causal.roots.flatMap((r) => r.roles ?? []),
  struckKinds: knowledge.causal.roots.flatMap((r) => r.kinds ?? []),
};
