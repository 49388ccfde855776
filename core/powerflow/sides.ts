import { partOf } from '@/core/unit';
import type { Attachment, UnitDefinition } from '@/core/unit';
import { sameAttachment } from './compile';
import { gearTerms } from './gear-equation';

/** What hangs on each side of a power-path part once it is broken. */
export interface Sides {
  member: string;
  near: Attachment[];
  away: Attachment[];
}

/** Everything attached to the part's member, on the near side or away. Throws a RangeError for a part that splits nothing. */
export function sidesOf(unit: UnitDefinition, partId: string): Sides {
  const { name, splits } = partOf(unit, partId);
  if (!splits) throw new RangeError(`${name} is not part of a power path: it cannot divide a member.`);
  const { member, away } = splits;
  const near = attachmentsOf(unit, member).filter((a) => !away.some((other) => sameAttachment(a, other)));
  return { member, near, away };
}

/** Every element, gear and shaft end on a member. */
export function attachmentsOf(unit: UnitDefinition, member: string): Attachment[] {
  return [
    ...(unit.input === member ? [{ terminal: 'input' as const }] : []),
    ...unit.elements.filter((e) => e.a === member || e.b === member).map((e) => ({ element: e.id })),
    ...unit.gearsets.flatMap((set) =>
      gearTerms(set)
        .filter((t) => t.member === member)
        .map((t) => ({ gearset: set.id, gear: t.gear })),
    ),
    ...(unit.output === member ? [{ terminal: 'output' as const }] : []),
  ];
}
