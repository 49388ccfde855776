import { POLICY_NAMES, valueOf } from '@/core/case';
import type { JobState, Policies } from '@/core/case';

/** The policies of a job: its own where set, else the shop's. */
export function policiesOf(state: JobState, shop: Policies): Policies {
  return Object.fromEntries(
    POLICY_NAMES.map((name) => [name, valueOf(state, `scope.policy.${name}`) ?? shop[name]]),
  ) as Policies;
}
