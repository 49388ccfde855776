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
import { ledgerOf } from './ledger';
import type { Evidence, Ledger } from './ledger';
import { posterior } from './posterior';
import type { Posterior } from './posterior';

export interface Cause {
  id: string;
  mode: string;
  part: string | null;
  element: string | null;
  gearset: string | null;
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
  const ledger = ledgerOf(model, post);
  const ranked = order.map((r, rank) => toCause(model, post, r, rank < 8 ? ledger : null));
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
  const first = toCause(model, upstream, r, ledgerOf(model, upstream));
  const own = others.find((c) => c.id === first.id)!.probability;
  const moved = named!.probability * share;
  return [
    { ...first, probability: own + moved },
    { ...named!, probability: named!.probability - moved },
    ...others.filter((c) => c.id !== first.id),
  ].sort((a, b) => b.probability - a.probability);
}

/** With a ledger come the chain and the evidence. */
function toCause(model: Model, post: Posterior, r: number, ledger: Ledger | null): Cause {
  const root = model.roots[r]!;
  const probability = post.probability[r]!;
  const present =
    root.presentAs === null ? probability : Math.max(probability, post.mechanisms[root.presentAs]!);
  return {
    id: root.id,
    mode: root.mode,
    part: root.part,
    element: root.element,
    gearset: root.gearset,
    probability,
    present,
    words: root.words,
    chain: ledger ? chainOf(model, post, r) : [],
    evidence: ledger ? ledger(r) : [],
  };
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
  const { point, level, slots, caution } = b.fact;
  return { point, level, slots, weight: Math.log(b.present / b.absent), caution: caution ?? null };
}
