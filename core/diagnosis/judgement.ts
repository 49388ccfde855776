import { firstOf, judge } from './first';
import type { Judged } from './first';
import type { Model } from './model';
import type { Known } from './posterior';
import type { Likelihoods } from '@/core/inference';

/** Everything the findings say, and what they would say if one more thing were certain. */
export interface Judgement extends Judged {
  known: Known;
  /** P(node | findings, this cause is there). Worked out once per cause. */
  given(root: number): Float64Array;
  /** P(first) with a node certainly there. */
  assuming(node: number): Float64Array;
}

export function judgementOf(model: Model, known: Known): Judgement {
  const { network, likelihoods } = known;
  const causes = model.roots.length;
  const byRoot = new Map<number, Float64Array>();
  return {
    ...judge(network, likelihoods, causes),
    known,
    given(root) {
      let marginals = byRoot.get(root);
      if (!marginals) byRoot.set(root, (marginals = network.answer(certainly(likelihoods, root)).marginals));
      return marginals;
    },
    assuming: (node) => firstOf(network, certainly(likelihoods, node), causes),
  };
}

/** The likelihoods with a node that is certainly there. */
export function certainly(likelihoods: Likelihoods, node: number): Likelihoods {
  const sure = Float64Array.from(likelihoods);
  sure[2 * node] = 0;
  sure[2 * node + 1] = 1;
  return sure;
}
