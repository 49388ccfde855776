import type { Repair } from '@/core/scope';

const NAMES: Record<Repair, string> = {
  targeted: 'Targeted repair',
  full: 'Full overhaul',
  upgrade: 'Overhaul with upgrade',
  exchange: 'Exchange unit',
  none: 'Do not repair',
};

export const nameOf = (repair: Repair) => NAMES[repair];
