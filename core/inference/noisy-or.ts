import type { Family } from './family';
import { compile, noFindings } from './compile';
import type { Answer, Compiled, Likelihoods } from './compile';

/** Something that is there or not: by itself with probability `leak`, or brought about by a parent that is there. */
export interface Node {
  leak: number;
  /** P(this | only that parent is there). Parents are named by their place in the list of nodes. */
  parents: readonly { index: number; strength: number }[];
  /**
   * It is a finding, and was made. Then P(found | parents) = 1 − (1 − leak)·Π(1 − strength) needs no chain: one auxiliary
   * variable with weights [−(1 − leak), 1] and a table to each parent (Díez & Druzdzel 2003). It subtracts, so the leak
   * must not be tiny; its own marginal means nothing.
   */
  found?: true;
}

/** A noisy-OR network ready to be asked. */
export interface NoisyOr {
  nodes: number;
  /** Entries of all tables together. */
  size: number;
  /** Likelihoods of the nodes only, two each; marginals of the nodes only. */
  answer(likelihoods: Likelihoods): Answer;
  /** Natural log of P(findings) alone. */
  logEvidence(likelihoods: Likelihoods): number;
}

/**
 * P(absent | parents) = (1 − leak)·Π(1 − strength) over the parents that are there (Pearl 1988). A node of many parents is
 * taken apart by one auxiliary variable with a table to each parent, joined to its node by [[s, −s], [0, 1]], s = 1 − leak
 * (Díez & Druzdzel 2003): no table ever holds more than two of them at once. Parents come before their children or not, as
 * one likes, but not in a circle.
 */
export function noisyOr(nodes: readonly Node[], largest?: number): NoisyOr {
  const families: Family[] = [];
  let variables = nodes.length;
  /** Variables that stand for no event. */
  const auxiliary = new Set<number>();
  nodes.forEach((node, child) => {
    if (node.found) {
      auxiliary.add(child);
      families.push({ variables: [child], table: Float64Array.of(node.leak - 1, 1) }, ...spares(child, node));
    } else if (node.parents.length <= 2) {
      families.push(familyOf(child, node));
    } else {
      const helper = variables++;
      auxiliary.add(helper);
      const spared = 1 - node.leak;
      families.push(
        { variables: [child, helper], table: Float64Array.of(spared, -spared, 0, 1) },
        ...spares(helper, node),
      );
    }
  });
  const compiled: Compiled = compile(variables, families, auxiliary, largest);
  const all = noFindings(variables);
  return {
    nodes: nodes.length,
    size: compiled.size,
    logEvidence(likelihoods) {
      all.set(likelihoods);
      return compiled.logEvidence(all);
    },
    answer(likelihoods) {
      all.set(likelihoods);
      const { logEvidence, marginals, noise } = compiled.answer(all);
      return { logEvidence, marginals: marginals.subarray(0, nodes.length), noise };
    },
  };
}

/** For each parent that is there the auxiliary's lower state is less by what the parent spares. */
function spares(helper: number, { parents }: Node): Family[] {
  return parents.map(({ index, strength }) => ({
    variables: [helper, index],
    table: Float64Array.of(1, 1, 1 - strength, 1),
  }));
}

/** P(child | at most two parents). */
function familyOf(child: number, { leak, parents }: Node): Family {
  const table = new Float64Array(2 ** (parents.length + 1));
  for (let state = 0; state < 2 ** parents.length; state++) {
    const absent = parents.reduce(
      (p, { strength }, i) => ((state >> i) & 1 ? p * (1 - strength) : p),
      1 - leak,
    );
    table[2 * state] = absent;
    table[2 * state + 1] = 1 - absent;
  }
  return { variables: [child, ...parents.map((p) => p.index)], table };
}
