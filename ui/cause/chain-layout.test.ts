import type { ChainStep } from '@/core/diagnosis';
import { layoutChain } from './chain-layout';
import type { MapNode } from './chain-layout';

const step = (id: string, from: string[], slots: string[] = []): ChainStep => ({
  id,
  words: `what happened at ${id}, in some words`,
  plain: null,
  element: null,
  from,
  probability: 0.8,
  slots,
});
const lay = (chain: ChainStep[]) =>
  layoutChain(
    chain,
    (slot) => `found at ${slot}`,
    () => 'a note',
  );
const overlap = (a: MapNode, b: MapNode) =>
  Math.abs(a.x - b.x) < (a.width + b.width) / 2 && Math.abs(a.y - b.y) < (a.height + b.height) / 2;

test('twenty-five things stand apart, causes left of what they did, and all within the drawing', () => {
  const chain = [
    step('root', [], ['s1']),
    ...Array.from({ length: 4 }, (_, k) => step(`a${k}`, ['root'], [`a${k}`])),
    ...Array.from({ length: 6 }, (_, k) => step(`b${k}`, [`a${k % 4}`], k < 3 ? [`b${k}`, `bb${k}`] : [])),
    ...Array.from({ length: 4 }, (_, k) => step(`c${k}`, [`b${k}`, `b${k + 1}`])),
  ];
  const { nodes, edges, width, height } = lay(chain);
  expect(nodes.length).toBeGreaterThanOrEqual(25);
  nodes.forEach((a, i) =>
    nodes.slice(i + 1).forEach((b) => expect([a.id, b.id, overlap(a, b)]).toEqual([a.id, b.id, false])),
  );
  const at = new Map(nodes.map((n) => [n.id, n]));
  for (const { from, to } of edges) expect(at.get(to)!.x).toBeGreaterThan(at.get(from)!.x);
  for (const { x, y, width: w, height: h } of nodes) {
    expect(x - w / 2).toBeGreaterThanOrEqual(0);
    expect(x + w / 2).toBeLessThanOrEqual(width);
    expect(y - h / 2).toBeGreaterThanOrEqual(0);
    expect(y + h / 2).toBeLessThanOrEqual(height);
  }
});

test('findings stand beside their step, many as a number', () => {
  const { nodes, edges } = lay([step('root', [], ['s1', 's2', 's3', 's1'])]);
  expect(nodes.filter((n) => n.kind === 'finding').map((n) => n.words)).toEqual([
    'found at s1',
    'and 2 more',
  ]);
  expect(edges.every((e) => e.shows)).toBe(true);
  expect(nodes[0]).toMatchObject({ kind: 'first', words: 'What happened at root, in some words' });
});

test('a finding of two steps stands at the first', () => {
  const { nodes, edges } = lay([step('root', [], ['s1']), step('x', ['root'], ['s1', 's2'])]);
  expect(edges.filter((e) => e.shows).map((e) => [e.from, nodes.find((n) => n.id === e.to)!.words])).toEqual([
    ['root', 'found at s1'],
    ['x', 'found at s2'],
  ]);
});

test('longer words make a taller box, and nothing seen is inferred', () => {
  const { nodes } = lay([step('root', []), { ...step('x', ['root']), words: 'short' }]);
  expect(nodes[1]!.height).toBeLessThan(nodes[0]!.height);
  expect(nodes[1]!.kind).toBe('inferred');
});
