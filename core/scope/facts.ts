import { valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import { factsOf } from '@/core/facts';
import type { Fact, FactKnowledge } from '@/core/facts';
import type { UnitDefinition } from '@/core/unit';

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
  gearset: string | null;
}

/** What a scope rule can ask for. */
export type ScopeFact = Pick<Fact, 'point' | 'level' | 'slots'>;

/** Everything the rules may ask for: what is known of the job, the shop's policies and the cause. */
export function scopeFacts(
  unit: UnitDefinition,
  state: JobState,
  knowledge: FactKnowledge,
  policies: Policies,
  cause: ScopeCause | null,
): ScopeFact[] {
  return [
    { point: 'job', level: 'open', slots: [] },
    { point: 'bare', level: valueOf(state, 'vehicle.bare') ? 'yes' : 'no', slots: ['vehicle.bare'] },
    { point: 'policy:overhaul', level: policies.overhaul, slots: ['scope.policy.overhaul'] },
    { point: 'policy:converter', level: policies.converter, slots: ['scope.policy.converter'] },
    ...factsOf(unit, state, knowledge),
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

function causeFacts({ id, mode, part, element, gearset }: ScopeCause): ScopeFact[] {
  const said: [string, string | null][] = [
    ['cause', id],
    ['cause-mode', mode],
    ['cause-part', part],
    ['cause-element', element],
    ['cause-gearset', gearset],
  ];
  return said.flatMap(([point, level]) =>
    level === null ? [] : [{ point, level, slots: ['cause.commit'] }],
  );
}
