export { factsOf } from './facts';
export { factWords } from './words';
export { packOf } from './linings';
export { pattern } from './types';
export type { DerivedFact, DerivedFacts, Fact, FactKnowledge } from './types';
