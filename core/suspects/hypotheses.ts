import { faultKey, singleFaults, solveGear, turbineTorque } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { frictionElements } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { healthyTable, predict, signatureOf } from './predict';
import type { Prediction } from './predict';

/** A set of faults with what every gear would do under it. */
export interface Hypothesis {
  /** Stable id of the first fault, e.g. `lost:high`. */
  id: string;
  fault: Fault;
  predictions: Prediction[];
  /** Other faults no gear can tell from this one. */
  alike: Fault[];
}

/**
 * Every single fault: lost, stuck, broken, and each element slipping at a swept capacity. The sweep places the capacity
 * between the torques the gears ask for, so each step adds one more gear that slips. Faults that change nothing are
 * left out; faults no gear can tell apart are joined.
 */
export function singleHypotheses(unit: UnitDefinition): Hypothesis[] {
  const healthy = healthyTable(unit);
  const none = signatureOf(predict(unit, healthy, []));
  const bySignature = new Map<string, Hypothesis>();
  for (const fault of [...singleFaults(unit), ...slipSweep(unit)]) {
    const predictions = predict(unit, healthy, [fault]);
    const signature = signatureOf(predictions);
    if (signature === none) continue;
    const known = bySignature.get(signature);
    if (known) known.alike.push(fault);
    else bySignature.set(signature, { id: hypothesisId(fault), fault, predictions, alike: [] });
  }
  return [...bySignature.values()];
}

function hypothesisId(fault: Fault): string {
  return fault.kind === 'slip' ? `${faultKey(fault)}=${Math.round(fault.capacityNm)}` : faultKey(fault);
}

/** Slip faults at the midpoints between the torques an element is asked for, N·m. */
export function slipSweep(unit: UnitDefinition): Fault[] {
  const loads = new Map<string, number[]>();
  for (const gear of unit.gears) {
    const turbine = turbineTorque(unit, gear);
    for (const [element, share] of Object.entries(solveGear(unit, gear.key).elements)) {
      if (share) loads.set(element, [...(loads.get(element) ?? []), share * turbine]);
    }
  }
  return frictionElements(unit).flatMap((element) => {
    const sorted = [...new Set((loads.get(element.id) ?? []).map((l) => Math.round(l * 1e6) / 1e6))].sort(
      (a, b) => b - a,
    );
    return sorted.map((load, k): Fault => {
      const below = sorted[k + 1] ?? load * 0.5;
      return { kind: 'slip', element: element.id, capacityNm: (load + below) / 2 };
    });
  });
}
