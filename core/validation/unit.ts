import { unitSchema } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { problemsOf, validator } from './problem';
import type { Problem } from './problem';
import { outOfBounds, UNIT_BOUNDS } from './size';
import { structureProblems } from './unit-structure';
import { connectionProblems } from './unit-connections';
import { gearProblems } from './unit-gears';
import { teethWarnings } from './unit-teeth';
import { completenessWarnings } from './unit-completeness';
import { inspectionWarnings } from './unit-inspection';
import type { UnitKnowledge } from './unit-inspection';

const validate = validator(unitSchema);

/**
 * Every problem of a unit definition; none means it can be used. Size first, then shape, then whether names lead
 * somewhere, whether the connections make sense, and last whether every gear does what it is for.
 */
export function checkUnit(value: unknown): Problem[] {
  const size = outOfBounds(value, UNIT_BOUNDS);
  if (size) return [size];
  const shape = problemsOf(validate, value);
  if (shape.length) return shape;
  const unit = value as UnitDefinition;
  const structure = structureProblems(unit);
  if (structure.length) return structure;
  const connections = connectionProblems(unit);
  return connections.length ? connections : gearProblems(unit);
}

/**
 * What is odd about a usable unit but does not stop it: tooth counts that do not assemble, gaps in what is stated, and
 * what can be neither looked at nor suspected.
 */
export function unitWarnings(unit: UnitDefinition, knowledge: UnitKnowledge): Problem[] {
  return [...teethWarnings(unit), ...completenessWarnings(unit), ...inspectionWarnings(unit, knowledge)];
}
