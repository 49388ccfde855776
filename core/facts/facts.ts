import type { JobState } from '@/core/case';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import type { UnitDefinition } from '@/core/unit';
import { pointFacts } from './found';
import { liningFacts } from './linings';
import { partFacts } from './parts';
import { recordFacts } from './record';
import { pattern } from './types';
import type { DerivedFacts } from './schema';
import type { Fact, FactKnowledge } from './types';

/** Everything a job's record says, but for the complaint gear by gear. */
export function factsOf(unit: UnitDefinition, state: JobState, knowledge: FactKnowledge): Fact[] {
  const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));
  const record = recordFacts(unit, state);
  const found = inspection.findings(state);
  const facts = [
    ...record,
    ...pointFacts(found, record),
    ...partFacts(found),
    ...liningFacts(inspection, state, found),
  ];
  return [...facts, ...derivedFacts(facts, knowledge.derived)];
}

/** What follows from the facts: each derived fact stands once, on everything that gives it. */
function derivedFacts(facts: readonly Fact[], { facts: rules }: DerivedFacts): Fact[] {
  return rules.flatMap(({ point, level, any }) => {
    const patterns = any.map(pattern);
    const from = facts.filter((f) => patterns.some((p) => p.point === f.point && p.levels.includes(f.level)));
    return from.length
      ? [{ point, level, slots: [...new Set(from.flatMap((f) => f.slots))], weight: 1 }]
      : [];
  });
}
