import { gearOf } from '@/core/unit';
import type { GearPosition, UnitDefinition } from '@/core/unit';
import type { Fault } from './fault';
import { solutionSpace, TOLERANCE } from './linear';
import type { Fixed, Row, SolutionSpace } from './linear';
import { contains, isPoint, nearestToZero, rangeOver } from './range';
import type { Range } from './range';
import { elementTorques } from './statics';
import { buildSystem } from './system';
import type { System } from './system';

type Outcome = 'drive' | 'neutral' | 'tie-up' | 'output-held' | 'slip';
type ParkPawl = 'free' | 'held' | 'driven';

/** What a gear position does, without torques: enough to compare with a complaint. */
export interface GearOutcome {
  key: string;
  outcome: Outcome;
  /** Input speed ÷ output speed, signed; null unless the gear drives. */
  ratio: number | null;
  parkPawl: ParkPawl;
}

/** The whole solution of a gear position. Torques per unit of input torque, speeds per unit of input speed. */
export interface GearSolution extends GearOutcome {
  /** Magnitude per carrying element; null where parallel parts make the split indeterminate. */
  elements: Record<string, number | null>;
  /** One-way clutches that carry torque. */
  holding: string[];
  /** Elements that share a torque with a part beside them; `elements` lets a friction element carry all of it. */
  split: string[];
  coast: 'brakes' | 'freewheel' | null;
  /** null: the member floats. */
  speeds: Record<string, number | null>;
  /** Slipping element, when the outcome is slip. */
  slipping: string | null;
  /** What the gear does if the slipping element lets go altogether. */
  fallsTo: GearOutcome | null;
}

/**
 * Kinematics of one gear position with the input turning at 1.
 *
 * The output is under load, so among all speeds the equations and one-way clutches allow it takes the one nearest to
 * rest. No allowed speed: tie-up. Rest allowed: neutral, or output held when nothing but rest is. Otherwise: drive.
 * This is the complementarity problem of the one-way clutches stated as a range, so no clutch state need be guessed.
 */
export function gearOutcome(unit: UnitDefinition, gearKey: string, faults: Fault[] = []): GearOutcome {
  const gear = gearOf(unit, gearKey);
  return outcomeOf(gear, buildSystem(unit, gear, faults));
}

/**
 * Everything about one gear position. `turbineTorqueNm` scales slips; it defaults to the unit's engine (times the
 * converter's multiplication where the gear launches). Throws a RangeError for ids the unit does not have.
 */
export function solveGear(
  unit: UnitDefinition,
  gearKey: string,
  faults: Fault[] = [],
  turbineTorqueNm?: number,
): GearSolution {
  const gear = gearOf(unit, gearKey);
  const system = buildSystem(unit, gear, faults);
  const basic = outcomeOf(gear, system);
  const none = { elements: {}, holding: [], split: [], coast: null, slipping: null, fallsTo: null };
  if (basic.outcome === 'tie-up') return { ...basic, ...none, speeds: {} };
  const output = basic.ratio === null ? null : 1 / basic.ratio;
  const space = speedSpace(system, basic.outcome === 'output-held' ? 0 : output);
  const speeds = memberSpeeds(system, space);
  if (output === null || !space) return { ...basic, ...none, speeds };
  const { elements, holding, split } = elementTorques(system, space);
  const solution: GearSolution = {
    ...basic,
    ...none,
    elements,
    holding,
    split,
    coast: coastOf(system, output),
    speeds,
  };
  return withSlip(unit, gear, faults, solution, turbineTorqueNm ?? turbineTorque(unit, gear));
}

/** What a driving gear of known ratio does when the engine drags. */
export function coastBehaviour(
  unit: UnitDefinition,
  gearKey: string,
  faults: Fault[],
  ratio: number,
): 'brakes' | 'freewheel' {
  return coastOf(buildSystem(unit, gearOf(unit, gearKey), faults), 1 / ratio);
}

/** Torque at the turbine, N·m: engine torque, times the stall multiplication where the gear starts from rest. */
export function turbineTorque(unit: UnitDefinition, gear: GearPosition): number {
  return unit.engine.torqueNm * (gear.launch ? unit.engine.stallTorqueRatio : 1);
}

function outcomeOf(gear: GearPosition, system: System): GearOutcome {
  const range = speedRange(system, system.unit.output, [[system.unit.input, 1]]);
  const done = (outcome: Outcome, ratio: number | null = null): GearOutcome => ({
    key: gear.key,
    outcome,
    ratio,
    parkPawl: !gear.pawl ? 'free' : outcome === 'drive' ? 'driven' : 'held',
  });
  if (!range) return done('tie-up');
  if (contains(range, 0)) return done(isPoint(range) ? 'output-held' : 'neutral');
  return done('drive', 1 / nearestToZero(range));
}

/** Values a speed may take with others fixed; null when nothing satisfies gears, elements and one-way clutches. */
function speedRange(system: System, form: Row, fixed: Fixed[]): Range | null {
  const space = solutionSpace(system.rows, fixed, system.unit.coordinates);
  return space && rangeOver(space, system.oneWayRows, form);
}

/** All speeds a gear leaves possible with the input at 1, the output's fixed unless the gear leaves it free. */
export function speedSpace(system: System, output: number | null): SolutionSpace | null {
  const fixed: Fixed[] = [[system.unit.input, 1]];
  if (output !== null) fixed.push([system.unit.output, output]);
  return solutionSpace(system.rows, fixed, system.unit.coordinates);
}

function memberSpeeds(system: System, space: SolutionSpace | null): Record<string, number | null> {
  return Object.fromEntries(
    system.unit.members.map((id, k) => {
      const range = space && rangeOver(space, system.oneWayRows, system.unit.speeds[k]!);
      return [id, range && isPoint(range) ? clean(range.low) : null];
    }),
  );
}

/** Engine dragging: with the output kept turning, may the input come down to rest? Then the gear freewheels. */
function coastOf(system: System, output: number): 'brakes' | 'freewheel' {
  const range = speedRange(system, system.unit.input, [[system.unit.output, output]]);
  return range && contains(range, 0) ? 'freewheel' : 'brakes';
}

function withSlip(
  unit: UnitDefinition,
  gear: GearPosition,
  faults: Fault[],
  solution: GearSolution,
  turbineNm: number,
): GearSolution {
  // Of several, the one that holds the smallest part of its load lets go.
  let worst: { fault: Extract<Fault, { kind: 'slip' }>; held: number } | null = null;
  for (const fault of faults) {
    if (fault.kind !== 'slip') continue;
    const load = (solution.elements[fault.element] ?? 0) * turbineNm;
    const held = load > 0 ? fault.capacityNm / load : Infinity;
    if (held < 1 && (!worst || held < worst.held)) worst = { fault, held };
  }
  if (!worst) return solution;
  const { fault } = worst;
  const rest = faults.filter((f) => f !== fault);
  const fallsTo = gearOutcome(unit, gear.key, [...rest, { kind: 'lost', element: fault.element }]);
  return { ...solution, outcome: 'slip', slipping: fault.element, fallsTo };
}

function clean(value: number): number {
  return Math.abs(value) < TOLERANCE ? 0 : value;
}
