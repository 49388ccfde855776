import type { PartRole } from './kinds';
import type { LabourOperation, Part, UnitDefinition } from './schema';

/** Parts of a role, in the order of the definition. */
export function partsWithRole(unit: UnitDefinition, ...roles: readonly string[]): Part[] {
  return unit.parts.filter((p) => p.role !== undefined && roles.includes(p.role));
}

/** The operation of a role, or undefined where a unit has none. */
export function operationWithRole(unit: UnitDefinition, role: string): LabourOperation | undefined {
  return unit.labour.find((o) => o.role === role);
}

/** The station where parts of these roles are reached, or null. */
export function stationOfRole(unit: UnitDefinition, ...roles: readonly PartRole[]): string | null {
  return partsWithRole(unit, ...roles)[0]?.station ?? null;
}
