import { findingName } from '@/core/case';
import { pointWords } from '@/core/inspection';
import type { Inspection } from '@/core/inspection';

/** A slot as a person calls it: `part.sun-shell.crack` → "Sun shell, crack". */
export function slotWords(inspection: Inspection, slot: string): string {
  const found = inspection.named(slot);
  if (found) return pointWords(found.subject, found.point);
  const name = findingName(slot);
  if (name) return inspection.subject(name.head, name.ids)?.name ?? slot;
  const [head = '', target = ''] = slot.split('.');
  switch (head) {
    case 'grid':
      return `${target} in the complaint grid`;
    case 'codes':
      return target === 'list' ? `code ${slot.split('.')[2]}` : 'codes';
    case 'scope':
      return 'shop policy';
    case 'cause':
      return 'committed cause';
    default:
      return `${head} ${target}`.replaceAll('-', ' ').trim();
  }
}
