import type { FrictionGrade, SteelGrade } from '@/core/case';

/** How bad a face is, 0 (sound) to 6 (welded). Not-assessable has none: it is no evidence either way. */
export const FACE_SEVERITY: Record<Exclude<FrictionGrade | SteelGrade, 'not-assessable'>, number> = {
  sound: 0,
  bright: 0,
  darkened: 1,
  tinted: 1,
  glazed: 2,
  'hot-spotted': 2,
  scored: 2,
  blue: 3,
  charred: 3,
  warped: 3,
  flaking: 4,
  bare: 5,
  welded: 6,
};

/** The state of a whole pack or band, from its worst faces. */
export const LINING_STATES = ['sound', 'heat-marked', 'burnt', 'welded'] as const;
export type LiningState = (typeof LINING_STATES)[number];

/** Severity → state: glazed and tinted are heat, charred and beyond is burnt. */
export function liningState(severity: number): LiningState {
  if (severity >= 6) return 'welded';
  if (severity >= 3) return 'burnt';
  return severity >= 1 ? 'heat-marked' : 'sound';
}
