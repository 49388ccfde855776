export { daysUntil, doubtOf, hear, soldFor, sourceOf } from './offers';
export type { Heard, Offer, Question } from './offers';
