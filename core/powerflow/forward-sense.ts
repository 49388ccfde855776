import type { UnitDefinition } from '@/core/unit';

/** A signed ratio in the unit's forward sense: Drive is positive and Reverse negative, whatever way its shafts turn. */
export function inForwardSense(unit: UnitDefinition, ratio: number): number {
  return ratio * unit.forwardSign;
}
