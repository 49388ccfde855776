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
