import schema from '@/docs/formats/offers.schema.json';
import { validator, problemsOf } from './problem';
import type { Problem } from './problem';

const { definitions, ...answer } = schema;
const validateAnswer = validator(answer);
const validateOffer = validator(definitions.offer);

/** Problems of a supplier's answer as a whole, whatever its offers say. */
export const checkAnswer = (value: unknown): Problem[] => problemsOf(validateAnswer, value);

/** Problems of one offer: a wrong one is left out, the others stand. */
export const checkOffer = (value: unknown): Problem[] => problemsOf(validateOffer, value);
