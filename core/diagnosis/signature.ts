import { capacity, fullPressure, solveGear, turbineTorque } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { predict, predictGear, slipSweep } from '@/core/suspects';
import type { HealthyTable, Prediction } from '@/core/suspects';
import { frictionElements } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { SignatureKind } from './knowledge';

/** One way a cause may show itself in the gears. Null predictions: it may do anything. */
export interface GridSignature {
  weight: number;
  predictions: Prediction[] | null;
}

export interface SignatureTarget {
  elements: string[];
  part: string | null;
  shiftIndex: number | null;
}

type Builder = (unit: UnitDefinition, healthy: HealthyTable, target: SignatureTarget) => GridSignature[];

/** What each kind of cause does in every gear, computed from the unit; weights add up to 1. */
export const SIGNATURES: Record<SignatureKind, Builder> = {
  none: (unit, healthy) => [{ weight: 1, predictions: predict(unit, healthy, []) }],
  unknown: () => [{ weight: 1, predictions: null }],
  lost: (unit, healthy, t) =>
    one(
      unit,
      healthy,
      t.elements.map((element) => ({ kind: 'lost', element })),
    ),
  stuck: (unit, healthy, t) =>
    one(
      unit,
      healthy,
      t.elements.map((element) => ({ kind: 'stuck', element })),
    ),
  break: (unit, healthy, t) => one(unit, healthy, [{ kind: 'break', part: t.part! }]),
  weak: (unit, healthy, t) => {
    const sweep = slipSweep(unit);
    return even(
      t.elements.flatMap((element): Fault[][] => [
        [{ kind: 'lost', element }],
        ...sweep.filter((f) => 'element' in f && f.element === element).map((f) => [f]),
      ]),
    ).map(({ weight, item }) => ({ weight, predictions: predict(unit, healthy, item) }));
  },
  pressure: (unit, healthy) =>
    even([0.75, 0.6, 0.45, 0.3, 0]).map(({ weight, item }) => ({
      weight,
      predictions: underPressure(unit, healthy, item),
    })),
  torque: (unit, healthy) =>
    even([1.3, 1.5, 1.7, 1.9]).map(({ weight, item }) => ({
      weight,
      predictions: underTorque(unit, healthy, item),
    })),
  converter: (unit, healthy) => [
    { weight: 0.5, predictions: withShudder(unit, predict(unit, healthy, [])) },
    { weight: 0.2, predictions: underPressure(unit, healthy, 0.45) },
    { weight: 0.3, predictions: underPressure(unit, healthy, 0) },
  ],
  solenoid: (unit, healthy, t) =>
    even([0, 1] as const).map(({ weight, item }) => ({
      weight,
      predictions: withSolenoid(unit, healthy, t.shiftIndex ?? 0, item),
    })),
};

function one(unit: UnitDefinition, healthy: HealthyTable, faults: Fault[]): GridSignature[] {
  return [{ weight: 1, predictions: predict(unit, healthy, faults) }];
}

function even<T>(items: readonly T[]): { weight: number; item: T }[] {
  return items.map((item) => ({ weight: 1 / items.length, item }));
}

/** Every element at its capacity for a share of full pressure; with none at all, every hydraulic element is lost. */
function underPressure(unit: UnitDefinition, healthy: HealthyTable, share: number): Prediction[] {
  const friction = frictionElements(unit);
  if (share === 0)
    return predict(
      unit,
      healthy,
      friction.map((e) => ({ kind: 'lost', element: e.id })),
    );
  return unit.gears.map((gear) => {
    const faults = friction.map((e): Fault => ({
      kind: 'slip',
      element: e.id,
      capacityNm: capacity(e, fullPressure(unit, gear) * share),
    }));
    return predictGear(unit, healthy, gear, faults);
  });
}

function underTorque(unit: UnitDefinition, healthy: HealthyTable, factor: number): Prediction[] {
  const base = predict(unit, healthy, []);
  return unit.gears.map((gear, k) => {
    const faults = frictionElements(unit).map((e): Fault => ({
      kind: 'slip',
      element: e.id,
      capacityNm: capacity(e, fullPressure(unit, gear)),
    }));
    const slips = solveGear(unit, gear.key, faults, turbineTorque(unit, gear) * factor).outcome === 'slip';
    return slips ? { ...base[k]!, kind: 'slip' as const, outcome: 'slip' as const } : base[k]!;
  });
}

/** Lock-up works in the gears that do not launch; there its grabbing is felt. */
function withShudder(unit: UnitDefinition, predictions: Prediction[]): Prediction[] {
  return predictions.map((p, k) => {
    const gear = unit.gears[k]!;
    return gear.gear !== null && !gear.launch ? { ...p, kind: 'shudder' } : p;
  });
}

/** A shift solenoid stuck at 0 or 1: the hydraulics apply whatever gear of the range has the pattern that is left. */
function withSolenoid(
  unit: UnitDefinition,
  healthy: HealthyTable,
  index: number,
  stuckAt: 0 | 1,
): Prediction[] {
  const base = predict(unit, healthy, []);
  return unit.gears.map((gear, k) => {
    const pattern = gear.solenoids?.map((s, i) => (i === index ? stuckAt : s)).join();
    const got = unit.gears.find((g) => g.range === gear.range && g.solenoids?.join() === pattern);
    const normal = base[k]!;
    if (gear.gear === null || !got || got.key === gear.key) return normal;
    const mine = Math.abs(healthy.outcomes.get(gear.key)!.ratio!);
    const theirs = Math.abs(healthy.outcomes.get(got.key)!.ratio!);
    const kind = Math.abs(theirs - mine) < 1e-9 ? 'normal' : theirs > mine ? 'lower' : 'higher';
    return { ...normal, kind, ratio: healthy.outcomes.get(got.key)!.ratio, actsLike: got.key };
  });
}
