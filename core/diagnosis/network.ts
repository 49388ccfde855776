import { compileInference, compileTree } from './junction';
import type { Inference } from './junction';
import type { Mechanism } from './mechanisms';

/** P(mechanism | first cause, nothing else), per mechanism index: the first cause is one more parent, surely present. */
export type Effects = ReadonlyMap<number, number>;

/** What the findings say of each mechanism: [if absent, if present]. */
export type SoftEvidence = readonly Float64Array[];

/** Exact inference over the mechanisms: prepared for findings, then asked for one first cause after another. */
export interface Network {
  /** `extra` replaces the evidence on one mechanism for this pass. */
  given(
    soft: SoftEvidence,
  ): (effects: Effects, extra?: [mechanism: number, evidence: Float64Array]) => Inference;
}

interface Family {
  /** Child first, then at most two parents. */
  variables: number[];
  /** P(absent | parents) without a first cause, one entry per joint state of the parents. */
  absent: Float64Array;
}

/**
 * Builds the network. A noisy-OR of many parents is divorced into a chain of small ones (h₁ = p₁ or p₂, h₂ = h₁ or p₃ …),
 * which changes no probability and keeps every clique small however many elements a unit has (Olesen et al., 1989).
 */
export function buildNetwork(mechanisms: Mechanism[]): Network {
  const families: Family[] = [];
  const last: number[] = [];
  let size = mechanisms.length;
  mechanisms.forEach((m, k) => {
    let parents = m.parents.map((p) => ({ index: p.index, spared: 1 - p.strength }));
    let spared = 1 - m.leak;
    while (parents.length > 2) {
      families.push(family(size, parents.slice(0, 2), spared));
      parents = [{ index: size++, spared: 0 }, ...parents.slice(2)];
      spared = 1;
    }
    last[k] = families.length;
    families.push(family(k, parents, spared));
  });
  const variables = [...families.map((f) => f.variables), ...mechanisms.map((_, k) => [k])];
  const infer = compileInference(compileTree(size, variables), variables);
  const base = families.map((f) => table(f.absent, 0));
  return {
    given(soft) {
      const prepared = infer([...base, ...soft]);
      return (effects, extra) => {
        const exchanged = new Map<number, Float64Array>();
        for (const [k, effect] of effects) exchanged.set(last[k]!, table(families[last[k]!]!.absent, effect));
        if (extra) exchanged.set(families.length + extra[0], extra[1]);
        return prepared(exchanged);
      };
    },
  };
}

function family(child: number, parents: { index: number; spared: number }[], spared: number): Family {
  return {
    variables: [child, ...parents.map((p) => p.index)],
    absent: Float64Array.from({ length: 1 << parents.length }, (_, state) =>
      parents.reduce((p, parent, i) => (state & (1 << i) ? p * parent.spared : p), spared),
    ),
  };
}

/** [absent, present] for every state of the parents, with a first cause of this effect beside them. */
function table(absent: Float64Array, effect: number): Float64Array {
  const both = new Float64Array(absent.length * 2);
  absent.forEach((p, state) => {
    both[2 * state] = p * (1 - effect);
    both[2 * state + 1] = 1 - p * (1 - effect);
  });
  return both;
}
