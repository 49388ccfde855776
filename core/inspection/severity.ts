/**
 * The one scale of how bad a thing is, for parts, linings, bands and readings alike: 0 sound, 1 marked by heat or use,
 * 2 worn, 3 past use, 4 coming apart, 5 gone, 6 fused to its mate. What a word of a scale means on it is data.
 */
export const MOST_SEVERE = 6;

/** Outside its limit, unless the point says otherwise. */
export const OUTSIDE = 2;

const PART_STATES = ['sound', 'marked', 'worn', 'failed'] as const;
export type PartState = (typeof PART_STATES)[number];

export function partState(severity: number): PartState {
  return PART_STATES[Math.min(3, Math.max(0, severity))]!;
}

export type LiningState = 'sound' | 'heat-marked' | 'burnt' | 'welded';

/** Glazed and tinted are heat, charred and beyond is burnt. */
export function liningState(severity: number): LiningState {
  if (severity >= MOST_SEVERE) return 'welded';
  if (severity >= 3) return 'burnt';
  return severity >= 1 ? 'heat-marked' : 'sound';
}

export type Tone = 'good' | 'warn' | 'bad';

/** How it is shown: sound, to be watched, past use. */
export function toneOf(severity: number | undefined): Tone | undefined {
  if (severity === undefined) return undefined;
  return severity === 0 ? 'good' : severity < 3 ? 'warn' : 'bad';
}
