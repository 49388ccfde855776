import type { LabourOperation, Part } from './equipment';
import type { UnitDefinition } from './types';

/** What a part is to Pelvik, whatever it is called: causes, rules and drawings go by it. */
export const PART_ROLES = [
  'filter',
  'pan-gasket',
  'pump-gears',
  'pump-cover',
  'pump-bushing',
  'regulator',
  'converter',
  'overhaul-kit',
  'exchange-unit',
] as const;
export type PartRole = (typeof PART_ROLES)[number];

/** What an operation is to Pelvik, whatever it is called. */
export const OPERATION_ROLES = [
  'remove-refit',
  'diagnose',
  'teardown',
  'overhaul',
  'targeted',
  'pump',
  'valve-body',
  'solenoid',
  'converter-open',
  'cooler-flush',
  'fill-test',
  'planetary',
  'bushings',
  'machining',
  'electrical',
  'programming',
  'cooler',
] as const;
export type OperationRole = (typeof OPERATION_ROLES)[number];

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
