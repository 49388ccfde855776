import type { PartSource } from '@/core/scope';
import { minor, times } from '@/core/shop';
import { addDays } from '@/core/schedule';
import { problemsOf, validator } from '@/core/validation';
import { answerSchema, offerSchema } from './schema';
import type { Offer } from './schema';

const validateAnswer = validator(answerSchema);
const validateOffer = validator(offerSchema);

/** What a supplier was asked. */
export interface Question {
  unit: string;
  supplier: string;
  parts: string[];
}

/** What of an answer can be used, and what cannot. */
export interface Heard {
  offers: Offer[];
  /** Offers that cannot be meant, each with the reason. */
  refused: { part: string; why: string }[];
  /** Parts nothing usable was said of. */
  unanswered: string[];
}

/** Farther away than this no part is ordered: a date beyond is a mistake. */
const LONGEST_DAYS = 365;

/**
 * Reads a supplier's answer as a stranger's: what is no answer at all throws an Error that says why, one wrong offer is
 * left out and named, the others stand.
 */
export function hear(
  answer: unknown,
  { parts }: Question,
  { currency, today }: { currency: string; today: string },
): Heard {
  const [problem] = problemsOf(validateAnswer, answer);
  if (problem) throw new Error(`The answer cannot be read: ${problem.pointer || 'it'} ${problem.message}.`);
  const told = answer as { currency: string; offers: unknown[] };
  if (told.currency !== currency)
    throw new Error(`The answer is in ${told.currency}; this shop reckons in ${currency}.`);
  const offers: Offer[] = [];
  const refused: Heard['refused'] = [];
  for (const value of told.offers) {
    const part = partIn(value);
    const why = whyNot(value, parts, today, offers);
    if (why === null) offers.push(value as Offer);
    else refused.push({ part, why });
  }
  const answered = new Set(offers.map((o) => o.part));
  return { offers, refused, unanswered: parts.filter((p) => !answered.has(p)) };
}

function partIn(value: unknown): string {
  const { part } = (value ?? {}) as { part?: unknown };
  return typeof part === 'string' ? part.slice(0, 80) : '';
}

/** The fields of an offer as a person calls them. */
const FIELD_WORDS: Record<string, string> = {
  part: 'the part',
  grade: 'the grade',
  price: 'the price',
  stock: 'the stock',
  arrivesOn: 'the day',
  deposit: 'the deposit',
  returnDays: 'the days to return it',
  packaging: 'the packaging',
};

/** Why an offer cannot be meant; null for one that can. */
function whyNot(value: unknown, parts: string[], today: string, known: Offer[]): string | null {
  const [problem] = problemsOf(validateOffer, value);
  if (problem) return `${FIELD_WORDS[problem.pointer.slice(1)] ?? 'it'} ${problem.message}`;
  const offer = value as Offer;
  if (!parts.includes(offer.part)) return 'nobody asked for it';
  if (known.some((o) => o.part === offer.part && o.grade === offer.grade)) return 'it is offered twice';
  if (offer.arrivesOn !== null && offer.arrivesOn < today)
    return `it would have arrived on ${offer.arrivesOn}`;
  if (offer.arrivesOn !== null && offer.arrivesOn > addDays(today, LONGEST_DAYS))
    return `it would arrive on ${offer.arrivesOn}, more than a year from now`;
  return null;
}

/** What the customer pays for an offer: with the shop's markup. */
export const soldFor = (offer: Offer, markup: number) => minor(times(offer.price, 1 + markup));

/** An offer as it is taken into a job's record; null where nobody can say when it comes. */
export function sourceOf(offer: Offer, supplier: string, markup: number, today: string): PartSource | null {
  if (offer.arrivesOn === null) return null;
  return {
    grade: offer.grade,
    supplier,
    price: soldFor(offer, markup),
    leadDays: daysUntil(offer.arrivesOn, today),
    ...(offer.deposit > 0 ? { coreDeposit: offer.deposit } : {}),
    ...(offer.deposit > 0 && offer.returnDays !== null ? { returnDays: offer.returnDays } : {}),
    ...(offer.deposit > 0 && offer.packaging !== null ? { packaging: offer.packaging } : {}),
    on: today,
  };
}

/** So many times the price book, or so little of it, is asked about before it is believed. */
const FAR = 3;

/** What makes an offer doubtful beside the price the shop knows; null where nothing does. */
export function doubtOf(price: number, book: number | undefined): string | null {
  if (!book) return null;
  if (price >= book * FAR) return `${Math.round(price / book)} times the price book: ask before you order`;
  if (price * FAR <= book) return `a ${nth(book / price)} of the price book: ask before you order`;
  return null;
}

const nth = (share: number) =>
  ({ 3: 'third', 4: 'quarter', 5: 'fifth' })[Math.round(share)] ?? `${Math.round(share)}th`;

/** Days from one day to a later one. */
export const daysUntil = (day: string, today: string) =>
  Math.round((Date.parse(`${day}T00:00:00Z`) - Date.parse(`${today}T00:00:00Z`)) / 86_400_000);
