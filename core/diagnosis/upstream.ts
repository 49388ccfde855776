import { looksAt, nextChecks, openChecks } from './checks';
import type { Check, NextCheck } from './checks';
import type { Model } from './model';
import type { Effects } from './network';
import { behind } from './posterior';
import type { Posterior } from './posterior';

/** A cause that may have done the damage the leading cause only names, with the check that settles it. */
export interface Upstream {
  id: string;
  words: string;
  /** P(it did the damage | everything but the complaint grid, the damage). */
  probability: number;
  /** Null: its own check has been made, or there is none. */
  check: Check | null;
}

/** Candidates below this are as good as excluded. */
const STILL_OPEN = 0.02;
/** A cause that makes the damage less than this much likelier stands beside it by chance. */
const CAUSES_BY = 1.5;

/** Who may be behind damage, and the checks that tell them apart. */
export interface Behind {
  candidates: Upstream[];
  nextChecks: NextCheck[];
  /** The damage itself has been looked at: what is left to check is who did it. */
  seen: boolean;
  /** Given the damage, without the complaint grid. */
  posterior: Posterior;
}

/** Who may be behind a root that only names damage (a welded pack); null for any other root. */
export function whoIsBehind(model: Model, post: Posterior, r: number): Behind | null {
  const damage = model.roots[r]!.behind;
  if (damage === null) return null;
  const names = new Set(model.roots.flatMap((root, k) => (root.behind === null ? [] : [k])));
  const upstream = behind(model, post, damage, names);
  const open = openChecks(model, post);
  const candidates = upstream.probability
    .map((probability, k) => ({ probability, k, root: model.roots[k]! }))
    .filter(({ probability, k }) => probability > STILL_OPEN && causes(model, k, damage))
    .sort((a, b) => b.probability - a.probability)
    .map(({ probability, k, root }) => ({
      id: root.id,
      words: root.words,
      probability,
      check: open.find((c) => looksAt(model, c.point, k)) ?? null,
    }));
  return {
    candidates,
    nextChecks: nextChecks(model, upstream),
    seen: !open.some((c) => looksAt(model, c.point, r)),
    posterior: upstream,
  };
}

/** True when the root makes the damage likelier than it is by itself, before any finding. */
function causes(model: Model, r: number, damage: number): boolean {
  const root = model.roots[r]!;
  const infer = model.network.given(model.mechanisms.map(() => Float64Array.of(1, 1)));
  const chance = (effects: Effects) => infer(effects).marginals[damage]!;
  return root.mode !== 'other' && chance(root.effects) > CAUSES_BY * chance(new Map());
}
