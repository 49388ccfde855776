import type { Model } from './model';
import type { Posterior } from './posterior';

/** One link of a causal chain: what happened, from what, and the findings that show it. */
export interface ChainStep {
  id: string;
  words: string;
  /** Words for a customer, `{e}` standing for the element; null for the first cause. */
  plain: string | null;
  element: string | null;
  /** Steps it follows from; empty for the first cause. */
  from: string[];
  /** P(this step | everything, this cause). */
  probability: number;
  slots: string[];
}

/** Mechanisms above this, given the cause, belong to its chain. */
const IN_CHAIN = 0.5;

/** The chain of a cause: root, then every mechanism that it makes likely, in causal order. */
export function chainOf(model: Model, post: Posterior, r: number): ChainStep[] {
  const root = model.roots[r]!;
  const marginals = post.given[r]!;
  const shown = new Set<number>();
  const first: ChainStep = {
    id: root.id,
    words: root.words,
    plain: null,
    element: root.element,
    from: [],
    probability: 1,
    slots: slotsOfRoot(post, root),
  };
  const steps: ChainStep[] = [first];
  // The mechanism a cause is seen by, and the damage it names, are the cause itself and no steps after it.
  const own = [root.presentAs, root.behind].filter((k) => k !== null);
  for (const k of own) {
    shown.add(k);
    first.slots.push(...slotsOfMechanism(post, k));
  }
  const stepId = (k: number) => (own.includes(k) ? root.id : model.mechanisms[k]!.id);
  // Templates stand in causal order except where a parent is listed later; a few rounds settle any order.
  for (let grew = true; grew;) {
    grew = false;
    model.mechanisms.forEach((m, k) => {
      if (shown.has(k) || marginals[k]! < IN_CHAIN) return;
      const seen = slotsOfMechanism(post, k);
      // A rare consequence (a pack that burns seldom welds) belongs to the chain once it has been seen.
      const parents = m.parents
        .filter((p) => shown.has(p.index) && (p.strength > 0.1 || seen.length > 0))
        .map((p) => stepId(p.index));
      const from = [...new Set([...((root.effects.get(k) ?? 0) > 0.1 ? [root.id] : []), ...parents])];
      if (from.length === 0) return;
      shown.add(k);
      grew = true;
      steps.push({
        id: m.id,
        words: m.words,
        plain: m.plain,
        element: m.element,
        from,
        probability: marginals[k]!,
        slots: seen,
      });
    });
  }
  return withoutSilent(model, steps);
}

/** Leaves silent steps out; what followed from them follows from what they followed from. */
function withoutSilent(model: Model, steps: ChainStep[]): ChainStep[] {
  const silent = new Map(
    steps.filter((s) => model.mechanisms.some((m) => m.id === s.id && m.silent)).map((s) => [s.id, s.from]),
  );
  const through = (ids: string[]): string[] => [
    ...new Set(ids.flatMap((id) => (silent.has(id) ? through(silent.get(id)!) : [id]))),
  ];
  return steps.filter((s) => !silent.has(s.id)).map((s) => ({ ...s, from: through(s.from) }));
}

function slotsOfMechanism(post: Posterior, k: number): string[] {
  return post.bearings.flatMap((b) =>
    b.link.kind === 'mechanism' && b.link.index === k && b.present > b.absent ? b.fact.slots : [],
  );
}

function slotsOfRoot(post: Posterior, root: Model['roots'][number]): string[] {
  return post.bearings.flatMap((b) =>
    b.link.kind === 'root' && b.link.matches(root) && b.present > b.absent ? b.fact.slots : [],
  );
}

/** The chain as one sentence: "Filter blocked → line pressure falls → the high clutch cannot carry its torque". */
export function chainWords(chain: ChainStep[]): string {
  return chain.map((step) => step.words).join(' → ');
}
