/** What a part is to Pelvik, whatever it is called: causes, rules and drawings go by it. */
export const PART_ROLES = [
  'filter',
  'pan-gasket',
  'pump-gears',
  'pump-cover',
  'pump-bushing',
  'regulator',
  'converter',
  'overhaul-kit',
  'exchange-unit',
] as const;
export type PartRole = (typeof PART_ROLES)[number];

/** What an operation is to Pelvik, whatever it is called. */
export const OPERATION_ROLES = [
  'remove-refit',
  'diagnose',
  'teardown',
  'overhaul',
  'targeted',
  'pump',
  'valve-body',
  'solenoid',
  'converter-open',
  'cooler-flush',
  'fill-test',
  'planetary',
  'bushings',
  'machining',
  'electrical',
  'programming',
  'cooler',
] as const;
export type OperationRole = (typeof OPERATION_ROLES)[number];

export const MATERIALS = [
  'steel',
  'aluminium',
  'bronze',
  'lining',
  'rubber',
  'plastic',
  'paper',
  'copper',
] as const;

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

/** What a shop charges by the hour for, apart. */
export const LABOUR_RATES = ['bench', 'vehicle', 'diagnosis', 'machining'] as const;
export type LabourRate = (typeof LABOUR_RATES)[number];
