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
] as const;
export type PartRole = (typeof PART_ROLES)[number];

/** What an operation is to Pelvik, whatever it is called. */
export const OPERATION_ROLES = [
  'remove-refit',
  'teardown',
  'overhaul',
  'targeted',
  'pump',
  'valve-body',
  'solenoid',
  'converter-open',
  'cooler-flush',
  'fill-test',
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

/** Definitions from before there were roles: the ids that stood for them then. */
const FORMER_PARTS: Record<string, PartRole> = {
  ...Object.fromEntries(PART_ROLES.map((role) => [role, role])),
  'pressure-regulator': 'regulator',
};

/**
 * A definition from before there were roles, with the roles its ids stood for; one that names any role is left as it is.
 * The only place that reads a meaning out of an id.
 */
export function withRoles(unit: UnitDefinition): UnitDefinition {
  const named = unit.parts.some((p) => p.role) || unit.labour.some((o) => o.role);
  if (named) return unit;
  return {
    ...unit,
    parts: unit.parts.map((p) => (FORMER_PARTS[p.id] ? { ...p, role: FORMER_PARTS[p.id] } : p)),
    labour: unit.labour.map((o) =>
      (OPERATION_ROLES as readonly string[]).includes(o.id) ? { ...o, role: o.id as OperationRole } : o,
    ),
    elements: unit.elements.map((e) =>
      e.kind === 'one-way' && unit.parts.some((p) => p.id === e.id) ? { ...e, part: e.id } : e,
    ),
  };
}
