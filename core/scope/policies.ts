import { valueOf } from '@/core/case';
import type { JobState } from '@/core/case';

/** How a shop works where builders differ: the main schools, each named by what it does. */
export const POLICY_CHOICES = {
  /** Full overhaul whenever it is apart, or what the evidence names where nothing has spread. */
  overhaul: ['targeted', 'full'],
  /** After metal: a replacement always or on evidence, cut open and relined in house, or kept with proof. */
  converter: ['on-evidence', 'always', 'reline', 'keep'],
  /** After metal: cleaned and tested, or the set renewed. */
  solenoids: ['test', 'set'],
  /** Stock plate count, or frictions added in the dynamic packs. */
  plates: ['stock', 'added'],
  /** Hot-flushed to a measured flow, or replaced with an in-line filter. */
  cooler: ['flush', 'replace'],
} as const;

export type PolicyName = keyof typeof POLICY_CHOICES;
export type Policies = { [P in PolicyName]: (typeof POLICY_CHOICES)[P][number] };
export const POLICY_NAMES = Object.keys(POLICY_CHOICES) as PolicyName[];

/** The policies of a job: its own where set, else the shop's. */
export function policiesOf(state: JobState, shop: Policies): Policies {
  return Object.fromEntries(
    POLICY_NAMES.map((name) => [name, valueOf(state, `scope.policy.${name}`) ?? shop[name]]),
  ) as Policies;
}
