import type { JobState } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { chainOf } from './chain';
import type { ChainStep } from './chain';
import { nextChecks } from './checks';
import type { NextCheck } from './checks';
import type { Knowledge } from './knowledge';
import { buildModel } from './model';
import type { Model } from './model';
import { posterior, withoutBearing } from './posterior';
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
  /** No cause stands out enough to be named as the first. */
  undetermined: boolean;
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
  const causes = order.map((r, rank) => toCause(model, post, r, rank < 8));
  const top = causes[0]!;
  return {
    causes,
    mechanisms: model.mechanisms
      .map((m, k) => ({ id: m.id, words: m.words, probability: post.mechanisms[k]! }))
      .sort((a, b) => b.probability - a.probability),
    nextChecks: nextChecks(model, post),
    undetermined: top.probability < DETERMINED_AT || top.mode === 'other' || top.mode === 'worn-out',
    unexplained: unexplained(model, post, order[0]!),
  };
}

function toCause(model: Model, post: Posterior, r: number, detailed: boolean): Cause {
  const root = model.roots[r]!;
  const probability = post.probability[r]!;
  const present =
    root.presentAs === null ? probability : Math.max(probability, post.mechanisms[root.presentAs]!);
  return {
    id: root.id,
    mode: root.mode,
    part: root.part ?? solenoidPart(model, root.solenoid),
    element: root.element,
    probability,
    present,
    words: root.words,
    chain: detailed ? chainOf(model, post, r) : [],
    evidence: detailed ? ledger(model, post, r) : [],
  };
}

function solenoidPart(model: Model, id: string | null): string | null {
  return model.unit.solenoids.find((s) => s.id === id)?.part ?? null;
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
    const best = Math.max(...post.grid);
    findings.push({
      point: 'grid',
      level: 'complaint',
      slots: post.complaints.map((c) => `grid.${c.gear}`),
      // Bounded, so that one cause that makes the grid impossible cannot overflow the others.
      weight: change((root) => Math.exp(Math.min(best - post.grid[root]!, 60))),
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
