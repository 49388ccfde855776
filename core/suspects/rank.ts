import type { Complaint } from '@/core/case';
import { faultName } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { elementOf, midSentence, partOf } from '@/core/unit';
import type { Part, UnitDefinition } from '@/core/unit';
import { agrees, cellLogLikelihood, tellsOfGears } from './fit';
import type { BehaviourTable } from './schema';
import { pairHypotheses, singleHypotheses } from './hypotheses';
import type { Hypothesis } from './hypotheses';
import { healthyTable, predict } from './predict';
import type { Prediction } from './predict';
import { losesGrip, thermalFit, thermalsOf } from './temperature';
import type { Thermal } from './temperature';

export interface Suspect {
  id: string;
  name: string;
  /** One fault, or two together. */
  faults: Fault[];
  element: string | null;
  /** When it is there, as the grid has it. */
  when: Thermal;
  /** Probability among all single faults and plausible pairs, given the grid alone. */
  probability: number;
  agree: string[];
  disagree: string[];
  predictions: Prediction[];
  alike: string[];
  /** What to look at first: parts feeding and carrying the element, the likeliest first. */
  feed: Part[];
  power: Part[];
}

/** Prepares the ranking for a unit: all hypotheses are solved once. Ranks single faults and plausible pairs, best first. */
export function suspectRanker(unit: UnitDefinition, table: BehaviourTable, most = 40) {
  const singles = singleHypotheses(unit);
  const hypotheses = [...singles, ...pairHypotheses(unit, singles)];
  const sound = predict(unit, healthyTable(unit), []);
  return (complaints: readonly Complaint[]): Suspect[] => {
    // What the electronics did in their fallback program says little about the hardware.
    const told = tellsOfGears(complaints).filter((c) => sound.some((p) => p.gear === c.gear));
    if (told.length === 0) return [];
    const ranked = rank(table, hypotheses, sound, told);
    return ranked.slice(0, most).map((r) => toSuspect(unit, table, r, sound, told));
  };
}

interface Ranked {
  hypothesis: Hypothesis;
  when: Thermal;
  probability: number;
}

function rank(
  table: BehaviourTable,
  hypotheses: Hypothesis[],
  sound: Prediction[],
  told: Complaint[],
): Ranked[] {
  const index = new Map(sound.map((p, k) => [p.gear, k]));
  // Many hypotheses predict the same of a gear: each fit is worked out once.
  const fits = told.map((complaint) => {
    const known = new Map<string, number>();
    return (p: Prediction) => {
      const key = `${p.kind} ${p.actsLike ?? ''}`;
      let fit = known.get(key);
      if (fit === undefined) known.set(key, (fit = cellLogLikelihood(table, complaint, p)));
      return fit;
    };
  });
  const scored = hypotheses.map((hypothesis) => {
    const ways = thermalsOf(losesGrip(hypothesis.faults)).map(({ when, share }) => {
      let log = Math.log(hypothesis.prior * share);
      told.forEach((complaint, k) => {
        const at = index.get(complaint.gear)!;
        log += thermalFit(complaint, when, fits[k]!(hypothesis.predictions[at]!), fits[k]!(sound[at]!));
      });
      return { when, log };
    });
    const best = ways.reduce((a, b) => (b.log > a.log ? b : a));
    const log = best.log + Math.log(ways.reduce((sum, w) => sum + Math.exp(w.log - best.log), 0));
    return { hypothesis, when: best.when, log };
  });
  const best = Math.max(...scored.map((s) => s.log));
  const total = scored.reduce((sum, s) => sum + Math.exp(s.log - best), 0);
  return scored
    .sort((a, b) => b.log - a.log)
    .map(({ hypothesis, when, log }) => ({ hypothesis, when, probability: Math.exp(log - best) / total }));
}

function toSuspect(
  unit: UnitDefinition,
  table: BehaviourTable,
  { hypothesis, when, probability }: Ranked,
  sound: readonly Prediction[],
  complaints: readonly Complaint[],
): Suspect {
  const byGear = new Map(hypothesis.predictions.map((p) => [p.gear, p]));
  // In the order of the unit's gears, as people say them.
  const judged = unit.gears.map((g) => g.key).filter((gear) => complaints.some((c) => c.gear === gear));
  // A fault that is there hot only is no contradiction to a gear that pulls cold.
  const healthy = new Map(sound.map((p) => [p.gear, p]));
  const absent = ({ heat }: Complaint) => when !== 'always' && heat !== 'any' && heat !== when;
  const fits = (gear: string) =>
    complaints
      .filter((c) => c.gear === gear)
      .every((c) => agrees(table, c, (absent(c) ? healthy : byGear).get(gear)!));
  const { faults } = hypothesis;
  return {
    id: hypothesis.id,
    name: faults.map((f, k) => (k ? midSentence(faultName(unit, f)) : faultName(unit, f))).join(' and '),
    faults,
    element: faults.flatMap((f) => ('element' in f ? [f.element] : []))[0] ?? null,
    when,
    probability,
    agree: judged.filter(fits),
    disagree: judged.filter((gear) => !fits(gear)),
    predictions: hypothesis.predictions,
    alike: hypothesis.alike.map((f) => faultName(unit, f)),
    ...pathsOf(unit, hypothesis),
  };
}

function pathsOf(unit: UnitDefinition, hypothesis: Hypothesis): { feed: Part[]; power: Part[] } {
  const faults = [...hypothesis.faults, ...hypothesis.alike];
  const elements = faults.flatMap((f) => ('element' in f ? [elementOf(unit, f.element)] : []));
  const broken = faults.flatMap((f) => (f.kind === 'break' ? [f.part] : []));
  const weakestFirst = (ids: string[]) =>
    [...new Set(ids)].map((id) => partOf(unit, id)).sort((a, b) => (b.weakness ?? 0) - (a.weakness ?? 0));
  const stuck = hypothesis.faults.every((f) => f.kind === 'stuck');
  return {
    feed: weakestFirst(elements.flatMap((e) => e.feedPath)),
    power: stuck ? [] : weakestFirst([...broken, ...elements.flatMap((e) => e.powerPath)]),
  };
}
