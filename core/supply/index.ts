export { daysUntil, doubtOf, hear, soldFor, sourceOf } from './offers';
export type { ShownOffer, SupplierAnswer } from './shown';
export type { Heard, Offer, Question } from './offers';
