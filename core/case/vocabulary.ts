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
  'stalls-at-stops',
  'shudder',
  'no-engine-braking',
  'moves',
  'binds-in-turns',
] as const;
export type Behaviour = (typeof BEHAVIOURS)[number];

/** How warm the unit was when a gear did what it did; `any` where nobody can say, or it is the same both ways. */
export const HEATS = ['any', 'cold', 'hot'] as const;
export type Heat = (typeof HEATS)[number];

/** Who says what a gear does: the customer, or the shop that has seen it. */
export const SPEAKERS = ['customer', 'shop'] as const;
export type Speaker = (typeof SPEAKERS)[number];

/** Under which circumstances, beside the heat. */
export const CONDITIONS = ['load', 'intermittent'] as const;
export type Condition = (typeof CONDITIONS)[number];

/** Noises are told beside what a gear does: it may pull as it should and whine. */
export const NOISES = ['whine', 'growl', 'rattle', 'clunk', 'other'] as const;
export type Noise = (typeof NOISES)[number];

/** What a repair tried before changed. */
export const REPAIR_EFFECTS = ['nothing', 'better', 'worse', 'cured'] as const;
export type RepairEffect = (typeof REPAIR_EFFECTS)[number];

/** What a bought part is: as made, rebuilt by somebody, or taken out of a donor core and inspected. */
export const GRADES = ['new', 'remanufactured', 'donor'] as const;
export type Grade = (typeof GRADES)[number];

/** What can be done with a part. */
export const SCOPE_ACTIONS = [
  'reuse',
  'clean',
  'flush',
  'return',
  'measure',
  'machine',
  'reline',
  'replace',
  'upgrade',
] as const;
