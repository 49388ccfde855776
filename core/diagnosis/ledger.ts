import type { Model } from './model';
import { withoutBearing, withoutGrid } from './posterior';
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

/** The evidence for and against one root, the strongest first. */
export type Ledger = (root: number) => Evidence[];

/** Weights below this say nothing worth a line. */
const LEAST = 0.05;

/** Leave-one-out, exact: how the odds of a cause against all others change with each finding. */
export function ledgerOf(model: Model, post: Posterior): Ledger {
  const each = (factor: (root: number) => number) => post.probability.map((p, root) => p * factor(root));
  const findings = post.bearings.map((b) => ({
    point: b.fact.point,
    level: b.fact.level,
    slots: b.fact.slots,
    caution: b.fact.caution ?? null,
    left: each((root) => withoutBearing(model, post, b, root)),
  }));
  if (post.complaints.length) {
    const factors = withoutGrid(model, post);
    findings.push({
      point: 'grid',
      level: 'complaint',
      slots: [...new Set(post.complaints.map((c) => c.slot))],
      caution: null,
      left: each((root) => factors[root]!),
    });
  }
  const counted = findings.map(({ left, ...said }) => ({
    said,
    left,
    total: left.reduce((sum, p) => sum + p, 0),
  }));
  return (root) => {
    const now = logOdds(post.probability[root]!);
    return counted
      .map(({ said, left, total }): Evidence => ({ ...said, weight: now - logOdds(left[root]! / total) }))
      .filter((e) => Math.abs(e.weight) > LEAST)
      .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
  };
}

function logOdds(p: number): number {
  return Math.log(Math.max(p, 1e-12) / Math.max(1 - p, 1e-12));
}
