import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { tiny } from '@/tests/fixtures/tiny';
import type { TinyNode } from '@/tests/fixtures/tiny';
import { groupsOf } from './groups';
import type { Judgement } from './judgement';
import { buildModel } from './model';

const NONE = { elements: [], part: null, gearset: null, solenoid: null };

describe('what lets go, over all reasons', () => {
  const group = (id: string, words: string | undefined, elements: string[] = []): TinyNode => ({
    id,
    leak: 0.1,
    with: { template: { group: words }, aim: { ...NONE, elements }, element: elements[0] ?? null },
  });
  test('only what is a group, the likeliest first, from two in a hundred', () => {
    const t = tiny(
      [{ id: 'r', leak: 0.1 }],
      [
        group('weak:high', 'the {e} does not hold', ['high']),
        group('low', 'pressure is short'),
        group('burnt', undefined),
        group('rare', 'rare'),
        group('edge', 'edge'),
      ],
    );
    const likely: Record<string, number> = {
      'weak:high': 0.4,
      low: 0.6,
      burnt: 0.99,
      rare: 0.02,
      edge: 0.021,
    };
    const marginals = Float64Array.from(t.model.nodes, () => 0);
    for (const [id, p] of Object.entries(likely)) marginals[t.at(id)] = p;
    expect(groupsOf(t.model, { marginals } as unknown as Judgement)).toEqual([
      { id: 'low', words: 'pressure is short', element: null, probability: 0.6 },
      { id: 'weak:high', words: 'the high clutch does not hold', element: 'high', probability: 0.4 },
      { id: 'edge', words: 'edge', element: null, probability: 0.021 },
    ]);
  });
  test('an open path is named by every part whose break would look the same', () => {
    const model = buildModel(shippedUnits.find((u) => u.id === 'ostrel-four')!, knowledge);
    const marginals = Float64Array.from(model.nodes, () => 0);
    for (const [id, p] of [
      ['open:sun-shell', 0.7],
      ['open:high-hub', 0.2],
    ] as const)
      marginals[model.nodeOf.get(id)!] = p;
    expect(groupsOf(model, { marginals } as unknown as Judgement).map((g) => g.words)).toEqual([
      'The power path is open: sun shell or rear planet carrier',
      'The power path is open: high hub',
    ]);
  });
});
