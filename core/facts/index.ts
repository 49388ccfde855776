export { factsOf } from './facts';
export { answerWords, factWords } from './words';
export { packOf } from './linings';
export { partFact } from './parts';
export { fact, pattern } from './types';
export { derivedFactsSchema } from './schema';
export type { Fact, FactKnowledge } from './types';
export { about, endMark, filled, marksIn } from './marks';
