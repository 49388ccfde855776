import type { Behaviour, GridCell } from '@/core/case';
import type { Prediction, PredictionKind } from './predict';

/** Likelihood of each behaviour for each kind of prediction: `data/knowledge/behaviour.json`. */
export type BehaviourTable = Record<PredictionKind, Record<Behaviour, number>>;

/** A cell of the complaint grid with its gear. */
export interface Complaint {
  gear: string;
  cell: GridCell;
}

/** How far a report is to be believed; the rest is spread over all behaviours. Shop-verified counts more. */
const TRUST = { customer: 0.75, shop: 0.96 } as const;
const INTERMITTENT_WEIGHT = 0.7;
const BACKGROUND = 0.05;

/** Log-likelihood of one cell given what the gear is predicted to do. */
export function cellLogLikelihood(
  table: BehaviourTable,
  complaint: Complaint,
  prediction: Prediction,
): number {
  const { cell } = complaint;
  const trust = TRUST[cell.source];
  const row = table[prediction.kind];
  // Several words for one gear describe one event: their mean, so that talkative cells do not count double.
  const logs = cell.behaviours.map((b) => Math.log(trust * row[b] + (1 - trust) * BACKGROUND));
  let mean = logs.reduce((a, b) => a + b, 0) / logs.length;
  if (cell.actsLike && prediction.actsLike) mean += cell.actsLike === prediction.actsLike ? 0.7 : -1.2;
  return mean * (cell.when.includes('intermittent') ? INTERMITTENT_WEIGHT : 1);
}

/** True when the report is what this kind of prediction would produce better than most others would. */
export function agrees(table: BehaviourTable, complaint: Complaint, prediction: Prediction): boolean {
  const here = cellLogLikelihood(table, complaint, prediction);
  const best = Math.max(
    ...(Object.keys(table) as PredictionKind[])
      .filter((kind) => typeof table[kind] === 'object')
      .map((kind) => cellLogLikelihood(table, complaint, { ...prediction, kind })),
  );
  return here > best - Math.log(6);
}

/**
 * Sum over the grid. Gears nobody described are not counted either way; those driven by electronics in their fallback
 * program are set aside: they say little about the hardware.
 */
export function gridLogLikelihood(
  table: BehaviourTable,
  complaints: Complaint[],
  predictions: Prediction[],
): number {
  const byGear = new Map(predictions.map((p) => [p.gear, p]));
  return complaints.reduce((sum, c) => {
    const prediction = byGear.get(c.gear);
    return prediction && !c.cell.limp ? sum + cellLogLikelihood(table, c, prediction) : sum;
  }, 0);
}
