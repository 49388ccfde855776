import type { Behaviour, Condition, Heat, Noise, RepairEffect, Teller } from '@/core/case';

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

export const TELLER_WORDS: Record<Teller, string> = {
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

export function percent(p: number): string {
  return p > 0 && p < 0.005 ? '< 1 %' : `${Math.round(p * 100)} %`;
}
