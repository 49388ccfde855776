import { moveUp } from '@/core/format';
import type { Format } from '@/core/format';
import type { Part, Spec } from './schema';
import { OPERATION_ROLES, PART_ROLES } from './kinds';
import type { OperationRole, PartRole } from './kinds';
import type { UnitDefinition } from './schema';

const UNIT_FORMAT: Format = {
  name: 'pelvik-unit',
  steps: [(unit) => ({ ...withRoles(unit as unknown as UnitDefinition) })],
};

/** A definition as it is read today, whenever it was written: what was not yet said then is worked out from the rest. */
export const currentUnit = (unit: { format: string }): UnitDefinition =>
  withKinds(moveUp(UNIT_FORMAT, unit, undefined));

/** Definitions from before there were roles: the ids that stood for them then. */
const FORMER_PARTS: Record<string, PartRole> = {
  ...Object.fromEntries(PART_ROLES.map((role) => [role, role])),
  'pressure-regulator': 'regulator',
};

/**
 * A definition from before there were roles, with the roles its ids stood for; one that names any role is left as it is.
 * The only place that reads a meaning out of an id.
 */
function withRoles(unit: UnitDefinition): UnitDefinition {
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

/** A definition none of whose parts says its kind, with kinds worked out from what its parts do; else as it is. */
function withKinds(unit: UnitDefinition): UnitDefinition {
  if (unit.parts.length === 0 || unit.parts.some((p) => p.kind)) return unit;
  return {
    ...unit,
    parts: unit.parts.map((p) => {
      const set = setOf(p);
      return { ...p, kind: kindOf(unit, p), ...(set === undefined ? {} : { gearset: set }) };
    }),
    specs: unit.specs.map((spec, k) =>
      spec.kind === 'pump-clearance' ? { ...spec, kind: pumpKind(unit, k) } : spec,
    ),
  };
}

/** Of the two clearances a pump was given, the first was taken at its face. */
function pumpKind(unit: UnitDefinition, at: number): Spec['kind'] {
  const before = unit.specs
    .slice(0, at)
    .some((s) => s.kind === 'pump-clearance' && s.part === unit.specs[at]!.part);
  return before ? 'tip-clearance' : 'face-clearance';
}

const BY_ROLE: Partial<Record<PartRole, string>> = {
  filter: 'filter',
  'pan-gasket': 'gasket',
  'pump-gears': 'pump-gears',
  'pump-cover': 'pump-cover',
  'pump-bushing': 'bushing',
  regulator: 'regulator',
  converter: 'converter',
  'overhaul-kit': 'kit',
};

/** By what it does in the unit, else by how it fails and what it is made of. */
function kindOf(unit: UnitDefinition, part: Part): string {
  if (part.id === unit.converter.part) return 'converter';
  const role = part.role && BY_ROLE[part.role];
  if (role) return role;
  if (unit.solenoids.some((s) => s.part === part.id)) return 'solenoid';
  if (unit.elements.some((e) => e.kind === 'one-way' && e.part === part.id)) return 'one-way-clutch';
  const lined = unit.elements.find((e) => e.liningParts?.includes(part.id));
  if (lined)
    return lined.band ? 'band-lining' : part.material === 'lining' ? 'friction-plates' : 'steel-plates';
  if (unit.elements.some((e) => e.drumPart === part.id)) return 'drum';
  if (unit.bearings.some((b) => b.part === part.id)) return 'thrust-bearing';
  if (part.splits?.away.some((a) => 'gearset' in a && a.gear === 'carrier')) return 'carrier';
  return byFailure(part);
}

function byFailure({ failure, material }: Part): string {
  switch (failure) {
    case 'torn':
      return 'seal';
    case 'cracked':
      return 'drum';
    case 'sheared':
      return 'shaft';
    case 'stripped':
      return 'gear';
    case 'sticking':
      return 'valve';
    case 'off-lever':
      return 'manual-valve';
    case 'slips':
      return 'one-way-clutch';
    case 'blocked':
    case 'leaking':
      return 'passage';
    case 'scored':
      return 'pump-cover';
    case 'broken':
      return material === 'aluminium' ? 'case' : 'retaining-ring';
    case 'worn':
      return (
        { bronze: 'bushing', plastic: 'sealing-ring', aluminium: 'servo' }[material as string] ??
        'thrust-bearing'
      );
    default:
      return material === 'rubber' ? 'gasket' : 'bolt';
  }
}

/** The set whose carrier it is. */
function setOf(part: Part): string | undefined {
  for (const a of part.splits?.away ?? []) if ('gearset' in a && a.gear === 'carrier') return a.gearset;
  return undefined;
}
