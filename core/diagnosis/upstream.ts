import type { Link } from './link';
import { looksAt, openChecks } from './checks';
import type { Check } from './checks';
import type { Judgement } from './judgement';
import { certainly, judgementOf } from './judgement';
import { named } from './mechanisms';
import type { Model } from './model';
import { put } from './posterior';
import type { Networks } from './posterior';

/** A cause that may have done the damage the leading cause only names, with the check that settles it. */
export interface Upstream {
  id: string;
  words: string;
  /** P(it did the damage | everything but the complaint, the damage). */
  probability: number;
  /** Null: its own check has been made, or there is none. */
  check: Check | null;
}

/** Who may be behind damage. */
export interface Behind {
  candidates: Upstream[];
  /** The damage itself has been looked at: what is left to check is who did it. */
  seen: boolean;
  /** Given the damage, without the complaint. */
  judgement: Judgement;
  /** P(the damage is there). */
  damage: number;
}

/** Candidates below this are as good as excluded. */
const STILL_OPEN = 0.02;
/** A path of effects weaker than this does not count as doing the damage. */
const REACHES = 0.004;

/**
 * Who may be behind a root that only names damage (a welded pack); null for any other root. The complaint is left out: it
 * tells of the damage, not of what was before it.
 */
export function whoIsBehind(
  model: Model,
  networks: Networks,
  link: (point: string) => Link | null,
  judgement: Judgement,
  r: number,
): Behind | null {
  const { template, aim } = model.roots[r]!;
  const damage = template.behind === undefined ? undefined : model.nodeOf.get(named(template.behind, aim));
  if (damage === undefined) return null;
  const { network, likelihoods, logScale } = put(model, networks, judgement.known.bearings, [], []);
  const sure = certainly(likelihoods, damage);
  model.roots.forEach((root, k) => {
    if (root.template.behind !== undefined) sure[2 * k + 1] = 0;
  });
  const upstream = judgementOf(model, { ...judgement.known, network, likelihoods: sure, logScale });
  const { first } = upstream;
  const reach = reaching(model, damage);
  const open = openChecks(model, link, judgement.known);
  const candidates = model.roots
    .map((root, k) => ({ root, k, probability: first[k]! }))
    .filter(
      ({ root, k, probability }) => probability > STILL_OPEN && root.mode !== 'other' && reach[k]! > REACHES,
    )
    .sort((a, b) => b.probability - a.probability)
    .map(({ root, k, probability }) => ({
      id: root.id,
      words: root.words,
      probability,
      check:
        open.find((c) => link(c.point)?.direct && looksAt(model, link, c.point, k)) ??
        open.find((c) => looksAt(model, link, c.point, k)) ??
        null,
    }));
  return {
    candidates,
    judgement: upstream,
    damage: judgement.marginals[damage]!,
    seen: !open.some((c) => looksAt(model, link, c.point, r)),
  };
}

/** The strongest chain of effects from each cause to a node: the product of its strengths. */
function reaching(model: Model, target: number): Float64Array {
  const best = new Float64Array(model.nodes.length);
  best[target] = 1;
  const queue = [target];
  while (queue.length) {
    const node = queue.shift()!;
    for (const { index, strength } of model.nodes[node]!.parents) {
      const through = best[node]! * strength;
      if (through > best[index]! + 1e-12) {
        best[index] = through;
        queue.push(index);
      }
    }
  }
  return best;
}
