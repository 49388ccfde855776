'use client';
import { sidesOf } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { midSentence, partOf } from '@/core/unit';
import type { Attachment, UnitDefinition } from '@/core/unit';
import { Caption } from '@/ui/system';

/** For every broken part: what hangs on each side of the break. */
export function Sides({ unit, faults }: { unit: UnitDefinition; faults: Fault[] }) {
  const broken = faults.flatMap((f) => (f.kind === 'break' ? [f.part] : []));
  return broken.map((id) => {
    const { member, near, away } = sidesOf(unit, id);
    const name = unit.members.find((m) => m.id === member)!.name;
    return (
      <Caption key={id}>
        {partOf(unit, id).name} broken divides the {midSentence(name)}: {say(unit, near)} on one side,{' '}
        {say(unit, away)} on the other.
      </Caption>
    );
  });
}

function say(unit: UnitDefinition, list: Attachment[]): string {
  return list
    .map((a) => {
      if ('element' in a) return midSentence(unit.elements.find((e) => e.id === a.element)!.name);
      if ('terminal' in a) return a.terminal === 'input' ? 'the turbine' : 'the output end';
      return `${a.gear === 'first' || a.gear === 'second' ? 'a gear' : a.gear} of ${midSentence(unit.gearsets.find((g) => g.id === a.gearset)!.name)}`;
    })
    .join(', ');
}
