export { factsOf } from './facts';
export { answerWords, factWords } from './words';
export { packOf } from './linings';
export { partFact } from './parts';
export { fact, pattern } from './types';
export type { DerivedFact, DerivedFacts, Fact, FactKnowledge } from './types';
