import Ajv from 'ajv';
import type { ErrorObject, ValidateFunction } from 'ajv';
import addFormats from 'ajv-formats';

/** One thing wrong with a document: where (JSON pointer), what, and what to do about it. */
export interface Problem {
  pointer: string;
  message: string;
  remedy: string;
}

/** Formats of our own: a calendar day that exists, and a moment PostgreSQL can keep, both within living memory. */
function ours(instance: Ajv): Ajv {
  addFormats(instance);
  instance.addFormat('day', isDay);
  instance.addFormat('moment', isMoment);
  return instance;
}

/** For documents a person repairs: every problem is collected. */
const ajv = ours(new Ajv({ allErrors: true, strict: true, allowUnionTypes: true }));
/** For what a machine sends, one value at a time: stops at the first problem, so that its cost is bounded. */
export const strictAjv = ours(new Ajv({ allErrors: false, strict: true, allowUnionTypes: true }));

function isDay(text: string): boolean {
  if (!/^(19[5-9]\d|20\d\d)-\d\d-\d\d$/.test(text)) return false;
  const day = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(day.getTime()) && day.toISOString().startsWith(text);
}

function isMoment(text: string): boolean {
  return isDay(text.slice(0, 10)) && /^.{10}T([01]\d|2[0-3]):[0-5]\d:[0-5]\d(\.\d{1,6})?Z$/.test(text);
}

/** At most this many problems are reported: the first ones are what a person can act on. */
const MOST = 50;

/** Checks by a schema, which is compiled when the first value comes: most programs that know a schema never meet one. */
export function validator<T = unknown>(schema: object, by = ajv): () => ValidateFunction<T> {
  let made: ValidateFunction<T> | undefined;
  return () => (made ??= by.compile<T>(schema));
}

export function problemsOf(validator: () => ValidateFunction, value: unknown): Problem[] {
  const validate = validator();
  return validate(value) ? [] : (validate.errors ?? []).filter(telling).slice(0, MOST).map(toProblem);
}

/** A failed `oneOf` repeats what its branches already say. */
function telling(error: ErrorObject): boolean {
  return !['oneOf', 'if'].includes(error.keyword);
}

const FORMAT_WORDS: Record<string, [string, string]> = {
  day: ['is not a day between 1950 and 2099', 'Write it as YYYY-MM-DD.'],
  moment: ['is not a time between 1950 and 2099', 'Write it as YYYY-MM-DDThh:mm:ssZ.'],
};

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
    uniqueItems: () => ['holds the same twice', 'Remove one of them.'],
    format: () => FORMAT_WORDS[String(params.format)] ?? ['has the wrong form', 'Correct the value.'],
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
