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
  /** It loses grip, and may do so hot or cold only. */
  grip?: boolean;
}

/**
 * What a cause does in the gears. It may hang on a mechanism the cause usually sets off (`on`, an id with `$e` for the
 * cause's element): the gears show `present` when that mechanism is there and `absent` when it is not.
 */
export interface GridModel {
  on: string | null;
  absent: GridSignature[];
  present: GridSignature[];
}

export interface SignatureTarget {
  elements: string[];
  part: string | null;
  shiftIndex: number | null;
  /** The element a solenoid sets by itself. */
  drives: string | null;
}

type Builder = (unit: UnitDefinition, healthy: HealthyTable, target: SignatureTarget) => GridModel;

/** What each kind of cause does in every gear, computed from the unit; weights add up to 1. */
export const SIGNATURES: Record<SignatureKind, Builder> = {
  none: (unit, healthy) => always(asBuilt(unit, healthy)),
  unknown: () => always([{ weight: 1, predictions: null }]),
  lost: (unit, healthy, t) =>
    faulty(
      unit,
      healthy,
      t.elements.map((element) => ({ kind: 'lost', element })),
      true,
    ),
  stuck: (unit, healthy, t) =>
    faulty(
      unit,
      healthy,
      t.elements.map((element) => ({ kind: 'stuck', element })),
    ),
  break: (unit, healthy, t) => faulty(unit, healthy, [{ kind: 'break', part: t.part! }]),
  weak: (unit, healthy, t) => {
    const sweep = slipSweep(unit);
    const ways = t.elements.flatMap((element): Fault[][] => [
      [{ kind: 'lost', element }],
      ...sweep.filter((f) => 'element' in f && f.element === element).map((f) => [f]),
    ]);
    const present = even(ways).map(({ weight, item }) => ({
      weight,
      predictions: predict(unit, healthy, item),
      grip: true,
    }));
    // A part that feeds several elements may starve any of them: no single mechanism stands for it.
    return t.elements.length > 1
      ? always(present)
      : { on: 'weak:$e', absent: asBuilt(unit, healthy), present };
  },
  pressure: (unit, healthy) => ({
    on: 'low-pressure',
    absent: asBuilt(unit, healthy),
    present: even([0.75, 0.6, 0.45, 0.3, 0]).map(({ weight, item }) => ({
      weight,
      predictions: underPressure(unit, healthy, item),
      grip: true,
    })),
  }),
  torque: (unit, healthy) =>
    always(
      even([1.3, 1.5, 1.7, 1.9]).map(({ weight, item }) => ({
        weight,
        predictions: underTorque(unit, healthy, item),
        grip: true,
      })),
    ),
  converter: (unit, healthy) => ({
    on: 'low-pressure',
    absent: [{ weight: 1, predictions: withShudder(unit, predict(unit, healthy, [])) }],
    present: even([0.45, 0]).map(({ weight, item }) => ({
      weight,
      predictions: withShudder(unit, underPressure(unit, healthy, item)),
      grip: true,
    })),
  }),
  solenoid: (unit, healthy, t) =>
    always(
      even([0, 1] as const).map(({ weight, item }) => ({
        weight,
        predictions: t.drives
          ? predict(unit, healthy, [{ kind: item ? 'stuck' : 'lost', element: t.drives }])
          : withSolenoid(unit, healthy, t.shiftIndex ?? 0, item),
      })),
    ),
};

function always(present: GridSignature[]): GridModel {
  return { on: null, absent: present, present };
}

function asBuilt(unit: UnitDefinition, healthy: HealthyTable): GridSignature[] {
  return [{ weight: 1, predictions: predict(unit, healthy, []) }];
}

function faulty(unit: UnitDefinition, healthy: HealthyTable, faults: Fault[], grip = false): GridModel {
  return always([{ weight: 1, predictions: predict(unit, healthy, faults), ...(grip ? { grip } : {}) }]);
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
      capacityNm: capacity(e, fullPressure(unit, gear) * share, { gear: gear.key }),
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
      capacityNm: capacity(e, fullPressure(unit, gear), { gear: gear.key }),
    }));
    const slips = solveGear(unit, gear.key, faults, turbineTorque(unit, gear) * factor).outcome === 'slip';
    return slips ? { ...base[k]!, kind: 'slip' as const, outcome: 'slip' as const } : base[k]!;
  });
}

/** Lock-up works in the gears that do not launch; there its grabbing is felt. */
function withShudder(unit: UnitDefinition, predictions: Prediction[]): Prediction[] {
  return predictions.map((p, k) => {
    const gear = unit.gears[k]!;
    return gear.gear !== null && !gear.launch && p.kind === 'normal' ? { ...p, kind: 'shudder' } : p;
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
