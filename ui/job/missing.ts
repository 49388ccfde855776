import { below, valueOf } from '@/core/case';
import type { JobState, Stage } from '@/core/case';
import { partsWithRole } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';

interface JobView {
  state: JobState;
  unit: UnitDefinition;
}

/** What a stage lacks before it can be called done, in words; null when nothing does. */
export function missingFor(stage: Stage, { state, unit }: JobView): string | null {
  const lacks = (MISSING[stage] ?? []).filter((m) => m.lacks(state, unit)).map((m) => m.words);
  return lacks.length ? `${lacks.join(', ')}.` : null;
}

const unset = (slot: string) => (state: JobState) => valueOf(state, slot) === undefined;
const none = (prefix: string) => (state: JobState) => below(state, prefix).length === 0;

interface Lack {
  words: string;
  lacks: (state: JobState, unit: UnitDefinition) => boolean;
}

const MISSING: Partial<Record<Stage, Lack[]>> = {
  intake: [
    { words: 'who brings it', lacks: unset('customer.name') },
    {
      words: 'the vehicle, or that there is none',
      lacks: (s) => unset('vehicle.make')(s) && !valueOf(s, 'vehicle.bare'),
    },
    { words: 'the complaint in words', lacks: unset('complaint.words') },
    { words: 'the complaint grid', lacks: (s) => none('grid.')(s) && !valueOf(s, 'vehicle.bare') },
    {
      words: 'fluid level and colour',
      lacks: (s) => unset('unit.fluid.level')(s) || unset('unit.fluid.colour')(s),
    },
    { words: 'whether codes were scanned', lacks: unset('codes.scan') },
  ],
  suspects: [{ words: 'fill the complaint grid at Intake', lacks: none('grid.') }],
  teardown: [
    {
      words: 'stations still in the case',
      lacks: (s, unit) => unit.stations.some((station) => !valueOf(s, `station.${station.id}.out`)),
    },
    {
      words: 'the filter, opened',
      lacks: (s, unit) => partsWithRole(unit, 'filter').some((p) => unset(`part.${p.id}.pleats`)(s)),
    },
  ],
  cause: [{ words: 'commit a cause, or that it is not determined', lacks: unset('cause.commit') }],
  scope: [{ words: 'the cause the scope stands on', lacks: unset('cause.commit') }],
};
