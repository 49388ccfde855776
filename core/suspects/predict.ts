import { coastBehaviour, gearOutcome, solveGear, turbineTorque } from '@/core/powerflow';
import type { Fault, GearOutcome, GearSolution } from '@/core/powerflow';
import type { GearPosition, UnitDefinition } from '@/core/unit';
import type { PredictionKind } from './schema';

export interface Prediction {
  gear: string;
  kind: PredictionKind;
  outcome: GearOutcome['outcome'];
  ratio: number | null;
  /** The gear whose ratio it takes, when it is not its own. */
  actsLike: string | null;
}

/** The healthy unit, solved once and shared by all predictions. */
export interface HealthyTable {
  outcomes: Map<string, GearSolution>;
  coast: Map<string, 'brakes' | 'freewheel' | null>;
}

export function healthyTable(unit: UnitDefinition): HealthyTable {
  const solutions = unit.gears.map((g) => solveGear(unit, g.key));
  return {
    outcomes: new Map(solutions.map((s) => [s.key, s])),
    coast: new Map(solutions.map((s) => [s.key, s.coast])),
  };
}

/** Every gear's prediction under the faults. */
export function predict(unit: UnitDefinition, healthy: HealthyTable, faults: Fault[]): Prediction[] {
  return unit.gears.map((gear) => predictGear(unit, healthy, gear, faults));
}

/** One gear's prediction under the faults. */
function predictGear(
  unit: UnitDefinition,
  healthy: HealthyTable,
  gear: GearPosition,
  faults: Fault[],
): Prediction {
  const normal = healthy.outcomes.get(gear.key)!;
  // Elements that only slip change no torque before they do: the sound gear tells which of them let go.
  const onlySlips = faults.length > 0 && faults.every((f) => f.kind === 'slip');
  if (onlySlips) return slipping(unit, gear, normal, faults);
  const slips = faults.some((f) => f.kind === 'slip');
  const got = slips ? solveGear(unit, gear.key, faults) : gearOutcome(unit, gear.key, faults);
  const base = { gear: gear.key, outcome: got.outcome, ratio: got.ratio, actsLike: null };
  if (got.outcome === 'slip') return { ...base, kind: 'slip' };
  if (got.outcome === 'tie-up' || got.outcome === 'output-held') {
    return { ...base, kind: 'tie-up' };
  }
  if (got.outcome === 'neutral')
    return { ...base, kind: normal.outcome === 'neutral' ? 'normal' : 'neutral' };
  const actsLike = gearWithRatio(healthy, got.ratio!);
  if (normal.outcome !== 'drive') return { ...base, kind: 'moves', actsLike };
  if (got.ratio! * normal.ratio! < 0) return { ...base, kind: 'tie-up', actsLike };
  const change = Math.abs(got.ratio!) / Math.abs(normal.ratio!);
  if (change > 1 + 1e-6) return { ...base, kind: 'lower', actsLike };
  if (change < 1 - 1e-6) return { ...base, kind: 'higher', actsLike };
  const braked = healthy.coast.get(gear.key) === 'brakes';
  const freewheels = braked && coastBehaviour(unit, gear.key, faults, got.ratio!) === 'freewheel';
  return { ...base, kind: freewheels ? 'no-braking' : 'normal' };
}

function slipping(
  unit: UnitDefinition,
  gear: GearPosition,
  normal: GearSolution,
  faults: Fault[],
): Prediction {
  const turbine = turbineTorque(unit, gear);
  const letsGo = faults.some(
    (f) => f.kind === 'slip' && (normal.elements[f.element] ?? 0) * turbine > f.capacityNm,
  );
  const { key, ratio } = normal;
  return letsGo
    ? { gear: key, kind: 'slip', outcome: 'slip', ratio, actsLike: null }
    : { gear: key, kind: 'normal', outcome: normal.outcome, ratio, actsLike: null };
}

function gearWithRatio(healthy: HealthyTable, ratio: number): string | null {
  for (const [key, outcome] of healthy.outcomes) {
    if (outcome.ratio !== null && Math.abs(outcome.ratio - ratio) < 1e-6) return key;
  }
  return null;
}

/** A key that two fault sets share when no gear can tell them apart. */
export function signatureOf(predictions: Prediction[]): string {
  return predictions.map((p) => `${p.kind}:${p.ratio?.toFixed(6) ?? ''}`).join('|');
}
