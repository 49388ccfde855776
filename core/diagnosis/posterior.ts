import type { JobState } from '@/core/case';
import { observe } from '@/core/evidence';
import type { Observation } from '@/core/evidence';
import { complaintsOf } from '@/core/suspects';
import type { Complaint } from '@/core/suspects';
import { familyTables, gridGivenRoot, linkOf } from './model';
import type { Link, Model } from './model';

/** An observation with what it hangs on and its likelihoods, the weight applied: P^weight. */
export interface Bearing {
  observation: Observation;
  link: Link;
  absent: number;
  present: number;
}

export interface Posterior {
  complaints: Complaint[];
  bearings: Bearing[];
  /** P(root is the first cause | everything). */
  probability: number[];
  /** Log P(grid | root). */
  grid: number[];
  /** P(mechanism | everything, root), per root. */
  given: Float64Array[];
  /** P(mechanism | everything). */
  mechanisms: Float64Array;
}

/** Exact posterior: for each root, one pass over the clique tree with the evidence on it. */
export function posterior(model: Model, state: JobState): Posterior {
  const complaints = complaintsOf(state);
  const bearings = observe(model.unit, state).flatMap((o) => bearingOf(model, o));
  const soft = model.mechanisms.map(() => Float64Array.of(1, 1));
  for (const { link, absent, present } of bearings) {
    if (link.kind !== 'mechanism') continue;
    soft[link.index]![0]! *= absent;
    soft[link.index]![1]! *= present;
  }
  const grid: number[] = [];
  const given: Float64Array[] = [];
  const logs = model.roots.map((root, k) => {
    const inference = model.infer([...familyTables(model, root), ...soft]);
    given.push(inference.marginals);
    grid.push(gridGivenRoot(model, root, complaints));
    const direct = bearings.reduce(
      (sum, b) => sum + (b.link.kind === 'root' ? Math.log(rootLikelihood(b, root)) : 0),
      0,
    );
    return model.logPrior[k]! + grid[k]! + direct + Math.log(Math.max(inference.evidence, 1e-300));
  });
  const probability = normalise(logs);
  const mechanisms = new Float64Array(model.mechanisms.length);
  given.forEach((marginals, r) =>
    marginals.forEach((m, k) => (mechanisms[k] = mechanisms[k]! + m * probability[r]!)),
  );
  return { complaints, bearings, probability, grid, given, mechanisms };
}

function bearingOf(model: Model, observation: Observation): Bearing[] {
  const link = linkOf(model, observation.point);
  const level = link?.levels[observation.level];
  if (!link || !level) return [];
  const [absent, present] = level.map((p) => p ** observation.weight) as [number, number];
  return [{ observation, link, absent, present }];
}

export function rootLikelihood(bearing: Bearing, root: Parameters<typeof gridGivenRoot>[1]): number {
  return bearing.link.kind === 'root' && bearing.link.matches(root) ? bearing.present : bearing.absent;
}

/**
 * P(everything but this bearing | root) ÷ P(everything | root), up to a constant: exact, because a bearing touches one
 * variable only. Used to say what a finding weighs.
 */
export function withoutBearing(model: Model, post: Posterior, bearing: Bearing, root: number): number {
  if (bearing.link.kind === 'root') return 1 / rootLikelihood(bearing, model.roots[root]!);
  const present = post.given[root]![bearing.link.index]!;
  return present / bearing.present + (1 - present) / bearing.absent;
}

export function normalise(logs: number[]): number[] {
  const best = Math.max(...logs);
  const weights = logs.map((l) => Math.exp(l - best));
  const total = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / total);
}
