import type { Complaint } from '@/core/case';
import type { Prediction } from './predict';
import { PREDICTION_KINDS } from './schema';
import type { BehaviourTable } from './schema';

/** How far a report is to be believed; the rest is spread over all behaviours. Shop-verified counts more. */
const TRUST = { customer: 0.75, shop: 0.98 } as const;
const INTERMITTENT_WEIGHT = 0.7;
const BACKGROUND = 0.05;

/** Log-likelihood of one cell given what the gear is predicted to do. */
export function cellLogLikelihood(
  table: BehaviourTable,
  complaint: Complaint,
  prediction: Prediction,
): number {
  const { cell } = complaint;
  const trust = TRUST[complaint.speaker];
  const row = table[prediction.kind];
  // Several words for one gear describe one event: their mean, so that talkative cells do not count double.
  const logs = cell.behaviours.map((b) => Math.log(trust * row[b] + (1 - trust) * BACKGROUND));
  let mean = logs.reduce((a, b) => a + b, 0) / logs.length;
  // A named gear that fits tells more than the word alone; one that does not, or a sound gear taken for another, less.
  if (cell.actsLike && (prediction.actsLike || prediction.kind === 'normal'))
    mean += cell.actsLike === prediction.actsLike ? 0.7 : -1.2;
  return mean * (cell.when?.includes('intermittent') ? INTERMITTENT_WEIGHT : 1);
}

/** True when the report is what this kind of prediction would produce better than most others would. */
export function agrees(table: BehaviourTable, complaint: Complaint, prediction: Prediction): boolean {
  const here = cellLogLikelihood(table, complaint, prediction);
  const best = Math.max(
    ...PREDICTION_KINDS.map((kind) => cellLogLikelihood(table, complaint, { ...prediction, kind })),
  );
  return here > best - Math.log(6);
}

/** What bears on the hardware: gears with something said of how they pull, not driven by a fallback program. */
export function tellsOfGears(complaints: readonly Complaint[]): Complaint[] {
  return complaints.filter((c) => !c.cell.limp && c.cell.behaviours.length > 0);
}
