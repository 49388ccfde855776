/** What the slots of a job are written in: each list is the whole of what may stand there. */

export const BEHAVIOURS = [
  'normal',
  'slips',
  'flares',
  'no-drive',
  'wrong-gear',
  'skipped',
  'double-bump',
  'binds',
  'bogs',
  'delayed',
  'shudder',
  'noise',
  'no-engine-braking',
  'moves',
  'binds-in-turns',
] as const;
export type Behaviour = (typeof BEHAVIOURS)[number];

export const CONDITIONS = ['cold', 'hot', 'load', 'intermittent'] as const;
export type Condition = (typeof CONDITIONS)[number];

export const FRICTION_GRADES = [
  'sound',
  'darkened',
  'glazed',
  'charred',
  'flaking',
  'bare',
  'welded',
  'not-assessable',
] as const;
export const STEEL_GRADES = [
  'bright',
  'tinted',
  'hot-spotted',
  'blue',
  'scored',
  'warped',
  'welded',
  'not-assessable',
] as const;
/** The grades a face of a plate of this kind can have; a wave spring has none. */
export function familyGrades(kind: string): readonly string[] {
  if (kind === 'wave') return [];
  return kind === 'friction' ? FRICTION_GRADES : STEEL_GRADES;
}
export type FrictionGrade = (typeof FRICTION_GRADES)[number];
export type SteelGrade = (typeof STEEL_GRADES)[number];

export const PART_GRADES = ['sound', 'marked', 'worn', 'failed', 'takedown', 'not-assessable'] as const;
export type PartGrade = (typeof PART_GRADES)[number];

/** What a repair tried before changed. */
export const REPAIR_EFFECTS = ['nothing', 'better', 'worse', 'cured'] as const;
export type RepairEffect = (typeof REPAIR_EFFECTS)[number];

export const DEBRIS_KINDS = [
  'grey-paste',
  'bright-flakes',
  'chunks',
  'bronze',
  'aluminium',
  'fibre',
  'plastic',
  'water',
] as const;
export type DebrisKind = (typeof DEBRIS_KINDS)[number];
/** Where debris lay. */
export const DEBRIS_PLACES = ['pan', 'magnets', 'filter', 'sensors', 'lines'] as const;
export type DebrisPlace = (typeof DEBRIS_PLACES)[number];

export const AMOUNTS = ['none', 'trace', 'some', 'heavy'] as const;
export type Amount = (typeof AMOUNTS)[number];
