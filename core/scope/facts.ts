import { below, valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import { observe } from '@/core/evidence';
import type { UnitDefinition } from '@/core/unit';

/** Something a scope rule can ask for: `point=level`, with the slots it comes from. */
export interface Fact {
  point: string;
  level: string;
  slots: string[];
}

export type OverhaulPolicy = 'full' | 'targeted';
export type ConverterPolicy = 'always' | 'on-evidence';
export interface Policies {
  overhaul: OverhaulPolicy;
  converter: ConverterPolicy;
}

/** The cause a scope is built on: the committed one, or the leading one while none is. */
export interface ScopeCause {
  id: string;
  mode: string;
  part: string | null;
  element: string | null;
}

/** Everything the rules may ask for. */
export function factsOf(
  unit: UnitDefinition,
  state: JobState,
  policies: Policies,
  cause: ScopeCause | null,
): Fact[] {
  const observed = observe(unit, state).map(({ point, level, slots }) => ({ point, level, slots }));
  return [
    { point: 'job', level: 'open', slots: [] },
    { point: 'bare', level: valueOf(state, 'vehicle.bare') ? 'yes' : 'no', slots: ['vehicle.bare'] },
    { point: 'policy:overhaul', level: policies.overhaul, slots: ['scope.policy.overhaul'] },
    { point: 'policy:converter', level: policies.converter, slots: ['scope.policy.converter'] },
    ...observed,
    ...below(state, 'part.').flatMap(([part, v]) =>
      v.grade === 'takedown' ? [{ point: `takedown:${part}`, level: 'yes', slots: [`part.${part}`] }] : [],
    ),
    ...spread(state),
    ...(cause ? causeFacts(cause) : []),
  ];
}

/** The policies of a job: its own where set, else the shop's. */
export function policiesOf(state: JobState, shop: Policies): Policies {
  return {
    overhaul: valueOf(state, 'scope.policy.overhaul') ?? shop.overhaul,
    converter: valueOf(state, 'scope.policy.converter') ?? shop.converter,
  };
}

function causeFacts(cause: ScopeCause): Fact[] {
  const slots = ['cause.commit'];
  return [
    { point: 'cause', level: cause.id, slots },
    { point: 'cause-mode', level: cause.mode, slots },
    ...(cause.part ? [{ point: 'cause-part', level: cause.part, slots }] : []),
    ...(cause.element ? [{ point: 'cause-element', level: cause.element, slots }] : []),
  ];
}

/** What went through the whole system, not merely lay in the pan. */
function spread(state: JobState): Fact[] {
  const amount = (kind: string) => valueOf(state, `debris.${kind}`)?.amount ?? 'none';
  const facts: Fact[] = [];
  const add = (level: string, ...kinds: string[]) =>
    facts.push({ point: 'spread', level, slots: kinds.map((k) => `debris.${k}`) });
  if (amount('grey-paste') === 'heavy') add('metal', 'grey-paste');
  if (['some', 'heavy'].includes(amount('bright-flakes'))) add('metal', 'bright-flakes');
  if (amount('fibre') === 'heavy') add('fibre', 'fibre');
  if (amount('water') !== 'none') add('water', 'water');
  if (valueOf(state, 'fluid.colour') === 'milky')
    facts.push({ point: 'spread', level: 'water', slots: ['fluid.colour'] });
  return facts;
}
