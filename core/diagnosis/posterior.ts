import { below } from '@/core/case';
import type { Complaint, JobState } from '@/core/case';
import { factsOf } from '@/core/facts';
import type { Fact } from '@/core/facts';
import { reportsOf } from '@/core/roadtest';
import { gridGivenRoot, linkOf } from './model';
import type { Link, Model } from './model';
import type { SoftEvidence } from './network';
import type { Root } from './roots';

/** A fact with what it hangs on and its likelihoods, the weight applied: P^weight. */
export interface Bearing {
  fact: Fact;
  link: Link;
  absent: number;
  present: number;
}

export interface Posterior {
  /** A station is out: the vehicle can no longer be driven or measured. */
  opened: boolean;
  complaints: Complaint[];
  bearings: Bearing[];
  /** P(root is the first cause | everything). */
  probability: number[];
  /** Per root, log P(grid | root, the mechanism it hangs on absent or present). */
  grid: [number, number][];
  /** P(mechanism | everything, root), per root. */
  given: Float64Array[];
  /** P(mechanism | everything). */
  mechanisms: Float64Array;
}

/** Exact posterior: for each root, one pass over the clique tree with the evidence on it. */
export function posterior(model: Model, state: JobState): Posterior {
  const complaints = reportsOf(model.unit, state);
  const bearings = factsOf(model.unit, state, model.knowledge).flatMap((f) => bearingOf(model, f));
  const soft = softEvidence(model, bearings);
  const grid = model.roots.map((root) => gridGivenRoot(model, root, complaints));
  const infer = model.network.given(soft);
  const given: Float64Array[] = [];
  const logs = model.roots.map((root, k) => {
    const [absent, present] = grid[k]!;
    const best = Math.max(absent, present);
    const inference = infer(
      root.effects,
      extraEvidence(soft, root.gridOn, Math.exp(absent - best), Math.exp(present - best)),
    );
    given.push(inference.marginals);
    return (
      model.logPrior[k]! + best + logDirect(bearings, root) + Math.log(Math.max(inference.evidence, 1e-300))
    );
  });
  const probability = normalise(logs);
  const mechanisms = new Float64Array(model.mechanisms.length);
  given.forEach((marginals, r) =>
    marginals.forEach((m, k) => (mechanisms[k] = mechanisms[k]! + m * probability[r]!)),
  );
  const opened = below(state, 'station.').some(([, out]) => out === true);
  return { opened, complaints, bearings, probability, grid, given, mechanisms };
}

/** What the findings say of each mechanism: [absent, present]. */
function softEvidence(model: Model, bearings: Bearing[]): Float64Array[] {
  const soft = model.mechanisms.map(() => Float64Array.of(1, 1));
  for (const { link, absent, present } of bearings) {
    if (link.kind !== 'mechanism') continue;
    soft[link.index]![0]! *= absent;
    soft[link.index]![1]! *= present;
  }
  return soft;
}

/** The evidence on one mechanism with something more known of it. */
function extraEvidence(
  soft: SoftEvidence,
  at: number | null,
  absent: number,
  present: number,
): [number, Float64Array] | undefined {
  return at === null ? undefined : [at, Float64Array.of(soft[at]![0]! * absent, soft[at]![1]! * present)];
}

/** Findings that look straight at the root. */
function logDirect(bearings: Bearing[], root: Root): number {
  return bearings.reduce(
    (sum, b) => sum + (b.link.kind === 'root' ? Math.log(rootLikelihood(b, root)) : 0),
    0,
  );
}

/**
 * The posterior given that a mechanism is there, without the complaint grid: who set off damage that is known. The grid
 * is left out because it tells of the damage, not of what was before it. Roots in `without` are not counted.
 */
export function behind(model: Model, post: Posterior, mechanism: number, without: Set<number>): Posterior {
  const soft = softEvidence(model, post.bearings);
  const infer = model.network.given(soft);
  const damage = extraEvidence(soft, mechanism, 0, 1);
  const given: Float64Array[] = [];
  const logs = model.roots.map((root, k) => {
    const { evidence, marginals } = infer(root.effects, damage);
    given.push(marginals);
    if (without.has(k)) return -Infinity;
    return model.logPrior[k]! + logDirect(post.bearings, root) + Math.log(Math.max(evidence, 1e-300));
  });
  return { ...post, complaints: [], probability: normalise(logs), given };
}

function bearingOf(model: Model, fact: Fact): Bearing[] {
  const link = linkOf(model, fact.point);
  const level = link?.levels[fact.level];
  if (!link || !level) return [];
  const [absent, present] = level.map((p) => p ** fact.weight) as [number, number];
  return [{ fact, link, absent, present }];
}

export function rootLikelihood(bearing: Bearing, root: Root): number {
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

/** The same for the complaint grid, per root. Bounded, so that a cause the grid makes impossible cannot overflow the others. */
export function withoutGrid(model: Model, post: Posterior): number[] {
  const best = Math.max(...post.grid.flat());
  return post.grid.map((logs, root) => {
    const [absent, present] = logs.map((log) => Math.exp(Math.min(best - log, 60)));
    const on = model.roots[root]!.gridOn;
    const p = on === null ? 1 : post.given[root]![on]!;
    return (1 - p) * absent! + p * present!;
  });
}

export function normalise(logs: number[]): number[] {
  const best = Math.max(...logs);
  const weights = logs.map((l) => Math.exp(l - best));
  const total = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / total);
}
