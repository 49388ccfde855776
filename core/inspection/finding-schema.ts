import { CANNOT_TELL, TAKEDOWN, WARMTHS } from '@/core/case';
import type { Finding, Schema } from '@/core/case';
import type { CataloguePoint } from './catalogue';

const UNJUDGED = [CANNOT_TELL, TAKEDOWN];

/** The JSON Schema of a finding at a point. */
export function findingSchema(point: CataloguePoint): Schema<Finding> {
  return {
    type: 'object',
    additionalProperties: false,
    required: ['is'],
    properties: {
      is: valueSchema(point),
      where: { type: 'string', minLength: 1, maxLength: 200 },
      note: { type: 'string', minLength: 1, maxLength: 1000 },
      warmth: { enum: WARMTHS },
      temperatureC: { type: 'number', minimum: -60, maximum: 300 },
      pressureKpa: { type: 'number', minimum: 0, maximum: 5000 },
      oilFilm: { type: 'boolean' },
    },
  };
}

function valueSchema({ point: { field }, levels }: CataloguePoint): Schema {
  const words = [...levels.keys()];
  switch (field.kind) {
    case 'scale':
    case 'choice':
    case 'test':
      return { enum: [...words, ...UNJUDGED] };
    case 'measure':
      return { anyOf: [{ type: 'number', minimum: field.min, maximum: field.max }, { enum: UNJUDGED }] };
    case 'amounts':
      return {
        anyOf: [
          {
            type: 'object',
            additionalProperties: false,
            minProperties: 1,
            properties: Object.fromEntries(field.places.map(({ id }) => [id, { enum: words }])),
          },
          { enum: UNJUDGED },
        ],
      };
    case 'words':
      return { type: 'string', minLength: 1, maxLength: 2000 };
  }
}
