declare const of: unique symbol;
declare const mayLack: unique symbol;
/** A JSON Schema as plain data, with the type of what it lets through; Ajv compiles it at the edges. */
export type Schema<T = unknown> = { readonly [key: string]: unknown } & { readonly [of]?: T };
/** What a schema lets through. */
export type Of<S> = S extends Schema<infer T> ? T : never;
/** A field that need not be there. */
export type Optional<T = unknown> = Schema<T> & { readonly [mayLack]?: true };

/** Bounds of a number. */
interface Within {
  minimum?: number;
  exclusiveMinimum?: number;
  maximum?: number;
  exclusiveMaximum?: number;
}
interface Length {
  minLength?: number;
  maxLength?: number;
}
interface Count {
  minItems?: number;
  maxItems?: number;
  uniqueItems?: true;
}

export const text = (maxLength: number): Schema<string> => ({ type: 'string', minLength: 1, maxLength });
/** A text that may be empty. */
export const words = (maxLength: number): Schema<string> => ({ type: 'string', maxLength });
export const string = (bounds: Length & { pattern?: string }): Schema<string> => ({
  type: 'string',
  ...bounds,
});
/** A name in the knowledge: small letters, digits and hyphens. */
export const plainName = string({ pattern: '^[a-z][a-z0-9-]{0,59}$' });
/** Conditions that hold together, each `point=level|level`. */
export const conditions = string({ pattern: '^[^=]+=[^=]+$' });
/** `YYYY-MM-DD`, a day there is. */
export const day: Schema<string> = { type: 'string', format: 'day' };
/** ISO 8601, UTC. */
export const moment: Schema<string> = { type: 'string', format: 'moment' };
/** Whatever JSON can say. */
export const anything: Schema = {};
export const literal = <const V extends string | number | boolean>(value: V): Schema<V> => ({ const: value });
export const oneOf = <const V extends string | number | null>(values: readonly V[]): Schema<V> => ({
  enum: values,
});
export const number = (minimum: number, maximum: number): Schema<number> => ({
  type: 'number',
  minimum,
  maximum,
});
export const integer = (minimum: number, maximum: number): Schema<number> => ({
  type: 'integer',
  minimum,
  maximum,
});
export const numberWithin = (bounds: Within): Schema<number> => ({ type: 'number', ...bounds });
export const yesNo: Schema<boolean> = { type: 'boolean' };
const nothing: Schema<null> = { type: 'null' };

/** The same, told to whoever reads the schema. */
export const said = <S extends Schema>(description: string, schema: S): S => ({ ...schema, description });
export const optional = <T>(schema: Schema<T>): Optional<T> => ({ ...schema, [LACKS]: true }) as Optional<T>;
/** The same, with what it is in a document from before it could be said. */
export const usually = <T>(usual: T, schema: Schema<T>): Schema<T> => ({ ...schema, default: usual });
/** A document with what it does not say as it usually is. */
export const withUsual = <T extends object>(schema: Schema<T>, document: T): T => {
  const fields = Object.entries(schema.properties as Record<string, Schema>);
  const usual = fields.flatMap(([key, field]) => ('default' in field ? [[key, field.default]] : []));
  return { ...Object.fromEntries(usual), ...document };
};
/** Told apart while a shape is made; the schema itself has no place for it. */
const LACKS = Symbol('may lack');

export const either = <S extends Schema[]>(...anyOf: S): Schema<Of<S[number]>> => ({ anyOf });
export const exactlyOne = <S extends Schema[]>(...oneOf: S): Schema<Of<S[number]>> => ({ oneOf });
export const orNull = <T>(schema: Schema<T>): Schema<T | null> =>
  typeof schema.type === 'string'
    ? {
        ...schema,
        type: [schema.type, 'null'],
        ...(schema.enum ? { enum: [...(schema.enum as []), null] } : {}),
      }
    : { anyOf: [schema, nothing] };

/** The fields of an object: those named are always there. */
type Fields<P, R> = { [K in keyof P as K extends R ? K : never]: Of<P[K]> } & {
  [K in keyof P as K extends R ? never : K]?: Of<P[K]>;
};
type Flat<T> = { [K in keyof T]: T[K] };
type Lacking<P> = { [K in keyof P]: typeof mayLack extends keyof P[K] ? K : never }[keyof P];

/** An object with these fields and no others; all are there but those that are `optional`. */
export const shape = <P extends Record<string, Schema>>(
  properties: P,
  bounds: { minProperties?: number } = {},
): Schema<Flat<Fields<P, Exclude<keyof P, Lacking<P>>>>> => ({
  type: 'object',
  additionalProperties: false,
  properties: Object.fromEntries(
    Object.entries(properties).map(([key, schema]) => {
      const { ...plain } = schema as Record<string | symbol, unknown>;
      delete plain[LACKS];
      return [key, plain];
    }),
  ),
  required: Object.keys(properties).filter((key) => !(LACKS in properties[key]!)),
  ...bounds,
});

/** The same, of a stranger's making: fields nobody asked for are left unread. */
export const open = <T>({ additionalProperties: _, ...schema }: Schema<T>): Schema<T> => schema as Schema<T>;

/** An object with just these keys, whose values are alike. */
export const record = <K extends string, T>(keys: readonly K[], values: Schema<T>): Schema<Record<K, T>> =>
  shape(Object.fromEntries(keys.map((key) => [key, values]))) as Schema<Record<K, T>>;

/** An object of any keys, whose values are alike. */
export const map = <T>(
  values: Schema<T>,
  bounds: { minProperties?: number; maxProperties?: number; propertyNames?: { pattern: string } } = {},
): Schema<Record<string, T>> => ({ type: 'object', additionalProperties: values, ...bounds });

/** A write's object: not empty, the named fields always there. */
export const object = <P extends Record<string, Schema>, R extends keyof P & string = never>(
  properties: P,
  required: readonly R[],
): Schema<Flat<Fields<P, R>>> => ({
  type: 'object',
  additionalProperties: false,
  properties,
  required,
  minProperties: 1,
});

export const array = <T>(items: Schema<T>, bounds: Count = {}): Schema<T[]> => ({
  type: 'array',
  items,
  ...bounds,
});
export const pair = <T>(items: Schema<T>): Schema<[T, T]> => ({
  type: 'array',
  items,
  minItems: 2,
  maxItems: 2,
});
/** A list in which nothing stands twice. */
export const list = <T>(items: Schema<T>, maxItems: number, minItems = 0): Schema<T[]> => ({
  type: 'array',
  items,
  minItems,
  maxItems,
  uniqueItems: true,
});

/** A schema as a file of its own. */
export const documentSchema = <T>(id: string, title: string, schema: Schema<T>): Schema<T> => ({
  $schema: 'http://json-schema.org/draft-07/schema#',
  $id: id,
  title,
  ...schema,
});

/** The same, of documents that call themselves by an earlier format too: they are moved up on their way in. */
export const alsoOf = <T>(schema: Schema<T>, ...earlier: string[]): Schema<T> => {
  const { format, ...properties } = schema.properties as Record<string, Schema>;
  const { const: own, ...rest } = format!;
  return { ...schema, properties: { format: { ...rest, enum: [...earlier, own] }, ...properties } };
};

/** Data that ships with the program as what its schema says it is: the tests hold it against the schema. */
export const shipped = <T>(_schema: Schema<T>, data: unknown): T => data as T;
