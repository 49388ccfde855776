import dagre from '@dagrejs/dagre';
import type { ChainStep } from '@/core/diagnosis';

/** One thing in the map: a step of the chain, or what was found of one. */
export interface MapNode {
  id: string;
  words: string;
  /** Said under the words. */
  note: string;
  kind: 'first' | 'seen' | 'inferred' | 'finding';
  /** Centre and size, px. */
  x: number;
  y: number;
  width: number;
  height: number;
}

interface MapEdge {
  from: string;
  to: string;
  /** It leads to a finding: it shows the step, it was not done by it. */
  shows: boolean;
  points: { x: number; y: number }[];
}

export interface ChainLayout {
  nodes: MapNode[];
  edges: MapEdge[];
  width: number;
  height: number;
}

const WIDE = { step: 152, finding: 134 };
/** Letters that fit a line, and what a line takes. */
const LETTERS = { step: 20, finding: 19 };
const LINE = 17;
const AROUND = 16;
/** So many findings stand beside a step by themselves; more are told as a number. */
const FINDINGS = 2;

/** Lays the chain out from left to right; `said` puts a slot's finding into words. */
export function layoutChain(
  chain: readonly ChainStep[],
  said: (slot: string) => string,
  note: (step: ChainStep, first: boolean) => string,
): ChainLayout {
  const graph = new dagre.graphlib.Graph<Omit<MapNode, 'x' | 'y'>>();
  graph.setGraph({ rankdir: 'LR', nodesep: 10, ranksep: 24, marginx: 4, marginy: 4 });
  graph.setDefaultEdgeLabel(() => ({}));
  const put = (node: Omit<MapNode, 'x' | 'y' | 'width' | 'height'>) => {
    const size = node.kind === 'finding' ? 'finding' : 'step';
    const lines = linesOf(node.words, LETTERS[size]) + (node.note ? 1 : 0);
    graph.setNode(node.id, { ...node, width: WIDE[size], height: AROUND + lines * LINE });
  };
  const told = new Set<string>();
  chain.forEach((step, k) => {
    const kind = k === 0 ? 'first' : step.slots.length ? 'seen' : 'inferred';
    put({
      id: step.id,
      words: step.words.charAt(0).toUpperCase() + step.words.slice(1),
      note: note(step, k === 0),
      kind,
    });
    for (const from of step.from) graph.setEdge(from, step.id);
    // What shows a cause shows what it all but is: told once, where the chain meets it first.
    const all = [...new Set(step.slots.map(said))].filter((words) => !told.has(words));
    for (const words of all) told.add(words);
    const shown =
      all.length > FINDINGS ? [...all.slice(0, FINDINGS - 1), `and ${all.length - FINDINGS + 1} more`] : all;
    shown.forEach((words, n) => {
      const id = `${step.id} ${n}`;
      put({ id, words, note: '', kind: 'finding' });
      graph.setEdge(step.id, id);
    });
  });
  dagre.layout(graph);
  const nodes = graph.nodes().map((id) => graph.node(id) as MapNode);
  const finding = new Set(nodes.filter((n) => n.kind === 'finding').map((n) => n.id));
  const { width = 0, height = 0 } = graph.graph();
  return {
    nodes,
    edges: graph.edges().map((e) => ({
      from: e.v,
      to: e.w,
      shows: finding.has(e.w),
      points: graph.edge(e).points,
    })),
    width,
    height,
  };
}

/** Lines a text takes when it is broken between words. */
function linesOf(words: string, letters: number): number {
  let [lines, left] = [1, letters];
  for (const word of words.split(' ')) {
    if (word.length > left && left < letters) [lines, left] = [lines + 1, letters];
    left -= word.length + 1;
  }
  return lines;
}
