import { tiny } from '@/tests/fixtures/tiny';
import type { Tiny, TinyNode } from '@/tests/fixtures/tiny';
import { chainOf, chainWords } from './chain';
import type { Judgement } from './judgement';
import type { Bearing } from './posterior';

const levels = { no: [0.9, 0.2], yes: [0.1, 0.8] } as Record<string, [number, number]>;

/** A judgement that holds these to be so likely, the cause being there. */
const holding = (t: Tiny, likely: Record<string, number>, bearings: Bearing[] = []) => {
  const marginals = Float64Array.from(t.model.nodes, () => 0);
  for (const [id, p] of Object.entries(likely)) marginals[t.at(id)] = p;
  return { given: () => marginals, marginals, known: { bearings } } as unknown as Judgement;
};

describe('the chain of a cause', () => {
  const causes: TinyNode[] = [
    { id: 'filter', leak: 0.1, with: { element: 'high' } },
    { id: 'other', leak: 0.1 },
  ];
  /* Out of causal order on purpose: what burns is listed before what makes it. */
  const mechanisms: TinyNode[] = [
    { id: 'burns', leak: 0, from: { slips: 0.8, other: 0.9 }, with: { element: 'high' } },
    { id: 'slips', leak: 0, from: { low: 0.6 } },
    { id: 'quiet', leak: 0, from: { filter: 0.9 }, with: { template: { silent: true, plain: 'quiet' } } },
    { id: 'low', leak: 0, from: { quiet: 0.8, filter: 0.3 } },
    { id: 'welds', leak: 0, from: { burns: 0.05 } },
    { id: 'seen', leak: 0, from: { filter: 0.97 } },
    { id: 'elsewhere', leak: 0, from: { other: 0.99 } },
  ];
  const net = () =>
    tiny(causes, mechanisms, {
      burns: { on: ['burns'], levels },
      welds: { on: ['welds'], levels },
      filter: { on: ['filter'], levels },
      seen: { on: ['seen'], levels },
      low: { on: ['low'], levels },
      elsewhere: { on: ['elsewhere'], levels },
    });
  const all = { burns: 0.9, slips: 0.8, quiet: 0.95, low: 0.85, welds: 0.7, seen: 0.4 };
  const of = (t: Tiny, likely: Record<string, number>, bearings: Bearing[] = []) =>
    chainOf(t.model, holding(t, likely, bearings), t.at('filter'));
  test('from the cause through what it makes likely, in causal order, what is never seen passed over', () => {
    const t = net();
    const chain = of(t, all);
    expect(chain.map((s) => [s.id, s.from])).toEqual([
      ['filter', []],
      ['low', ['filter']],
      ['slips', ['low']],
      ['burns', ['slips']],
    ]);
    expect(chain[0]).toEqual({
      id: 'filter',
      words: 'filter first',
      plain: null,
      element: 'high',
      from: [],
      probability: 1,
      slots: [],
    });
    expect(chain[3]).toEqual({
      id: 'burns',
      words: 'burns follows',
      plain: 'burns happened',
      element: 'high',
      from: ['slips'],
      probability: 0.9,
      slots: [],
    });
    expect(chainWords(chain)).toBe('filter first → low follows → slips follows → burns follows');
  });
  test('stops where the next is less likely than not', () => {
    expect(of(net(), { ...all, slips: 0.49 }).map((s) => s.id)).toEqual(['filter', 'low']);
    expect(of(net(), { ...all, slips: 0.5 }).map((s) => s.id)).toContain('slips');
  });
  test('a weak link is named only where what follows has been seen', () => {
    const t = net();
    expect(of(t, all, [t.found('welds', 'no')]).map((s) => s.id)).not.toContain('welds');
    const seen = of(t, all, [t.found('welds', 'yes')]).at(-1);
    expect(seen).toMatchObject({ id: 'welds', from: ['burns'], slots: ['slot.welds'] });
  });
  test('carries the findings that speak for each step; for the cause also those on what all but equals it', () => {
    const t = net();
    const chain = of(t, all, [t.found('burns', 'yes'), t.found('filter', 'yes'), t.found('seen', 'yes')]);
    expect(chain.map((s) => [s.id, s.slots])).toEqual([
      ['filter', ['slot.filter', 'slot.seen']],
      ['low', []],
      ['slips', []],
      ['burns', ['slot.burns']],
    ]);
    expect(of(t, all, [t.found('filter', 'no')])[0]!.slots).toEqual([]);
    const besides = of(t, all, [t.found('low', 'yes'), t.found('elsewhere', 'yes')]);
    expect(besides.map((s) => s.slots)).toEqual([[], ['slot.low'], [], []]);
  });
  test('several silent steps in a row are passed over together, and each reason is named once', () => {
    const silent = { with: { template: { silent: true, plain: '' } } };
    const t = tiny(
      [{ id: 'filter', leak: 0.1 }],
      [
        { id: 's1', leak: 0, from: { filter: 0.9 }, ...silent },
        { id: 's2', leak: 0, from: { s1: 0.9 }, ...silent },
        { id: 'end', leak: 0, from: { s1: 0.5, s2: 0.9, filter: 0.2 } },
      ],
    );
    expect(of(t, { s1: 0.9, s2: 0.9, end: 0.9 }).map((s) => [s.id, s.from])).toEqual([
      ['filter', []],
      ['end', ['filter']],
    ]);
  });
});
