import type { GearPosition, UnitDefinition } from '@/core/unit';
import { compiled } from './compile';
import type { CompiledUnit } from './compile';
import type { Fault } from './fault';
import type { Row } from './linear';

/**
 * The speed equations of one gear position in the coordinates its gearsets leave free (see `compile`): `rows·z = 0` for
 * what is applied, and `row·z ≥ 0` for the one-way clutches.
 */
export interface System {
  unit: CompiledUnit;
  rows: Row[];
  /** The element behind each row. */
  owners: string[];
  /** One-way clutches at work, a ≥ b, and their rows. */
  oneWays: string[];
  oneWayRows: Row[];
}

/** Builds the equations with faults applied (slips are left to the statics: kinematics treats them as holding). */
export function buildSystem(unit: UnitDefinition, gear: GearPosition, faults: Fault[]): System {
  const form = compiled(unit, faults);
  const system: System = { unit: form, rows: [], owners: [], oneWays: [], oneWayRows: [] };
  for (const { id, row, oneWay } of form.elements) {
    const state = stateOf(faults, id);
    if (state === 'lost') continue;
    if (oneWay && state !== 'stuck') {
      system.oneWays.push(id);
      system.oneWayRows.push(row);
    } else if (state === 'stuck' || gear.apply.includes(id)) {
      system.rows.push(row);
      system.owners.push(id);
    }
  }
  return system;
}

/** Lost outweighs stuck. */
function stateOf(faults: Fault[], element: string): 'lost' | 'stuck' | null {
  let state: 'lost' | 'stuck' | null = null;
  for (const fault of faults) {
    if ((fault.kind === 'lost' || fault.kind === 'stuck') && fault.element === element && state !== 'lost')
      state = fault.kind;
  }
  return state;
}
