import type { Stage } from '@/core/stage';

/** `data/inspection/*.json`: what is looked at on one kind of thing, and what the answers mean. */
export interface InspectionFile {
  format: 'pelvik-inspection/1';
  id: string;
  /** What it is looked at on: a kind of part, of element, of plate … `*` stands for all of them. */
  of: Target;
  words: string;
  /** Place among the others of a station, the lowest first. */
  order: number;
  glyph: GlyphId;
  stage: Stage;
  /** Whole-unit matters: the station they are asked at. */
  at?: 'drain';
  /** How a part of this kind fails. */
  fails?: string[];
  /** It has no row of its own: something else stands for it (a pack for its plates, a solenoid for its part). */
  unlisted?: true;
  points: Point[];
}

/** One of these; the value is a list of selectors a subject must match one of. */
export type Target = { [K in TargetHead]?: string[] };
export type TargetHead =
  'part' | 'element' | 'plate' | 'face' | 'gearset' | 'solenoid' | 'sensor' | 'station' | 'unit';

/** Drawn beside a subject: by these, not by its name, one finds it in a row of many. */
export const GLYPHS = [
  'plate',
  'drum',
  'piston',
  'seal',
  'spring',
  'ring',
  'band',
  'shaft',
  'gear',
  'carrier',
  'bearing',
  'bushing',
  'one-way',
  'pump',
  'converter',
  'filter',
  'drop',
  'crumbs',
  'solenoid',
  'sensor',
  'valve',
  'case',
  'plug',
  'cooler',
  'pawl',
  'mark',
] as const;
export type GlyphId = (typeof GLYPHS)[number];

/** One thing to look at, with what may be answered. */
export interface Point {
  id: string;
  words: string;
  field: Field;
  minutes: number;
  /** Words it is also found by. */
  also?: string;
  /** Places to choose from where it is seen; free words without. */
  where?: string[];
  /** Conditions the form asks for, beside those any finding may keep. */
  ask?: Condition[];
  /** What it adds to: the worst of all that count makes the state of the part or of the lining. */
  counts?: 'part' | 'lining';
  /** Further facts it gives: `cloudy` is yes at these levels, else no. */
  gives?: { fact: string; yes: string[] }[];
  /** What makes it say less than it seems to. */
  weakens?: Weakening[];
  /** Asked only where the unit states a limit for it. */
  when?: 'limit';
  /** A job is not done without it: its stage says so as long as it is open. */
  expected?: true;
  /** Answered in the row itself; "the rest is sound" answers it too. */
  quick?: true;
  /** What can hurt somebody at it; and what its answer clears, or does not. */
  caution?: string;
  hint?: string;
  /** The picture it is painted in, place by place: each place is a reading of its own. Faces have the pack. */
  picture?: 'band' | 'planetary';
}

/** How a point is answered. One renderer, one schema and one reading for each kind. */
export type Field =
  | { kind: 'scale'; scale: string }
  | { kind: 'choice'; options: Level[] }
  | { kind: 'test'; options: Level[] }
  | {
      kind: 'measure';
      /** The unit's limit it is held against. */
      limit: LimitKind | null;
      unit: MeasureUnit;
      min: number;
      max: number;
      /** Severity outside the limit; worn when not stated. */
      outside?: number;
    }
  | { kind: 'amounts'; scale: string; places: { id: string; words: string }[] }
  | { kind: 'words' };
export type FieldKind = Field['kind'];

export const MEASURE_UNITS = ['mm', 'Ω', 'kPa', 'l/min', 'N·m', 's', '°C', 'l', ''] as const;
export type MeasureUnit = (typeof MEASURE_UNITS)[number];

/** Limits a unit states, by what is measured. */
export const LIMIT_KINDS = [
  'end-play',
  'clearance',
  'pinion-play',
  'face-clearance',
  'tip-clearance',
  'body-clearance',
  'runout',
  'pressure-idle',
  'pressure-full',
  'pressure-reverse',
  'flow',
  'depth',
  'height',
  'wear',
  'backlash',
  'gap',
  'pack-clearance',
  'pin-travel',
  'resistance',
  'friction-thickness',
  'steel-thickness',
  'plate-count',
  'pinion-count',
] as const;
export type LimitKind = (typeof LIMIT_KINDS)[number];

export const ASKED = ['warmth', 'temperatureC', 'pressureKpa', 'oilFilm'] as const;
export type Condition = (typeof ASKED)[number];

/** One answer of a scale. Severity is the one scale all of Pelvik uses: see `severity.ts`. */
export interface Level {
  id: string;
  words: string;
  /** Absent: it says nothing of how bad it is. */
  severity?: number;
}

export interface Scale {
  id: string;
  levels: Level[];
}

/** `data/inspection/scales.json`. */
export interface ScaleFile {
  format: 'pelvik-scales/1';
  scales: Scale[];
}

/** At these levels, under these conditions and facts, a finding counts with `weight` only, and says why. */
export interface Weakening {
  levels?: string[];
  /** Facts of the job, as `point=level`. */
  job?: string[];
  /** Its own conditions; `otherwise` is taken where the finding does not say. */
  under?: {
    condition: Condition;
    below?: number;
    is?: boolean | string;
    otherwise: number | boolean | string;
  }[];
  weight: number;
  caution: string;
}
