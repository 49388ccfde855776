import type { Field, FieldKind } from '../schema';
import { amounts } from './amounts';
import { choice } from './choice';
import type { Kind } from './kind';
import { measure } from './measure';
import { scale } from './scale';
import { test } from './test';
import { words } from './words';

const KINDS: { readonly [K in FieldKind]: Kind<Extract<Field, { kind: K }>> } = {
  scale,
  choice,
  test,
  measure,
  amounts,
  words,
};

/** What there is to say of a way to answer. */
export const kindOf = (field: Field): Kind => KINDS[field.kind] as Kind;

export { amountsOf } from './amounts';
export { measured, measureOf } from './measure';
