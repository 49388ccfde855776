export { ajv, problemsOf } from './problem';
export type { Problem } from './problem';
export { checkUnit, unitWarnings } from './unit';
export { checkCase, checkSlot } from './case';
