import { explainTieUp, faultKey, pairsOf, singleFaults, solveGear, turbineTorque } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { elementOf, frictionElements, partOf, sharedFeed } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { healthyTable, predict, signatureOf } from './predict';
import type { HealthyTable, Prediction } from './predict';

/** A set of faults with what every gear would do under it. */
export interface Hypothesis {
  /** Stable id of its faults, e.g. `lost:high` or `lost:high+stuck:forward`. */
  id: string;
  faults: Fault[];
  predictions: Prediction[];
  /** Other faults no gear can tell from this one. */
  alike: Fault[];
  /** How often it starts a complaint, before anything is known; only ratios count. */
  prior: number;
}

/** How often single faults of each kind start a complaint, before anything is known. */
const PRIOR: Record<Fault['kind'], number> = { lost: 1, slip: 0.9, stuck: 0.35, break: 0.4, strip: 0.12 };
/** Two at once are rare; less so when one feed serves both, or one wears the other out. */
const PAIR = 0.006;
const LINKED = 0.06;
/** Gears solved for pairs. Real units stay below 4,000; of a far larger one only pairs that share a feed are tried. */
const MOST_SOLVED = 20_000;

/**
 * Every single fault: lost, stuck, broken, stripped, and each element slipping at a swept capacity. The sweep places the
 * capacity between the torques the gears ask for, so each step adds one more gear that slips. Faults that change nothing
 * are left out; faults no gear can tell apart are joined.
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
    if (known) {
      // Faults that look alike add up.
      known.alike.push(fault);
      known.prior += priorOf(unit, fault);
    } else {
      const made = {
        id: hypothesisId(fault),
        faults: [fault],
        predictions,
        alike: [],
        prior: priorOf(unit, fault),
      };
      bySignature.set(signature, made);
    }
  }
  return [...bySignature.values()];
}

/**
 * Plausible pairs: any two elements lost or stuck, the likelier when they share a feed or when one, stuck on, drags the
 * other to death. A pair that looks like a single fault, or like nothing, is left out: the simpler explanation stands.
 */
export function pairHypotheses(unit: UnitDefinition, singles: readonly Hypothesis[]): Hypothesis[] {
  const healthy = healthyTable(unit);
  const seen = new Set([
    ...singles.map((h) => signatureOf(h.predictions)),
    signatureOf(predict(unit, healthy, [])),
  ]);
  const elements = singleFaults(unit).filter((f) => f.kind === 'lost' || f.kind === 'stuck');
  const every = pairsOf(elements);
  const many = every.length * unit.gears.length > MOST_SOLVED;
  const opponents = many ? new Set<string>() : opponentsOf(unit, healthy);
  const pairs = many
    ? every.filter((p) => linked(unit, p, opponents)).slice(0, MOST_SOLVED / unit.gears.length)
    : every;
  return pairs.flatMap((faults) => {
    const predictions = predict(unit, healthy, faults);
    const signature = signatureOf(predictions);
    if (seen.has(signature)) return [];
    seen.add(signature);
    const rarity = linked(unit, faults, opponents) ? LINKED : PAIR;
    const prior = rarity * priorOf(unit, faults[0]) * priorOf(unit, faults[1]);
    return [{ id: faults.map(hypothesisId).join('+'), faults, predictions, alike: [], prior }];
  });
}

function hypothesisId(fault: Fault): string {
  return fault.kind === 'slip' ? `${faultKey(fault)}=${Math.round(fault.capacityNm)}` : faultKey(fault);
}

/** A part that is known to be weak starts more; a one-way clutch seldom sticks or lets go by itself. */
function priorOf(unit: UnitDefinition, fault: Fault): number {
  const weakness = fault.kind === 'break' ? (partOf(unit, fault.part).weakness ?? 0.5) : 1;
  const kind = 'element' in fault ? elementOf(unit, fault.element).kind : null;
  return PRIOR[fault.kind] * weakness * (kind === 'one-way' || kind === 'dog' ? 0.5 : 1);
}

function linked(unit: UnitDefinition, [first, second]: [Fault, Fault], opponents: Set<string>): boolean {
  if (!('element' in first) || !('element' in second)) return false;
  if (first.kind === 'lost' && second.kind === 'lost')
    return sharedFeed(unit, first.element, second.element).length > 0;
  const [stuck, other] = first.kind === 'stuck' ? [first, second] : [second, first];
  return other.kind === 'lost' && opponents.has(`${stuck.element} ${other.element}`);
}

/** "stuck other" for every element that gives way where another, stuck on, ties a gear up. */
function opponentsOf(unit: UnitDefinition, healthy: HealthyTable): Set<string> {
  const pairs = new Set<string>();
  for (const { id } of unit.elements) {
    const faults: Fault[] = [{ kind: 'stuck', element: id }];
    for (const p of predict(unit, healthy, faults)) {
      if (p.kind !== 'tie-up') continue;
      const { weakest } = explainTieUp(unit, unit.gears.find((g) => g.key === p.gear)!, faults);
      if (weakest) pairs.add(`${id} ${weakest}`);
    }
  }
  return pairs;
}

/** Slip faults at the midpoints between the torques an element is asked for, N·m. */
export function slipSweep(unit: UnitDefinition): Extract<Fault, { kind: 'slip' }>[] {
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
    return sorted.map((load, k) => {
      const below = sorted[k + 1] ?? load * 0.5;
      return { kind: 'slip' as const, element: element.id, capacityNm: (load + below) / 2 };
    });
  });
}
