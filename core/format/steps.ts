/** A kind of document and what brings one of an earlier version to this one. */
export interface Format<C = void> {
  /** `pelvik-shop`: a document says it with its version, `pelvik-shop/2`. */
  name: string;
  /** The first makes version 2 of version 1, and so on: a new version is one more step. */
  steps: readonly Step<C>[];
}
/** Loses nothing and guesses nothing: what was not yet said gets the value that means what stood for it before. */
type Step<C> = (former: Former, context: C) => Former;
type Former = Record<string, unknown>;

/** How a document of today says what it is. */
export const currentFormat = <C>({ name, steps }: Format<C>): string => `${name}/${steps.length + 1}`;

/**
 * A document of any version as one of today. Its shape is the caller's to check, before or after. Throws a RangeError for
 * a document of another kind, or of a version that is not known here.
 */
export function moveUp<T extends { format: string }, C = void>(
  format: Format<C>,
  document: { format: string },
  context: C,
): T {
  const [name, version] = document.format.split('/');
  const from = Number(version);
  const known = name === format.name && Number.isInteger(from) && from >= 1;
  if (!known || from > format.steps.length + 1)
    throw new RangeError(`"${document.format}" is not known here: ${currentFormat(format)} is the newest.`);
  let moved = document as Former;
  for (const [k, step] of format.steps.entries())
    if (k + 1 >= from) moved = { ...step(moved, context), format: `${format.name}/${k + 2}` };
  return moved as T;
}
