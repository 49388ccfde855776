import type { Likelihoods } from '@/core/inference';
import { presentOf } from './first';
import type { Judgement } from './judgement';
import type { Model } from './model';
import { put } from './posterior';
import type { Bearing, Networks } from './posterior';

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

/**
 * Leave-one-out, exact: how the odds that a cause is there change with each finding. A finding on one node is taken back
 * by dividing its likelihood out of that node's posterior; one that touches several, and the complaint, by asking anew.
 */
export function ledgerOf(model: Model, networks: Networks, judgement: Judgement): Ledger {
  const { known, present, marginals } = judgement;
  const causes = model.roots.length;
  const single: { bearing: Bearing; node: number }[] = [];
  const anew: { said: Omit<Evidence, 'weight'>; present: Float64Array }[] = [];
  for (const bearing of known.bearings) {
    const [node] = bearing.link.nodes;
    if (bearing.link.nodes.length === 1) single.push({ bearing, node: node! });
    else
      anew.push({
        said: sayBearing(bearing),
        present: presentOf(known.network, without(known.likelihoods, bearing), causes),
      });
  }
  if (known.complaints.length || known.codes.length) {
    const { network, likelihoods } = put(model, networks, known.bearings, [], []);
    anew.push({
      said: {
        point: 'grid',
        level: 'complaint',
        caution: null,
        slots: [...new Set([...known.complaints, ...known.codes].map((c) => c.slot))],
      },
      present: presentOf(network, likelihoods, causes),
    });
  }
  return (root) => {
    const now = logOdds(present[root]!);
    const given = judgement.given(root);
    const lines = single.map(({ bearing, node }): Evidence => {
      const back = (p: number) => p / bearing.present + (1 - p) / bearing.absent;
      const left = (present[root]! * back(given[node]!)) / back(marginals[node]!);
      return { ...sayBearing(bearing), weight: now - logOdds(left) };
    });
    for (const { said, present: left } of anew) lines.push({ ...said, weight: now - logOdds(left[root]!) });
    return lines
      .filter((e) => Math.abs(e.weight) > LEAST)
      .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
  };
}

function without(likelihoods: Likelihoods, { link, absent, present }: Bearing): Likelihoods {
  const left = Float64Array.from(likelihoods);
  for (const node of link.nodes) {
    left[2 * node] = left[2 * node]! / absent;
    left[2 * node + 1] = left[2 * node + 1]! / present;
  }
  return left;
}

export function sayBearing({ fact }: Bearing): Omit<Evidence, 'weight'> {
  const { point, level, slots, caution } = fact;
  return { point, level, slots, caution: caution ?? null };
}

function logOdds(p: number): number {
  return Math.log(Math.max(p, 1e-12) / Math.max(1 - p, 1e-12));
}
