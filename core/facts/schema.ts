import { array, literal, optional, said, shape, string, text } from '@/core/format';
import type { Of } from '@/core/format';

const name = string({ pattern: '^[a-z][a-z0-9-]{0,59}$' });

const derivedFact = shape({
  point: name,
  level: name,
  any: said(
    'Any of these is enough: point=level|level',
    array(string({ pattern: '^[^=]+=[^=]+$' }), { minItems: 1 }),
  ),
});
export type DerivedFact = Of<typeof derivedFact>;

/** `data/knowledge/derived-facts.json`. */
export const derivedFactsSchema = shape({
  format: literal('pelvik-derived-facts/1'),
  note: optional(text(2000)),
  facts: array(derivedFact),
});
export type DerivedFacts = Of<typeof derivedFactsSchema>;
