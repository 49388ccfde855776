import { USUAL_POLICIES } from '@/core/case';
import { moveUp, withUsual } from '@/core/format';
import type { Format } from '@/core/format';
import { shopSchema } from './schema';
import type { ShopTerms } from './schema';

/** The terms of a shop are kept as they were set, and read as they are written today. */
const SHOP_FORMAT: Format = {
  name: 'pelvik-shop',
  steps: [
    // No shop was ever kept in the first version: what shipped was only read.
    (terms) => terms,
    // What the second did not say is usual.
    (terms) => terms,
  ],
};

/**
 * Terms of any version as those of today. What the shop was never asked is as its schema says it usually is, and a policy
 * goes the usual way: a new setting needs no new version.
 */
export function currentTerms(terms: { format: string }): ShopTerms {
  const moved = withUsual(shopSchema, moveUp<ShopTerms>(SHOP_FORMAT, terms, undefined));
  return { ...moved, policies: { ...USUAL_POLICIES, ...moved.policies } };
}
