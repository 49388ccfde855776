import { below, valueOf } from '@/core/case';
import type { Finding, JobState, Stage } from '@/core/case';
import { stillExpected } from '@/core/inspection';
import type { Inspection } from '@/core/inspection';
import { midSentence } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';

/** What a stage lacks before it can be called done, in words; null when nothing does. */
export function missingFor(stage: Stage, inspection: Inspection, state: JobState): string | null {
  // A unit that works as it should is not opened.
  if (stage !== 'intake' && worksAsItShould(state)) return null;
  const lacks = [
    ...(MISSING[stage] ?? []).filter((m) => m.lacks(state, inspection.unit)).map((m) => m.words),
    ...stillExpected(inspection, state, stage).map(midSentence),
  ];
  return lacks.length ? `${lacks.join('; ')}.` : null;
}

/** The drive showed nothing wrong: that is an outcome, not a gap. */
export function worksAsItShould(state: JobState): boolean {
  const outcome = valueOf(state, 'unit.checks.outcome') as Finding | undefined;
  return outcome?.is === 'works';
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
    { words: 'whether codes were scanned', lacks: unset('codes.scan') },
  ],
  suspects: [{ words: 'fill the complaint grid at Intake', lacks: none('grid.') }],
  teardown: [
    {
      words: 'stations still in the case',
      lacks: (s, unit) => unit.stations.some((station) => !valueOf(s, `station.${station.id}.out`)),
    },
  ],
  cause: [{ words: 'commit a cause, or that it is not determined', lacks: unset('cause.commit') }],
  scope: [{ words: 'the cause the scope stands on', lacks: unset('cause.commit') }],
};
