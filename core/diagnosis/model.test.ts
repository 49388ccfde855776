import { frictionElements } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import type { CausalKnowledge } from './schema';
import { buildModel } from './model';

/* The network that a few templates make of the four-speed, strength by strength. */
const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const say = { why: '', words: '', plain: '' };
const causal = {
  format: 'pelvik-causal/2',
  rate: 0.05,
  failureWords: {},
  checks: [],
  mechanisms: [
    { id: 'low', leak: 0.01, parents: { low: 0 }, shows: [{ as: 'short', with: 0.8 }], ...say },
    { id: 'weak:$e', each: 'friction', leak: 0.02, parents: { low: 'by-pressure', leak: 0.1 }, ...say },
    {
      id: 'burnt:$e',
      each: 'friction',
      leak: 0.03,
      parents: { 'weak:$e': 0.7, 'burnt:@neighbours': 0.2 },
      ...say,
    },
    { id: 'leak', leak: 0.001, parents: {}, ...say },
    { id: 'fibre', leak: 0.04, parents: { 'burnt:*': 0.3 }, noise: 0.5, ...say },
    { id: 'apart:$x', each: 'path', leak: 0, parents: {}, ...say },
  ],
  roots: [
    {
      mode: 'blocked',
      each: 'part',
      roles: ['filter'],
      prior: 0.6,
      effects: { low: 0.9, leak: 0.5 },
      ...say,
    },
    { mode: 'worn', each: 'part', roles: ['filter'], prior: 0.2, effects: { low: 0.4 }, ...say },
    {
      mode: 'torn',
      each: 'element-part',
      kinds: ['piston'],
      prior: 0.2,
      effects: { 'weak:$e': 0.5 },
      ...say,
    },
    { mode: 'broken', each: 'split-part', prior: 0.2, effects: { 'apart:$x': 0.9 }, noise: 0.4, ...say },
  ],
  observations: [
    { point: 'part:$p', on: 'root-part', levels: { no: [0.9, 0.2] }, why: '' },
    { point: 'grade:$p', on: 'root-part', levels: { no: [0.9, 0.2] }, why: '' },
  ],
} as unknown as CausalKnowledge;
const build = (change: (c: CausalKnowledge) => void = () => {}) => {
  const own = structuredClone(causal);
  change(own);
  return buildModel(four, { ...knowledge, causal: own });
};

