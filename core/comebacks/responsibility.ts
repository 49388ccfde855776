import type { Cause } from '@/core/diagnosis';
import type { Fact } from '@/core/facts';

/** Whose matter it is. `outside`: it is not the transmission. */
export type Party = 'shop' | 'supplier' | 'customer' | 'wear' | 'outside';

/** What is suggested, with the probability of all causes that speak for it, and the causes. */
export interface Responsibility {
  party: Party;
  share: number;
  because: { cause: string; probability: number; why: Why }[];
}

/** Why a cause falls to a party: words for it stand with the reader. */
export type Why =
  | 'set-up'
  | 'same-again'
  | 'left-in'
  | 'renewed-failed'
  | 'use'
  | 'not-touched'
  | 'not-transmission';

/** What is known of the work done then. */
export interface EarlierWork {
  /** The cause committed then. */
  cause: string | null;
  /** Parts renewed then. */
  renewed: ReadonlySet<string>;
  /** What was found then. */
  facts: readonly Fact[];
}

/** What hands did: put together, set or filled wrong. */
const HANDS: ReadonlySet<string> = new Set([
  'set-up-wrong',
  'misadjusted',
  'unseated',
  'low-level',
  'misaligned',
]);
/** What a driver or an owner brings about. */
const USE: ReadonlySet<string> = new Set(['overload', 'water']);
const ELSEWHERE: ReadonlySet<string> = new Set(['outside', 'electrical-outside', 'nothing']);
/** Found so bad, a part should not have stayed. */
const BAD = 2;

/**
 * Whose matter a comeback is, as far as the causes tell: each cause's probability goes to the party it falls to. The same
 * cause again, unless its part is new, and a part left in although it was found bad, are the shop's; a part renewed then
 * that failed is its supplier's; what nobody touched and nobody found bad has worn.
 */
export function responsibilityOf(causes: readonly Cause[], work: EarlierWork): Responsibility[] {
  const found = new Map<Party, Responsibility>();
  for (const cause of causes) {
    if (cause.mode === 'other') continue;
    const [party, why] = fallsTo(cause, work);
    const known = found.get(party) ?? { party, share: 0, because: [] };
    known.share += cause.probability;
    known.because.push({ cause: cause.words, probability: cause.probability, why });
    found.set(party, known);
  }
  return [...found.values()]
    .map((r) => ({ ...r, because: r.because.filter((b) => b.probability >= WORTH_SAYING).slice(0, MOST) }))
    .filter((r) => r.because.length > 0)
    .sort((a, b) => b.share - a.share);
}

const WORTH_SAYING = 0.02;
const MOST = 3;

function fallsTo({ id, mode, part }: Cause, { cause, renewed, facts }: EarlierWork): [Party, Why] {
  if (ELSEWHERE.has(mode)) return ['outside', 'not-transmission'];
  if (HANDS.has(mode)) return ['shop', 'set-up'];
  if (USE.has(mode)) return ['customer', 'use'];
  if (part !== null && renewed.has(part)) return ['supplier', 'renewed-failed'];
  if (id === cause) return ['shop', 'same-again'];
  const foundBad = facts.some((f) => f.point === `part:${part}` && (f.severity ?? 0) >= BAD);
  return foundBad ? ['shop', 'left-in'] : ['wear', 'not-touched'];
}
