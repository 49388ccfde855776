import { USUAL_POLICIES } from '@/core/case';
import { moveUp } from '@/core/format';
import type { Format } from '@/core/format';
import type { ShopTerms } from './schema';

/** The terms of a shop are kept as they were set, and read as they are written today. */
const SHOP_FORMAT: Format = {
  name: 'pelvik-shop',
  steps: [
    // No shop was ever kept in the first version: what shipped was only read.
    (terms) => terms,
    // Where it was not said, distance was counted in kilometres and nothing was fitted beside the unit at a set price.
    (terms) => ({ ...terms, distance: terms.distance ?? 'km', outside: terms.outside ?? {} }),
  ],
};

/** Terms of any version as those of today; a policy the shop was never asked about goes the usual way. */
export function currentTerms(terms: { format: string }): ShopTerms {
  const moved = moveUp<ShopTerms>(SHOP_FORMAT, terms, undefined);
  return { ...moved, policies: { ...USUAL_POLICIES, ...moved.policies } };
}
