import type { JobState } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { chainOf } from './chain';
import type { ChainStep } from './chain';
import { nextChecks } from './checks';
import type { NextCheck } from './checks';
import { whoIsBehind } from './upstream';
import type { Behind, Upstream } from './upstream';
import type { Knowledge } from './knowledge';
import { buildModel } from './model';
import type { Model } from './model';
import { posterior, withoutBearing, withoutGrid } from './posterior';
import type { Posterior } from './posterior';

/** What one finding says about one cause. */
export interface Evidence {
  point: string;
  level: string;
  slots: string[];
  /** Natural log of how much it multiplies the odds of the cause; negative speaks against. */
  weight: number;
  caution: string | null;
}

export interface Cause {
  id: string;
  mode: string;
  part: string | null;
  element: string | null;
  /** P(this is what failed first). */
  probability: number;
  /** P(this is there at all, first or as a consequence). */
  present: number;
  words: string;
  chain: ChainStep[];
  evidence: Evidence[];
}

export interface Diagnosis {
  causes: Cause[];
  mechanisms: { id: string; words: string; probability: number }[];
  nextChecks: NextCheck[];
  /** No cause stands out enough to be named as the first, or the leading one only names damage. */
  undetermined: boolean;
  /** Who may have done the damage the leading cause names; empty when it is a cause of its own. */
  upstream: Upstream[];
  /** Findings the leading cause does not explain. */
  unexplained: Evidence[];
}

/** Below this a leading cause is not called determined. */
export const DETERMINED_AT = 0.7;

/** Compiles the unit's model once; each call is exact and takes milliseconds. */
export function diagnoser(unit: UnitDefinition, knowledge: Knowledge): (state: JobState) => Diagnosis {
  const model = buildModel(unit, knowledge);
  return (state) => diagnose(model, state);
}

function diagnose(model: Model, state: JobState): Diagnosis {
  const post = posterior(model, state);
  const order = model.roots.map((_, r) => r).sort((a, b) => post.probability[b]! - post.probability[a]!);
  const leader = order[0]!;
  const ranked = order.map((r, rank) => toCause(model, post, r, rank < 8));
  const damage = ranked[0]!.probability >= DETERMINED_AT ? whoIsBehind(model, post, leader) : null;
  const causes = damage?.seen ? settled(model, ranked, damage) : ranked;
  const [top] = causes;
  return {
    causes,
    mechanisms: model.mechanisms
      .map((m, k) => ({ id: m.id, words: m.words, probability: post.mechanisms[k]! }))
      .sort((a, b) => b.probability - a.probability),
    nextChecks: damage?.seen ? damage.nextChecks : nextChecks(model, post),
    undetermined: top!.probability < DETERMINED_AT || model.roots.find((r) => r.id === top!.id)!.open,
    upstream: damage?.candidates ?? [],
    unexplained: unexplained(model, post, leader),
  };
}

/**
 * The leading cause names damage that was seen. Where one cause behind it stands out, that is what failed first: it
 * takes over the damage's probability in proportion, and the damage stays present as its consequence.
 */
function settled(model: Model, ranked: Cause[], { posterior: upstream }: Behind): Cause[] {
  const share = Math.max(...upstream.probability);
  const r = upstream.probability.indexOf(share);
  const [named, ...others] = ranked;
  if (share < DETERMINED_AT || model.roots[r]!.open) return ranked;
  const first = toCause(model, upstream, r, true);
  const own = others.find((c) => c.id === first.id)!.probability;
  const moved = named!.probability * share;
  return [
    { ...first, probability: own + moved },
    { ...named!, probability: named!.probability - moved },
    ...others.filter((c) => c.id !== first.id),
  ].sort((a, b) => b.probability - a.probability);
}

function toCause(model: Model, post: Posterior, r: number, detailed: boolean): Cause {
  const root = model.roots[r]!;
  const probability = post.probability[r]!;
  const present =
    root.presentAs === null ? probability : Math.max(probability, post.mechanisms[root.presentAs]!);
  return {
    id: root.id,
    mode: root.mode,
    part: root.part,
    element: root.element,
    probability,
    present,
    words: root.words,
    chain: detailed ? chainOf(model, post, r) : [],
    evidence: detailed ? ledger(model, post, r) : [],
  };
}

/** Leave-one-out: how the odds of this cause against all others change with each finding, the strongest first. */
function ledger(model: Model, post: Posterior, r: number): Evidence[] {
  const odds = (p: number) => Math.log(Math.max(p, 1e-12) / Math.max(1 - p, 1e-12));
  const now = odds(post.probability[r]!);
  const change = (factor: (root: number) => number) => {
    const weights = post.probability.map((p, root) => p * factor(root));
    return now - odds(weights[r]! / weights.reduce((a, b) => a + b, 0));
  };
  const findings = post.bearings.map((b): Evidence => ({
    point: b.observation.point,
    level: b.observation.level,
    slots: b.observation.slots,
    weight: change((root) => withoutBearing(model, post, b, root)),
    caution: b.observation.caution ?? null,
  }));
  if (post.complaints.length) {
    findings.push({
      point: 'grid',
      level: 'complaint',
      slots: post.complaints.map((c) => `grid.${c.gear}`),
      weight: change((root) => withoutGrid(model, post, root)),
      caution: null,
    });
  }
  return findings
    .filter((e) => Math.abs(e.weight) > 0.02)
    .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
}

/** Findings twice as likely when their mechanism is there, while the leading cause leaves it unlikely. */
function unexplained(model: Model, post: Posterior, r: number): Evidence[] {
  const root = model.roots[r]!;
  return post.bearings.flatMap((b) => {
    if (b.link.kind === 'root')
      return b.present / b.absent > 4 && !b.link.matches(root) ? [toEvidence(b)] : [];
    const prior = root.effects.get(b.link.index) ?? 0;
    const helped =
      prior > 0.2 || model.mechanisms[b.link.index]!.parents.some((p) => post.given[r]![p.index]! > 0.4);
    return b.present / b.absent > 4 && !helped ? [toEvidence(b)] : [];
  });
}

function toEvidence(b: Posterior['bearings'][number]): Evidence {
  const { point, level, slots, caution } = b.observation;
  return { point, level, slots, weight: Math.log(b.present / b.absent), caution: caution ?? null };
}
