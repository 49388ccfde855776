import { CANNOT_TELL, TAKEDOWN, WARMTHS } from '@/core/case';
import type { Finding, Schema } from '@/core/case';
import type { CataloguePoint } from './catalogue';
import { kindOf } from './field';

const UNJUDGED = [CANNOT_TELL, TAKEDOWN];

/** The JSON Schema of a finding at a point. */
export function findingSchema({ point: { field }, levels }: CataloguePoint): Schema<Finding> {
  return {
    type: 'object',
    additionalProperties: false,
    required: ['is'],
    properties: {
      is: kindOf(field).value(field, levels, UNJUDGED),
      where: { type: 'string', minLength: 1, maxLength: 200 },
      note: { type: 'string', minLength: 1, maxLength: 1000 },
      warmth: { enum: WARMTHS },
      temperatureC: { type: 'number', minimum: -60, maximum: 300 },
      pressureKpa: { type: 'number', minimum: 0, maximum: 5000 },
      oilFilm: { type: 'boolean' },
    },
  };
}
