import Ajv from 'ajv';
import type { ErrorObject, ValidateFunction } from 'ajv';
import addFormats from 'ajv-formats';

/** One thing wrong with a document: where (JSON pointer), what, and what to do about it. */
export interface Problem {
  pointer: string;
  message: string;
  remedy: string;
}

export const ajv = addFormats(new Ajv({ allErrors: true, strict: true, allowUnionTypes: true }));

/** At most this many problems are reported: the first ones are what a person can act on. */
const MOST = 50;

export function problemsOf(validate: ValidateFunction, value: unknown): Problem[] {
  return validate(value) ? [] : (validate.errors ?? []).filter(telling).slice(0, MOST).map(toProblem);
}

/** A failed `oneOf` repeats what its branches already say. */
function telling(error: ErrorObject): boolean {
  return !['oneOf', 'if'].includes(error.keyword);
}

function toProblem(error: ErrorObject): Problem {
  const params = error.params as Record<string, unknown>;
  const remedies: Record<string, () => [string, string]> = {
    required: () => [`"${params.missingProperty}" is missing`, `Add "${params.missingProperty}".`],
    additionalProperties: () => [
      `"${params.additionalProperty}" is not known here`,
      'Remove it, or check the spelling.',
    ],
    enum: () => [
      'has a value that is not allowed',
      `Use one of: ${(params.allowedValues as unknown[]).join(', ')}.`,
    ],
    const: () => ['has the wrong value', `Use ${JSON.stringify(params.allowedValue)}.`],
    minItems: () => [`needs at least ${String(params.limit)}`, 'Add what is missing.'],
    maxItems: () => [`holds more than ${String(params.limit)}`, 'Leave some out.'],
    minimum: () => [`must be at least ${String(params.limit)}`, 'Correct the number.'],
    maximum: () => [`must be at most ${String(params.limit)}`, 'Correct the number, and check its unit.'],
    exclusiveMinimum: () => [`must be more than ${String(params.limit)}`, 'Correct the number.'],
    minLength: () => ['is empty', 'Write something here.'],
    maxLength: () => [`is longer than ${String(params.limit)} characters`, 'Say it shorter.'],
    pattern: () => [
      'has characters that are not allowed here',
      'Use letters, digits and hyphens, beginning with a letter or digit.',
    ],
    type: () => [`must be ${String(params.type)}`, `Give ${String(params.type)} here.`],
  };
  const [message, remedy] = remedies[error.keyword]?.() ?? [
    error.message ?? 'is not valid',
    'Correct the value.',
  ];
  return { pointer: error.instancePath, message, remedy };
}
