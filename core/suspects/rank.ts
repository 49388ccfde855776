import { below } from '@/core/case';
import type { GridCell, JobState } from '@/core/case';
import { faultName } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { elementOf, partOf } from '@/core/unit';
import type { Part, UnitDefinition } from '@/core/unit';
import { agrees, gridLogLikelihood } from './fit';
import type { BehaviourTable, Complaint } from './fit';
import { singleHypotheses } from './hypotheses';
import type { Hypothesis } from './hypotheses';
import type { Prediction } from './predict';

export interface Suspect {
  id: string;
  name: string;
  fault: Fault;
  element: string | null;
  /** Probability among single faults, given the grid alone. */
  probability: number;
  agree: string[];
  disagree: string[];
  predictions: Prediction[];
  alike: string[];
  /** What to look at first: parts feeding and carrying the element, the likeliest first. */
  feed: Part[];
  power: Part[];
}

/** The complaint grid of a job. */
export function complaintsOf(state: JobState): Complaint[] {
  return below<GridCell>(state, 'grid.').map(([gear, cell]) => ({ gear, cell }));
}

/** How often single faults of each kind start a complaint, before anything is known. */
const PRIOR: Record<Fault['kind'], number> = { lost: 1, slip: 0.9, stuck: 0.35, break: 0.4, strip: 0.3 };

/** Prepares the ranking for a unit; the hypotheses are solved once. */
export function suspectRanker(unit: UnitDefinition, table: BehaviourTable) {
  const hypotheses = singleHypotheses(unit);
  return (complaints: Complaint[]): Suspect[] => rank(unit, table, hypotheses, complaints);
}

function rank(
  unit: UnitDefinition,
  table: BehaviourTable,
  hypotheses: Hypothesis[],
  complaints: Complaint[],
): Suspect[] {
  if (complaints.length === 0) return [];
  const scored = hypotheses.map((h) => ({
    h,
    log: gridLogLikelihood(table, complaints, h.predictions) + Math.log(priorOf(unit, h)),
  }));
  const best = Math.max(...scored.map((s) => s.log));
  const total = scored.reduce((sum, s) => sum + Math.exp(s.log - best), 0);
  return scored
    .sort((a, b) => b.log - a.log)
    .map(({ h, log }) => toSuspect(unit, table, h, complaints, Math.exp(log - best) / total));
}

/** Faults that look alike add up; a part that is known to be weak adds more. */
function priorOf(unit: UnitDefinition, hypothesis: Hypothesis): number {
  return [hypothesis.fault, ...hypothesis.alike].reduce((sum, fault) => {
    const weakness = fault.kind === 'break' ? (partOf(unit, fault.part).weakness ?? 0.5) : 1;
    const oneWay = 'element' in fault && elementOf(unit, fault.element).kind === 'one-way' ? 0.5 : 1;
    return sum + PRIOR[fault.kind] * weakness * oneWay;
  }, 0);
}

function toSuspect(
  unit: UnitDefinition,
  table: BehaviourTable,
  hypothesis: Hypothesis,
  complaints: Complaint[],
  probability: number,
): Suspect {
  const byGear = new Map(hypothesis.predictions.map((p) => [p.gear, p]));
  // In the order of the unit's gears, as people say them.
  const judged = unit.gears.flatMap((gear) => complaints.filter((c) => c.gear === gear.key));
  const fits = (c: Complaint) => agrees(table, c, byGear.get(c.gear)!);
  const element = 'element' in hypothesis.fault ? hypothesis.fault.element : null;
  const paths = pathsOf(unit, hypothesis);
  return {
    id: hypothesis.id,
    name: faultName(unit, hypothesis.fault),
    fault: hypothesis.fault,
    element,
    probability,
    agree: judged.filter(fits).map((c) => c.gear),
    disagree: judged.filter((c) => !fits(c)).map((c) => c.gear),
    predictions: hypothesis.predictions,
    alike: hypothesis.alike.map((f) => faultName(unit, f)),
    ...paths,
  };
}

function pathsOf(unit: UnitDefinition, hypothesis: Hypothesis): { feed: Part[]; power: Part[] } {
  const faults = [hypothesis.fault, ...hypothesis.alike];
  const elements = faults.flatMap((f) => ('element' in f ? [elementOf(unit, f.element)] : []));
  const broken = faults.flatMap((f) => (f.kind === 'break' ? [f.part] : []));
  const weakestFirst = (ids: string[]) =>
    [...new Set(ids)].map((id) => partOf(unit, id)).sort((a, b) => (b.weakness ?? 0) - (a.weakness ?? 0));
  const stuck = hypothesis.fault.kind === 'stuck';
  return {
    feed: weakestFirst(elements.flatMap((e) => e.feedPath)),
    power: stuck ? [] : weakestFirst([...broken, ...elements.flatMap((e) => e.powerPath)]),
  };
}
