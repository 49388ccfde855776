import type { UnitDefinition } from '@/core/unit';
import type { Situation } from './facts';
import { moreFrictions } from './more-frictions';
import type { Repair } from './schema';
import { scoperKnowing } from './scope';
import type { Scope, ScopeBasis, Scoper } from './scope';

/** Builds the scopes of one situation. */
export function scoper(unit: UnitDefinition, basis: ScopeBasis, situation: Situation): Scoper {
  return scoperKnowing(moreFrictions(unit), unit, basis, situation);
}

/** The scope of one situation, for the repair its policy asks for where none is named. */
export function buildScope(
  unit: UnitDefinition,
  basis: ScopeBasis,
  situation: Situation,
  repair?: Repair,
): Scope {
  const scopes = scoper(unit, basis, situation);
  return scopes.scope(repair ?? scopes.usual);
}
