export { policiesOf } from './facts';
export type { ConverterPolicy, OverhaulPolicy, Policies, ScopeCause } from './facts';
export type { ScopeAction, ScopeRule, ScopeRules } from './rules';
export { buildScope } from './scope';
export type { Reason, Scope, ScopeBasis, ScopeLine } from './scope';
