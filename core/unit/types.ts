import type { Converter, LabourOperation, Part, Sensor, Solenoid, Spec, Station, Variant } from './equipment';

/**
 * A unit definition: everything Pelvik knows about one transmission family, as data.
 * Lengths in m, torque in N·m, pressure in Pa, resistance in Ω at 20 °C, money in integer minor units.
 * Nothing here that can be derived (ratios, torque shares, fault signatures) is stated.
 */

/** A fixed member: brakes hold against it, its speed is always 0. */
export const CASE = 'case';

export interface Member {
  id: string;
  name: string;
}

export interface ToothedMember {
  member: string;
  teeth: number;
}

/** Pinions of a planetary: how many stand around the sun, and their teeth: one count, or inner and outer of a pair. */
export interface Pinions {
  count: number;
  teeth?: number[];
}

/**
 * Simple (`single`) or double-pinion (`double`) planetary. A Ravigneaux set is two of them that share carrier and ring.
 * A sun or ring may stand on the case.
 */
export interface PlanetarySet {
  id: string;
  name: string;
  kind: 'planetary';
  station: string;
  planets: 'single' | 'double';
  sun: ToothedMember;
  ring: ToothedMember;
  carrier: string;
  pinions?: Pinions;
}

/** Two gears in mesh: `external` reverses, `internal` does not, nor does a pair with an `idler` between them. */
export interface MeshSet {
  id: string;
  name: string;
  kind: 'mesh';
  station: string;
  mesh: 'external' | 'internal' | 'idler';
  /** Teeth of the idler between; they do not change the ratio, only how fast the idler itself turns. */
  idlerTeeth?: number;
  first: ToothedMember;
  second: ToothedMember;
}

export type Gearset = PlanetarySet | MeshSet;

/** A bearing or thrust washer between two members, or a member and the case: it turns when their speeds differ. */
export interface Bearing {
  id: string;
  name: string;
  a: string;
  b: string;
  station: string;
  part?: string;
}

export type ElementKind = 'clutch' | 'brake' | 'band' | 'dog' | 'one-way';

/**
 * An element connects `a` to `b` (b is `case` for brakes and bands).
 * A one-way clutch has a ≥ b: `a` may overrun `b`, never turn slower than it.
 */
export interface Element {
  id: string;
  name: string;
  short: string;
  kind: ElementKind;
  /** Where it is reached. */
  station: string;
  a: string;
  b: string;
  /** What it must mostly do: pull speeds together in a shift, be applied at rest, or slip on purpose. */
  application?: 'static' | 'dynamic' | 'modulated';
  pack?: Pack;
  band?: Band;
  /** The part a one-way clutch is ordered and graded as. */
  part?: string;
  /** Capacity stated outright, N·m (one-way clutches and dogs). */
  capacityNm?: number;
  /** Parts that wear out with its lining. */
  liningParts?: string[];
  /** The drum a band runs on. */
  drumPart?: string;
  feedPath: string[];
  powerPath: string[];
}

export interface Pack {
  frictions: number;
  /** Order of plates from the piston side to the backing side. */
  order: PlateKind[];
  outerDiameter: number;
  innerDiameter: number;
  frictionThickness: number;
  steelThickness: number;
  /** Thinner than this a plate is worn out, m. */
  worn?: { friction?: number; steel?: number };
  setUp?: PackSetUp;
  mu: number;
  /** The area oil presses in every gear that applies it. */
  pistonArea: number;
  /** A second area behind the same piston, fed in these gears only. */
  secondArea?: { area: number; gears: string[] };
  returnForce: number;
  centrifugal?: Centrifugal;
  clearance: Limits;
}

/** What a pack is stacked and measured by, m. */
export interface PackSetUp {
  /** From a face of the snap-ring groove to the piston, home. */
  grooveToPiston: number;
  /** Which face of the groove was measured; with the upper one the ring is taken off. */
  grooveFace: 'lower' | 'upper';
  ringThickness: number;
  backingThickness?: number;
  /** Wave or cone spring as it is stacked. */
  waveHeight?: number;
  pistonHeight: number;
  /** Lowest the piston may be cut to. */
  pistonLowest: number;
  /** Length of the hub the frictions ride on, and of the drum splines. */
  hubLength: number;
  drumLength: number;
  frictionSizes: number[];
  steelSizes: number[];
}

/** The ring of oil that turns with the drum and presses the piston by itself. `balanced` is the share a balance piston takes back. */
export interface Centrifugal {
  outerRadius: number;
  innerRadius: number;
  /** Where the oil enters: its free surface. */
  feedRadius: number;
  balanced: number;
}

export interface Limits {
  min: number;
  max: number;
}

export type PlateKind = 'steel' | 'friction' | 'backing' | 'wave';

export interface Band {
  mu: number;
  wrap: number;
  drumRadius: number;
  servoArea: number;
  returnForce: number;
  selfEnergising: boolean;
  pinTravel: Limits;
}

/** One range and gear position, e.g. D2: what is applied there. */
export interface GearPosition {
  key: string;
  range: string;
  gear: number | null;
  name: string;
  apply: string[];
  /** The parking pawl is engaged. */
  pawl?: true;
  /** States of the shift solenoids, in the order of `shiftSolenoids`. */
  solenoids?: (0 | 1)[];
  /** Starts from rest: turbine torque is multiplied by the converter. */
  launch?: true;
}

export interface UnitDefinition {
  format: 'pelvik-unit/2';
  id: string;
  name: string;
  description: string;
  layout: string;
  speeds: number;
  /** Sign of the ratio of forward gears. */
  forwardSign: 1 | -1;
  input: string;
  output: string;
  engine: { torqueNm: number; stallTorqueRatio: number };
  /** Full line pressure, in `ranges` where a range has its own; and at idle. */
  pressure: { fullPa: number; idlePa: number; ranges?: Record<string, number> };
  converter: Converter;
  members: Member[];
  gearsets: Gearset[];
  elements: Element[];
  gears: GearPosition[];
  bearings: Bearing[];
  solenoids: Solenoid[];
  sensors: Sensor[];
  stations: Station[];
  parts: Part[];
  /** Parts every element's oil passes, sump to manual valve. */
  commonFeed: string[];
  labour: LabourOperation[];
  variants: Variant[];
  specs: Spec[];
  fluidLitres: number;
  levelBy: 'dipstick' | 'overflow-plug';
  drain: 'pan' | 'plug';
}
