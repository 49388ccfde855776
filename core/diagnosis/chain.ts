import type { Model } from './model';
import { sayAim } from './say';
import type { Judgement } from './judgement';
import type { Bearing } from './posterior';

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
/** A link weaker than this is named only where the step has been seen (a pack that burns seldom welds). */
const LIKELY = 0.1;

/** The chain of a cause: root, then every mechanism that it makes likely, in causal order. */
export function chainOf(model: Model, judgement: Judgement, r: number): ChainStep[] {
  const root = model.roots[r]!;
  const marginals = judgement.given(r);
  const { bearings } = judgement.known;
  const shown = new Set([r]);
  const steps: ChainStep[] = [
    {
      id: root.id,
      words: root.words,
      plain: null,
      element: root.element,
      from: [],
      probability: 1,
      slots: [r, ...itself(model, r)].flatMap((node) => slotsOn(bearings, node)),
    },
  ];
  const idOf = (node: number) => (node === r ? root.id : model.mechanisms[node - model.roots.length]!.id);
  // Templates stand in causal order except where a parent is listed later; a few rounds settle any order.
  for (let grew = true; grew; ) {
    grew = false;
    model.mechanisms.forEach((m, k) => {
      const node = model.roots.length + k;
      if (shown.has(node) || marginals[node]! < IN_CHAIN) return;
      const slots = slotsOn(bearings, node);
      const from = model.nodes[node]!.parents.filter(
        (p) => shown.has(p.index) && (p.strength > LIKELY || slots.length > 0),
      ).map((p) => idOf(p.index));
      if (from.length === 0) return;
      shown.add(node);
      grew = true;
      steps.push({
        id: m.id,
        words: m.words,
        plain: sayAim(model.unit, m.template.plain, { elements: [], gearset: m.aim.gearset }),
        element: m.element,
        from: [...new Set(from)],
        probability: marginals[node]!,
        slots,
      });
    });
  }
  return withoutSilent(model, steps);
}

/** Leaves silent steps out; what followed from them follows from what they followed from. */
function withoutSilent(model: Model, steps: ChainStep[]): ChainStep[] {
  const quiet = new Set(model.mechanisms.flatMap((m) => (m.template.silent ? [m.id] : [])));
  const silent = new Map(steps.filter((s) => quiet.has(s.id)).map((s) => [s.id, s.from]));
  const through = (ids: string[]): string[] => [
    ...new Set(ids.flatMap((id) => (silent.has(id) ? through(silent.get(id)!) : [id]))),
  ];
  return steps.filter((s) => !silent.has(s.id)).map((s) => ({ ...s, from: through(s.from) }));
}

/** A mechanism this close to its cause is the cause itself, seen: a filter that is blocked, a lining that is off. */
const ITSELF = 0.97;

/** Nodes that show the cause itself: its part being bad, or a mechanism all but the same. */
function itself(model: Model, r: number): number[] {
  return model.nodes.flatMap(({ parents }, node) =>
    parents.some((p) => p.index === r && p.strength >= ITSELF) ? [node] : [],
  );
}

/** Slots of the findings that speak for a node. */
function slotsOn(bearings: readonly Bearing[], node: number): string[] {
  return bearings.flatMap((b) => (b.link.nodes.includes(node) && b.present > b.absent ? b.fact.slots : []));
}

/** The chain as one sentence: "Filter blocked → line pressure falls → the high clutch cannot carry its torque". */
export function chainWords(chain: ChainStep[]): string {
  return chain.map((step) => step.words).join(' → ');
}
