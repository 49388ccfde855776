import type { OperationRole, PartRole } from './roles';
import type { Limits } from './types';

/** A part. `splits` marks a part of a power path: broken, it divides `member` into two. */
export interface Part {
  id: string;
  name: string;
  /** What it is to Pelvik, whatever it is called. */
  role?: PartRole;
  /** What sort of thing it is: what is looked at on it goes by this. A kind of `data/inspection`. */
  kind?: string;
  /** The element or gearset it belongs to, where the paths of the unit do not say. */
  element?: string;
  gearset?: string;
  /** Sizes it is sold in, m. */
  sizes?: number[];
  /** It is sold as this part only: the set it belongs to, or its successor. */
  soldAs?: string;
  /** Parts of nearly equal size it is taken for. */
  mistakenFor?: string[];
  station: string;
  material: 'steel' | 'aluminium' | 'bronze' | 'lining' | 'rubber' | 'plastic' | 'paper' | 'copper';
  splits?: { member: string; away: Attachment[] };
  /** A magnet test says otherwise than the material would: some parts are non-magnetic on purpose. */
  magnetic?: boolean;
  /** Share of hydraulic or mechanical trouble it starts, relative to its peers. */
  weakness?: number;
  /** What is known about it at the bench. */
  note?: string;
  /** Words for how it fails, chosen from the failure vocabulary. */
  failure?: string;
  price?: number;
  leadDays?: number;
  coreDeposit?: number;
  /** Days to bring the old part back for its deposit. */
  returnDays?: number;
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
  /** The one element whose pressure it sets, where the hydraulics leave no valve between. */
  element?: string;
  ohm: Limits;
  part: string;
}

export interface Station {
  id: string;
  name: string;
  order: number;
  /** Hours at the bench when something here is renewed in a targeted repair. */
  benchHours?: number;
  /** Here the oil runs out: what it brings along is asked here. */
  drains?: true;
  /** Where it sits along the unit, 0 = converter end, 1 = output end (for drawing). */
  position: number;
  blockedBy: string[];
  cautions: string[];
  tools: string[];
  /** Left-hand threads, lengths, sealants, what is not used twice. */
  fasteners: string[];
}

export interface Sensor {
  id: string;
  name: string;
  kind: 'speed' | 'temperature' | 'pressure' | 'position';
  /** The member whose speed it counts, and pulses per turn. */
  member?: string;
  pulses?: number;
  /** Its tip is a magnet: fine metal gathers there. */
  magnetic: boolean;
  station: string;
}

export interface Converter {
  part: string;
  /** It can be opened and relined in the house. */
  serviceable: boolean;
  lockUp: boolean;
  /** Gears in which lock-up may apply. */
  lockUpGears: string[];
}

/** A limit that is measured; pack clearances, band travel and coil resistances stand with their own. */
export interface Spec {
  id: string;
  name: string;
  kind: SpecKind;
  station: string;
  /** SI: m, Pa, m³/s or N·m, by kind. At least one limit. */
  min?: number;
  max?: number;
  gearset?: string;
  part?: string;
  element?: string;
  /** For pressure: at which load, and in which range where it is not the same in all. */
  load?: 'idle' | 'full';
  range?: string;
}

export const SPEC_KINDS = [
  'end-play',
  'clearance',
  'pinion-play',
  'pump-clearance',
  'face-clearance',
  'tip-clearance',
  'body-clearance',
  'runout',
  'pressure',
  'flow',
  'torque',
  'depth',
  'height',
  'backlash',
  'gap',
] as const;
export type SpecKind = (typeof SPEC_KINDS)[number];

/** What a shop charges by the hour for, apart. */
export const LABOUR_RATES = ['bench', 'vehicle', 'diagnosis', 'machining'] as const;
export type LabourRate = (typeof LABOUR_RATES)[number];

export interface LabourOperation {
  id: string;
  /** What it is to Pelvik, whatever it is called. */
  role?: OperationRole;
  name: string;
  hours: number;
  /** Which of the shop's rates it is charged at; bench where none is said. */
  rate?: LabourRate;
  /** Share of it that is done once the unit is apart. */
  before?: number;
  /** Hours saved where another operation is done too. */
  overlaps?: { with: string; hours: number }[];
}

export interface Variant {
  id: string;
  name: string;
  part: string;
  measure: string;
  /** What the measurement reads for each, m. */
  readings: (Limits & { is: string })[];
}
