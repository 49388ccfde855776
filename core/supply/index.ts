export { daysUntil, doubtOf, hear, soldFor, sourceOf } from './offers';
export type { ShownOffer, SupplierAnswer } from './shown';
export type { Question } from './offers';
export { offersSchema } from './schema';
