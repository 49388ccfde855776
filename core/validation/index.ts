export { ajv, problemsOf } from './problem';
export type { Problem } from './problem';
export { checkUnit } from './unit';
export { checkCase, checkSlot } from './case';
