import { oneOf } from '@/core/format';
import type { Schema } from '@/core/format';
import { choicesOf, POLICY_NAMES } from './policies';
import type { Policies, PolicyName } from './policies';

const entries = <T>(of: (name: PolicyName) => [string, T]) => Object.fromEntries(POLICY_NAMES.map(of));

/** Each policy's choices, as a schema. */
export const policySchemas = entries((name) => [name, oneOf(choicesOf(name))]) as {
  [P in PolicyName]: Schema<Policies[P]>;
};

/** A job's own policies: a slot each. */
export const POLICY_SLOTS = entries((name) => [`scope.policy.${name}`, policySchemas[name]]) as {
  [P in PolicyName as `scope.policy.${P}`]: Schema<Policies[P]>;
};
