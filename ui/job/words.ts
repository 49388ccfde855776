import type { Behaviour, Condition, Heat, Noise, RepairEffect, Speaker } from '@/core/case';

export const BEHAVIOUR_WORDS: Record<Behaviour, string> = {
  normal: 'Normal',
  slips: 'Slips',
  flares: 'Flares',
  'no-drive': 'No drive',
  'wrong-gear': 'Wrong gear',
  skipped: 'Skipped',
  'double-bump': 'Double bump',
  binds: 'Binds',
  bogs: 'Bogs or stalls',
  delayed: 'Delayed',
  'stalls-at-stops': 'Stalls at stops',
  shudder: 'Shudders',
  'no-engine-braking': 'No engine braking',
  moves: 'Moves when it should not',
  'binds-in-turns': 'Binds in turns',
};

export const CONDITION_WORDS: Record<Condition, string> = {
  load: 'Under load',
  intermittent: 'At times',
};

export const HEAT_WORDS: Record<Heat, string> = { any: 'Any time', cold: 'Cold', hot: 'Hot' };

export const SPEAKER_WORDS: Record<Speaker, string> = {
  customer: 'The customer says',
  shop: 'The shop has seen',
};

export const NOISE_WORDS: Record<Noise, string> = {
  whine: 'Whine',
  growl: 'Growl',
  rattle: 'Rattle',
  clunk: 'Clunk',
  other: 'Noise',
};

export const REPAIR_WORDS: Record<RepairEffect, string> = {
  nothing: 'Changed nothing',
  better: 'Better for a while',
  worse: 'Made it worse',
  cured: 'Cured it',
};

export function percent(share: number): string {
  return share > 0 && share < 0.005 ? '< 1 %' : `${Math.round(share * 100)} %`;
}

/** A probability as a person reads it: at the ends only that it is near them, for nothing is ever certain. */
export function likelihood(p: number): string {
  if (p < 0.005) return '< 1 %';
  return p >= 0.995 ? '> 99 %' : `${Math.round(p * 100)} %`;
}

/** How long a check takes, with what must come out before it. */
export function checkTime({ minutes, reach }: { minutes: number; reach: number }): string {
  const rounded = Math.round(reach / 5) * 5;
  if (rounded === 0) return `about ${minutes} minutes`;
  const getting = rounded < 90 ? `${rounded} minutes` : `${(reach / 60).toFixed(1)} hours`;
  return `about ${minutes} minutes, after ${getting} to get there`;
}

/** Said where a verdict would stand. */
export const NOT_JUDGED =
  'Pelvik cannot work out a root cause for this unit: it has too many clutches and bands. Everything you enter is saved. For new jobs, save a new version of the unit with fewer of them.';
