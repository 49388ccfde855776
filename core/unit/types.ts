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

/** Simple (`single`) or double-pinion (`double`) planetary. */
export interface PlanetarySet {
  id: string;
  name: string;
  kind: 'planetary';
  station: string;
  planets: 'single' | 'double';
  sun: ToothedMember;
  ring: ToothedMember;
  carrier: string;
}

/** Two gears in mesh; `internal` also stands for a pair with an idler between (no reversal). */
export interface MeshSet {
  id: string;
  name: string;
  kind: 'mesh';
  station: string;
  mesh: 'external' | 'internal';
  first: ToothedMember;
  second: ToothedMember;
}

export type Gearset = PlanetarySet | MeshSet;

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
  /** Which it must mostly do: pull speeds together in a shift, or be applied at rest. */
  application?: 'static' | 'dynamic';
  pack?: Pack;
  band?: Band;
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
  mu: number;
  pistonArea: number;
  returnForce: number;
  clearance: { min: number; max: number };
}

export type PlateKind = 'steel' | 'friction' | 'backing' | 'wave';

export interface Band {
  mu: number;
  wrap: number;
  drumRadius: number;
  servoArea: number;
  returnForce: number;
  selfEnergising: boolean;
  pinTravel: { min: number; max: number };
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

/** A part. `splits` marks a part of a power path: broken, it divides `member` into two. */
export interface Part {
  id: string;
  name: string;
  station: string;
  material: 'steel' | 'aluminium' | 'bronze' | 'lining' | 'rubber' | 'plastic' | 'paper' | 'copper';
  splits?: { member: string; away: Attachment[] };
  /** Share of hydraulic or mechanical trouble it starts, relative to its peers. */
  weakness?: number;
  /** Words for how it fails, chosen from the failure vocabulary. */
  failure?: string;
  price?: number;
  leadDays?: number;
  coreDeposit?: number;
  supplier?: string;
  kit?: 'overhaul' | 'separate' | 'always';
  /** Parts that are renewed with it, because it cannot go back without them. */
  takesAlong?: string[];
  variantMeasurement?: string;
}

/** Something attached to the far side of a part: an element, one gear of a gearset, or a shaft end. */
export type Attachment =
  | { element: string }
  | { terminal: 'input' | 'output' }
  | { gearset: string; gear: 'sun' | 'ring' | 'carrier' | 'first' | 'second' };

export interface Solenoid {
  id: string;
  name: string;
  kind: 'on-off' | 'linear';
  /** Index into a gear's `solenoids`, for shift solenoids. */
  shiftIndex?: number;
  role: 'shift' | 'pressure' | 'lock-up';
  ohm: { min: number; max: number };
  part: string;
}

export interface Station {
  id: string;
  name: string;
  order: number;
  /** Where it sits along the unit, 0 = converter end, 1 = output end (for drawing). */
  position: number;
  blockedBy: string[];
  cautions: string[];
  tools: string[];
}

export interface LabourOperation {
  id: string;
  name: string;
  hours: number;
}

export interface Variant {
  id: string;
  name: string;
  part: string;
  measure: string;
}

export interface UnitDefinition {
  format: 'pelvik-unit/1';
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
  pressure: { fullPa: number; reverseFullPa: number; idlePa: number };
  members: Member[];
  gearsets: Gearset[];
  elements: Element[];
  gears: GearPosition[];
  solenoids: Solenoid[];
  stations: Station[];
  parts: Part[];
  /** Parts every element's oil passes, sump to manual valve. */
  commonFeed: string[];
  labour: LabourOperation[];
  variants: Variant[];
  fluidLitres: number;
}
