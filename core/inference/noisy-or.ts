import type { Family } from './family';
import { compile, noFindings } from './tree';
import type { Answer, Compiled, Likelihoods } from './tree';

/** Something that is there or not: by itself with probability `leak`, or brought about by a parent that is there. */
export interface Node {
  leak: number;
  /** P(this | only that parent is there). Parents are named by their place in the list of nodes. */
  parents: readonly { index: number; strength: number }[];
}

/** A noisy-OR network ready to be asked. */
export interface NoisyOr {
  nodes: number;
  /** Entries of all tables together. */
  size: number;
  /** Likelihoods of the nodes only, two each; marginals of the nodes only. */
  answer(likelihoods: Likelihoods): Answer;
}

/**
 * P(absent | parents) = (1 − leak)·Π(1 − strength) over the parents that are there (Pearl 1988). A node of many parents is
 * divorced into a chain of small ones, which changes no probability (Olesen et al. 1989). Every chain takes its parents in
 * the order of the list, so that chains which share parents run side by side and tables stay small. Parents come before
 * their children or not, as one likes, but not in a circle.
 */
export function noisyOr(nodes: readonly Node[]): NoisyOr {
  const families: Family[] = [];
  let variables = nodes.length;
  nodes.forEach((node, child) => {
    let spared = 1 - node.leak;
    let waiting = [...node.parents]
      .sort((a, b) => a.index - b.index)
      .map((p) => ({ index: p.index, spared: 1 - p.strength }));
    while (waiting.length > 2) {
      families.push(familyOf(variables, waiting.slice(0, 2), spared));
      waiting = [{ index: variables++, spared: 0 }, ...waiting.slice(2)];
      spared = 1;
    }
    families.push(familyOf(child, waiting, spared));
  });
  const compiled: Compiled = compile(variables, families);
  const all = noFindings(variables);
  return {
    nodes: nodes.length,
    size: compiled.size,
    answer(likelihoods) {
      all.set(likelihoods);
      const { logEvidence, marginals } = compiled.answer(all);
      return { logEvidence, marginals: marginals.subarray(0, nodes.length) };
    },
  };
}

function familyOf(child: number, parents: { index: number; spared: number }[], spared: number): Family {
  const table = new Float64Array(2 ** (parents.length + 1));
  for (let state = 0; state < 2 ** parents.length; state++) {
    const absent = parents.reduce((p, parent, i) => ((state >> i) & 1 ? p * parent.spared : p), spared);
    table[2 * state] = absent;
    table[2 * state + 1] = 1 - absent;
  }
  return { variables: [child, ...parents.map((p) => p.index)], table };
}