describe('the network a unit gets', () => {
  test('causes first, then mechanisms, each with its own rate', () => {
    const m = build();
    const total = m.roots.length + m.mechanisms.length;
    expect(m.roots[0]).toMatchObject({ id: 'filter:blocked' });
    m.roots.forEach((r, k) => expect(m.nodes[k]).toEqual({ leak: r.prior, parents: [] }));
    m.mechanisms.forEach((x, k) => {
      expect(m.nodeOf.get(x.id)).toBe(m.roots.length + k);
      expect(m.nodes[m.roots.length + k]!.leak).toBe(x.leak);
    });
    expect(m.nodes).toHaveLength(total + m.anyOf.size);
  });
  const parents = (id: string, m = build()) =>
    Object.fromEntries(
      m.nodes[m.nodeOf.get(id)!]!.parents.map(({ index, strength }) => [
        index < m.roots.length ? m.roots[index]!.id : m.mechanisms[index - m.roots.length]!.id,
        +strength.toFixed(12),
      ]),
    );
  test('every effect of a cause and every parent of a mechanism, once, at its strength for that element', () => {
    const m = build();
    expect(parents('low')).toMatchObject({ 'filter:blocked': 0.9, 'filter:worn': 0.4 });
    expect(parents('leak')).toEqual({ 'filter:blocked': 0.5 });
    for (const { id } of frictionElements(four)) {
      const weak = parents(`weak:${id}`);
      expect(weak.low).toBeCloseTo(m.structure.strength('by-pressure', id), 11);
      expect(weak.leak).toBeCloseTo(0.1, 12);
      expect(weak[`${id}-piston:torn`]).toBe(
        four.parts.some((p) => p.id === `${id}-piston` && p.kind === 'piston') ? 0.5 : undefined,
      );
    }
    expect(parents('burnt:forward')).toEqual({ 'weak:forward': 0.7, 'burnt:overrun': 0.2 });
    expect(parents('burnt:high')).toEqual({ 'weak:high': 0.7 });
    expect(parents('fibre')).toEqual(
      Object.fromEntries(frictionElements(four).map((e) => [`burnt:${e.id}`, 0.3])),
    );
    // Breaks that no gear can tell apart open one path.
    expect(parents('apart:sun-shell')).toEqual({ 'sun-shell:broken': 0.9, 'rear-carrier:broken': 0.9 });
  });
  test('two ways from one thing to another add up as a noisy-OR', () => {
    const m = build((c) => {
      c.roots[0]!.effects = { 'weak:*': 0.5, 'weak:$e': 0.1 };
      c.mechanisms[1]!.parents = { low: 0.5, 'low:$e': 0.2 };
      (c.mechanisms[4]!.parents as Record<string, number>) = { 'burnt:*': 0.3, 'burnt:high': 0.5 };
    });
    expect(parents('fibre', m)['burnt:high']).toBeCloseTo(1 - 0.7 * 0.5, 12);
    expect(parents('weak:high', m)).toMatchObject({ 'filter:blocked': 0.5, low: 0.5 });
  });
  test('a name nobody has is an error, that of a cause and that of a mechanism', () => {
    expect(() => build((c) => (c.roots[0]!.effects = { ghost: 0.5 }))).toThrow(
      /"filter:blocked" names an unknown mechanism "ghost"/,
    );
    expect(() => build((c) => (c.mechanisms[3]!.parents = { 'ghost:$e': 0.5 }))).toThrow(
      /"leak" names an unknown mechanism "ghost:\$e"/,
    );
    // Known, but not there for this aim: a unit need not have everything.
    expect(() => build((c) => (c.roots[0]!.effects = { 'weak:nobody': 0.5 }))).not.toThrow();
  });
  test('what shows in the gears or is heard, whichever it is', () => {
    const m = build();
    const shown = m.complaintParents.map((b) =>
      b.node < m.roots.length ? m.roots[b.node]!.id : m.mechanisms[b.node - m.roots.length]!.id,
    );
    const broken = m.roots.filter((r) => r.mode === 'broken').map((r) => r.id);
    expect(shown).toEqual([...broken, 'low', 'fibre']);
    const of = (id: string) => m.complaintParents[shown.indexOf(id)]!;
    expect(of('low').signs.every((s) => s.kind === 'slip')).toBe(true);
    expect(of('low').heard).toBeNull();
    expect(of('fibre').signs).toEqual([]);
    expect(of('fibre').heard!.strength).toBe(0.5);
    expect(of('sun-shell:broken').heard!.strength).toBe(0.4);
  });
  test('causes one look cannot tell apart have one node for any of them, whichever point looks', () => {
    const m = build();
    expect(m.anyOf.size).toBe(1);
    const [[key, node]] = [...m.anyOf] as [[string, number]];
    expect(key).toBe('0,1');
    expect(m.nodes[node]).toEqual({
      leak: 0,
      parents: [
        { index: 0, strength: 1 },
        { index: 1, strength: 1 },
      ],
    });
  });
  test('who feeds an element: causes about it whose part is of that kind', () => {
    const m = build();
    expect(m.feeders('high', ['piston', 'drum']).map((r) => r.id)).toEqual(['high-piston:torn']);
    expect(m.feeders('high', ['drum'])).toEqual([]);
    expect(m.feeders('forward', ['piston']).map((r) => r.id)).toEqual(['forward-piston:torn']);
  });
});
