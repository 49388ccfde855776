import type { Diagnosis } from '@/core/diagnosis';
import type { Scope, Scoper } from '@/core/scope';
import { times } from '@/core/shop';
import type { Repaired, ShopTerms } from '@/core/shop';
import type { Bill, Risk } from './schema';

/** How far a committed cause is believed: the technician has seen it, and is now and then wrong. */
export const COMMITTED = 0.85;
/** An uncured cause brings the vehicle back within the warranty as often as this. */
const COMES_BACK = 0.9;
/** A cause counts in the workings from here on. */
const WORTH_SAYING = 0.005;

/** What was committed. */
export interface Commit {
  cause: string;
  contributing?: string[];
}

/**
 * Risk of a scope. The first cause is weighed as the diagnosis has it; a committed one by `COMMITTED` and the rest by the
 * diagnosis. Each is cured as well as the scope does it; what contributed is counted besides. Returns follow from
 * independence: 1 − (1 − `COMES_BACK` · uncured)(1 − workmanship).
 */
export function riskOf(
  scoper: Scoper,
  scope: Scope,
  { causes }: Pick<Diagnosis, 'causes'>,
  commit: Commit | null,
  terms: ShopTerms,
): Risk {
  if (scope.repair === 'none') return { uncured: 1, workmanship: 0, returns: 1, steps: [] };
  const committed = causes.find((c) => c.id === commit?.cause);
  const others = commit?.contributing ?? [];
  const left: { words: string; share: number }[] = [];
  for (const cause of causes) {
    const own = cause.probability * (committed ? 1 - COMMITTED : 1);
    const weight = cause === committed ? own + COMMITTED : own;
    left.push({ words: cause.words, share: weight * (1 - scoper.works(scope, cause)) });
  }
  const first = Math.min(
    1,
    left.reduce((sum, l) => sum + l.share, 0),
  );
  let kept = 1 - first;
  for (const id of others) {
    const cause = causes.find((c) => c.id === id);
    if (!cause || !committed) continue;
    const share = COMMITTED * (1 - scoper.works(scope, cause));
    kept *= 1 - share;
    left.push({ words: cause.words, share });
  }
  const uncured = 1 - kept;
  const workmanship = terms.workmanship[scope.repair as Repaired];
  const said = left.filter((l) => l.share >= WORTH_SAYING).sort((a, b) => b.share - a.share);
  const rest = left.filter((l) => l.share < WORTH_SAYING).reduce((sum, l) => sum + l.share, 0);
  return {
    uncured,
    workmanship,
    returns: 1 - (1 - COMES_BACK * uncured) * (1 - workmanship),
    steps: [
      ...said.map((l) => ({ ...l, share: COMES_BACK * l.share })),
      ...(rest > 0 ? [{ words: 'Everything else it could have been', share: COMES_BACK * rest }] : []),
      { words: 'The work itself, as often as it comes back in this shop', share: workmanship },
    ],
  };
}

/** A return takes the labour and the fluid again, and half of the parts as a rule. */
const PARTS_AGAIN = 0.5;

/** What returns cost the shop on average, minor units. */
export function expectedReturnCost({ returns }: Risk, bill: Bill): number {
  return times(bill.labour + bill.fluid + times(bill.parts, PARTS_AGAIN), returns);
}
