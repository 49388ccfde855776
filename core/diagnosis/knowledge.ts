import type { FactKnowledge } from '@/core/facts';
import type { BehaviourTable } from '@/core/suspects';
import type { CausalKnowledge } from './schema';

/** What ships as knowledge: facts, causes, and what a gear's outcome feels like. */
export interface Knowledge extends FactKnowledge {
  causal: CausalKnowledge;
  behaviour: BehaviourTable;
}
