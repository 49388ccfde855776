declare const of: unique symbol;
/** A JSON Schema as plain data, with the type of what it lets through; Ajv compiles it at the edges. */
export type Schema<T = unknown> = { readonly [key: string]: unknown } & { readonly [of]?: T };
/** What a schema lets through. */
export type Of<S> = S extends Schema<infer T> ? T : never;

export const text = (maxLength: number): Schema<string> => ({ type: 'string', minLength: 1, maxLength });
/** A text that may be empty. */
export const words = (maxLength: number): Schema<string> => ({ type: 'string', maxLength });
export const day: Schema<string> = { type: 'string', format: 'day' };
export const oneOf = <const V extends string>(values: readonly V[]): Schema<V> => ({ enum: values });
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
export const yesNo: Schema<boolean> = { type: 'boolean' };
/** The fields of an object: those named are always there. */
type Fields<P, R> = { [K in keyof P as K extends R ? K : never]: Of<P[K]> } & {
  [K in keyof P as K extends R ? never : K]?: Of<P[K]>;
};
type Flat<T> = { [K in keyof T]: T[K] };
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
export const list = <T>(items: Schema<T>, maxItems: number, minItems = 0): Schema<T[]> => ({
  type: 'array',
  items,
  minItems,
  maxItems,
  uniqueItems: true,
});
