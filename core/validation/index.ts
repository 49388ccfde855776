export { problemsOf, validator } from './problem';
export type { Problem } from './problem';
export { FORM_BOUNDS, outOfBounds, UNIT_BOUNDS } from './size';
export type { Bounds } from './size';
export { checkUnit, unitWarnings } from './unit';
export type { UnitKnowledge } from './unit-inspection';
export { checkCase, checkQuote, checkSlot, openCase } from './case';
export { checkTerms } from './terms';
