import type { DebrisKind } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { DEBRIS_WORDS } from './words';

/** A slot as a person calls it: `part.sun-shell` → "sun shell". */
export function slotWords(unit: UnitDefinition, slot: string): string {
  const [head = '', target = ''] = slot.split('.');
  const element = unit.elements.find((e) => e.id === target)?.name.toLowerCase() ?? target;
  switch (head) {
    case 'part':
      return unit.parts.find((p) => p.id === target)?.name.toLowerCase() ?? target;
    case 'plate':
    case 'band':
      return `${element} lining`;
    case 'airtest':
      return `${element} air test`;
    case 'debris':
      return DEBRIS_WORDS[target as DebrisKind]?.name.toLowerCase() ?? target;
    case 'solenoid':
      return `solenoid ${target}`;
    case 'grid':
      return `${target} in the grid`;
    case 'codes':
      return 'codes';
    case 'scope':
      return 'shop policy';
    case 'cause':
      return 'committed cause';
    default:
      return `${head} ${target}`.replaceAll('-', ' ').trim();
  }
}

/** The stage where a slot is written, for a link to it. */
export function slotStage(slot: string): string {
  const head = slot.split('.')[0]!;
  if (head === 'cause') return 'cause';
  if (head === 'scope') return 'scope';
  return [
    'part',
    'plate',
    'band',
    'airtest',
    'debris',
    'filter',
    'solenoid',
    'converter',
    'station',
  ].includes(head)
    ? 'teardown'
    : 'intake';
}
