import { valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import type { CureWay } from '@/core/diagnosis';
import { factsOf } from '@/core/facts';
import type { Fact, FactKnowledge } from '@/core/facts';
import type { UnitDefinition } from '@/core/unit';
import { atTorque } from './added-friction';
import type { AddedFriction } from './added-friction';
import { POLICY_NAMES } from '@/core/case';
import type { Policies } from '@/core/case';

/** A cause a scope is built on: what was committed, contributing causes with it, or the leading one while none is. */
export interface ScopeCause {
  id: string;
  mode: string;
  part: string | null;
  element: string | null;
  gearset: string | null;
  words: string;
  curedBy: CureWay[];
}

/** What a scope is built for. */
export interface Situation {
  state: JobState;
  policies: Policies;
  /** What failed first comes first. */
  causes: readonly ScopeCause[];
}

/** What a scope rule can ask for. */
export type ScopeFact = Pick<Fact, 'point' | 'level' | 'slots'>;

/** From so many burnt packs and bands on a repair of single ones is no repair. */
const MANY_BURNT = 4;

/** Somebody has looked inside. */
export function isApart(state: JobState): boolean {
  return Object.keys(state).some((slot) => /^(station\..*\.out$|face\.|plate\.|part\.|element\.)/.test(slot));
}

/** Everything the rules may ask for: what is known of the job, the shop's policies and the causes. */
export function scopeFacts(
  unit: UnitDefinition,
  knowledge: FactKnowledge,
  { state, policies, causes }: Situation,
  frictions: readonly AddedFriction[],
): ScopeFact[] {
  const facts = factsOf(unit, state, knowledge);
  const burnt = facts.filter((f) => f.point.startsWith('lining:') && f.level === 'burnt');
  return [
    { point: 'job', level: 'open', slots: [] },
    { point: 'bare', level: valueOf(state, 'vehicle.bare') ? 'yes' : 'no', slots: ['vehicle.bare'] },
    { point: 'apart', level: isApart(state) ? 'yes' : 'no', slots: [] },
    { point: 'serviceable', level: unit.converter.serviceable ? 'yes' : 'no', slots: [] },
    ...POLICY_NAMES.map((name) => ({
      point: `policy:${name}`,
      level: policies[name],
      slots: [`scope.policy.${name}`],
    })),
    ...facts,
    ...(burnt.length >= MANY_BURNT
      ? [{ point: 'burnt-packs', level: 'many', slots: burnt.flatMap((f) => f.slots) }]
      : []),
    ...atTorque(frictions, valueOf(state, 'history.powerFactor') ?? 1).map(({ element, weak }) => ({
      point: `more-frictions:${element}`,
      level: weak ? 'called-for' : 'fits',
      slots: [],
    })),
    ...causes.flatMap(causeFacts),
  ];
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
