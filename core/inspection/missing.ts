import { stageView, valueOf } from '@/core/case';
import type { Finding, JobState } from '@/core/case';
import { lackingAt } from '@/core/stage';
import type { Stage } from '@/core/stage';
import { midSentence } from '@/core/unit';
import { stillExpected } from './expected';
import type { Inspection } from './inspection';
import { stageOfIn } from './stage';

/** What a stage lacks before it can be called done, in words; null when nothing does. */
export function missingFor(stage: Stage, inspection: Inspection, state: JobState): string | null {
  // A unit that works as it should is not opened.
  if (stage !== 'intake' && worksAsItShould(state)) return null;
  const { unit, catalogue } = inspection;
  const lacks = [
    ...lackingAt(stage, stageView(state, unit.stations, 'none', stageOfIn(catalogue))),
    ...stillExpected(inspection, state, stage).map(midSentence),
  ];
  return lacks.length ? `${lacks.join('; ')}.` : null;
}

/** The drive showed nothing wrong: that is an outcome, not a gap. */
function worksAsItShould(state: JobState): boolean {
  const outcome = valueOf(state, 'unit.checks.outcome') as Finding | undefined;
  return outcome?.is === 'works';
}
