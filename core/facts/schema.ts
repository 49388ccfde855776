import { array, conditions, literal, optional, plainName, said, shape, text } from '@/core/format';
import type { Of } from '@/core/format';

const name = plainName;

const derivedFact = shape({
  point: name,
  level: name,
  any: said('Any of these is enough: point=level|level', array(conditions, { minItems: 1 })),
});

/** `data/knowledge/derived-facts.json`. */
export const derivedFactsSchema = shape({
  format: literal('pelvik-derived-facts/1'),
  note: optional(text(2000)),
  facts: array(derivedFact),
});
export type DerivedFacts = Of<typeof derivedFactsSchema>;
