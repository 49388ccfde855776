import type { UnitDefinition } from '@/core/unit';

/** Cold and hot: what oil does differs. */
type Heats = { cold: number; hot: number };
export const HEATS = ['cold', 'hot'] as const;
export type HeatName = (typeof HEATS)[number];

/** A unit with something wrong in it, in continuous severities from 0 (as built) to 1. No network stands behind it. */
export interface Wreck {
  /** Line pressure as a share of full. */
  pressure: Heats;
  /** Share of line pressure that reaches an element. */
  supply: Record<string, Heats>;
  /** Friction of an element's linings as a share of new. */
  grip: Record<string, number>;
  /** An element that rubs when it should not. */
  drag: Record<string, number>;
  /** Burnt lining. */
  burnt: Record<string, number>;
  /** Heat in the steels. */
  steels: Record<string, number>;
  welded: Set<string>;
  heldOn: Set<string>;
  /** One-way elements that slip, or are locked. */
  slipping: Set<string>;
  locked: Set<string>;
  broken: Set<string>;
  /** How bad a part is. */
  parts: Record<string, number>;
  /** Sets without oil; sets or bearings that are worn. */
  dry: Record<string, number>;
  worn: Record<string, number>;
  /** Debris made. */
  paste: number;
  flakes: number;
  bronze: number;
  aluminium: number;
  plastic: number;
  fibre: number;
  water: number;
  sludge: number;
  hotOil: number;
  filter: number;
  unseated: number;
  lockUpLining: number;
  unbonded: boolean;
  lockUpSlips: number;
  lockUpHolds: number;
  converterBearing: number;
  hubHeat: number;
  stator: number;
  torque: number;
  level: number;
  /** A shift solenoid left at one end, and an electrical fault a computer sees. */
  command: { solenoid: string; at: 0 | 1 } | null;
  electrical: boolean;
  limp: boolean;
  astray: boolean;
  rough: boolean;
  fluidShort: number;
  solenoids: Record<string, 'electrical' | 'sticking'>;
  setUp: Set<string>;
  misadjusted: Set<string>;
  clearance: Record<string, 'in' | 'under' | 'over'>;
}

const each = <T>(ids: readonly { id: string }[], value: () => T): Record<string, T> =>
  Object.fromEntries(ids.map(({ id }) => [id, value()]));

export function soundWreck(unit: UnitDefinition): Wreck {
  return {
    pressure: { cold: 1, hot: 1 },
    supply: each(unit.elements, () => ({ cold: 1, hot: 1 })),
    grip: each(unit.elements, () => 1),
    drag: each(unit.elements, () => 0),
    burnt: each(unit.elements, () => 0),
    steels: each(unit.elements, () => 0),
    welded: new Set(),
    heldOn: new Set(),
    slipping: new Set(),
    locked: new Set(),
    broken: new Set(),
    parts: {},
    dry: each(unit.gearsets, () => 0),
    worn: {},
    paste: 0,
    flakes: 0,
    bronze: 0,
    aluminium: 0,
    plastic: 0,
    fibre: 0,
    water: 0,
    sludge: 0,
    hotOil: 0,
    filter: 0,
    unseated: 0,
    lockUpLining: 0,
    unbonded: false,
    lockUpSlips: 0,
    lockUpHolds: 0,
    converterBearing: 0,
    hubHeat: 0,
    stator: 0,
    torque: 1,
    level: 0,
    command: null,
    electrical: false,
    limp: false,
    astray: false,
    rough: false,
    fluidShort: 0,
    solenoids: {},
    setUp: new Set(),
    misadjusted: new Set(),
    clearance: {},
  };
}
