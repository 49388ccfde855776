import type { Behaviour } from '@/core/case';
import { complaintParent, evidence, lifts, ratio, sign } from '@/tests/fixtures/gears';
import { complaint } from '@/tests/fixtures/told';

/* What is told of several gears, and what is heard. */
describe('many gears', () => {
  const gears = ['D1', 'D2', 'D3', 'D4', 'D5', 'D6'];
  test('what is felt in every gear alike is one thing, as strong as where it is strongest', () => {
    const shakes = [
      complaintParent(0, [
        sign('D3', 'shudder', 0.4),
        sign('D4', 'shudder', 0.9),
        sign('D5', 'shudder', 0.6),
      ]),
    ];
    const shudder = (gear: string) => complaint(gear, ['shudder']);
    const found = evidence(shakes, ['D3', 'D4', 'D5'].map(shudder));
    expect(found.nodes).toHaveLength(1);
    expect(lifts(found).get(0)).toBeCloseTo(ratio(['shudder'], 'shudder', 0.9), 9);
    // A word about the gear itself makes it a finding of its own; so does a code.
    expect(
      evidence(shakes, [shudder('D3'), complaint('D4', ['shudder', 'slips'])]).nodes.length +
        evidence(shakes, [shudder('D3'), shudder('D4')], ['D4']).nodes.length,
    ).toBeGreaterThan(2);
  });
  test('what speaks against most is kept too', () => {
    const { said } = evidence(
      [complaintParent(0, [sign('D3', 'stall', 0.4), sign('D4', 'stall', 0.9), sign('D5', 'stall', 0.6)])],
      ['D3', 'D4', 'D5'].map((gear) => complaint(gear, ['delayed'])),
    );
    expect(said).toEqual([[0, 1, ratio(['delayed'], 'stall', 0.9)]]);
  });
  test('up to four are weighed apart', () => {
    const things = gears.map((gear, k) => complaintParent(k, [sign(gear, 'slip', 0.9)]));
    const four = evidence(
      things,
      gears.slice(0, 4).map((gear) => complaint(gear, ['slips'])),
    );
    expect(four.nodes.map((n) => n.parents.map((p) => p.index))).toEqual([[0], [1], [2], [3]]);
  });
  test('of more, those told alike and explained alike are put together first, and multiply', () => {
    const things = [
      complaintParent(0, [sign('D1', 'slip', 0.2), sign('D4', 'slip', 0.2)]),
      complaintParent(1, [sign('D2', 'slip', 0.2), sign('D4', 'slip', 0.15)]),
      complaintParent(2, [sign('D3', 'slip', 0.9)]),
      complaintParent(3, [sign('D5', 'slip', 0.9)]),
    ];
    const five = evidence(
      things,
      ['D1', 'D2', 'D3', 'D4', 'D5'].map((gear) => complaint(gear, ['slips'])),
    );
    expect(five.nodes.map((n) => n.parents.map((p) => p.index))).toEqual([[0, 1], [1], [2], [3]]);
    expect(lifts(five).get(0)).toBeCloseTo(ratio(['slips'], 'slip', 0.2) ** 2, 6);
    expect(lifts(five).get(1)).toBeCloseTo(ratio(['slips'], 'slip', 0.15), 6);
  });
  test('other words are put together last, even where the same things explain them', () => {
    const things = [
      complaintParent(0, [sign('D1', 'slip', 0.9), sign('D2', 'slip', 0.9)]),
      complaintParent(1, [sign('D3', 'slip', 0.9), sign('D4', 'slip', 0.4)]),
      complaintParent(2, [sign('D4', 'slip', 0.9)]),
      complaintParent(3, [sign('D5', 'slip', 0.9)]),
    ];
    const words: Behaviour[][] = [['slips'], ['flares'], ['no-drive'], ['no-drive'], ['delayed']];
    const five = evidence(
      things,
      words.map((w, k) => complaint(`D${k + 1}`, w)),
    );
    expect(five.nodes.map((n) => n.parents.map((p) => p.index))).toEqual([[0], [0], [1, 2], [3]]);
    // The same words in another order are the same words.
    const turned = evidence(things, [
      complaint('D1', ['slips', 'flares']),
      complaint('D2', ['flares', 'slips']),
      ...words.slice(2).map((w, k) => complaint(`D${k + 3}`, w)),
    ]);
    expect(turned.nodes[0]!.parents.map((p) => p.index)).toEqual([0]);
    expect(turned.nodes).toHaveLength(4);
    expect(turned.nodes.map((n) => n.parents.map((p) => p.index))).toEqual([[0], [1], [1, 2], [3]]);
  });
  test('told at another heat, the words are others', () => {
    const things = [
      complaintParent(0, [sign('D1', 'slip', 0.9), sign('D2', 'slip', 0.9), sign('D5', 'slip', 0.5)]),
      complaintParent(1, [sign('D3', 'slip', 0.9)]),
      complaintParent(2, [sign('D4', 'slip', 0.9)]),
      complaintParent(3, [sign('D5', 'slip', 0.9)]),
    ];
    const heats = ['hot', 'cold', 'any', 'cold', 'hot'] as const;
    const five = evidence(
      things,
      heats.map((heat, k) => complaint(`D${k + 1}`, ['slips'], { heat })),
    );
    expect(five.nodes.map((n) => n.parents.map((p) => p.index))).toEqual([[0, 3], [0], [1], [2]]);
  });
});

describe('noise', () => {
  const things = [
    complaintParent(0, [], { strength: 0.7, gears: new Set(['D1', 'D2']) }),
    complaintParent(1, [], { strength: 0.4, gears: new Set(['D1', 'D2', 'D3']) }),
    complaintParent(2, [], { strength: 0.5, gears: new Set(['D4']) }),
    complaintParent(3, [sign('D1', 'slip', 0.9)]),
  ];
  const noise = (gear: string, more = {}) => complaint(gear, [], { noises: ['whine'], ...more });
  const quiet = (gear: string) => complaint(gear, ['normal']);
  test('heard in a gear it hangs on all that works there; once for gears with the same sources', () => {
    const { nodes, said } = evidence(things, [noise('D1'), noise('D2')]);
    expect(nodes).toEqual([
      {
        leak: 0.03,
        found: true,
        parents: [
          { index: 0, strength: 0.7 * 0.9 },
          { index: 1, strength: 0.4 * 0.9 },
        ],
      },
    ]);
    expect(said).toEqual([]);
  });
  test('gears in which other things are heard are findings of their own', () => {
    expect(
      evidence(things, [noise('D1'), noise('D3')]).nodes.map((n) => n.parents.map((p) => p.index)),
    ).toEqual([[0, 1], [1]]);
  });
  test('where some noise is told, silence elsewhere clears what works there', () => {
    const { nodes, said } = evidence(things, [noise('D1'), quiet('D3')]);
    expect(nodes).toHaveLength(1);
    expect(said).toEqual([[1, 1, 1 - 0.4 * 0.9]]);
  });
  test('the same sources heard in one gear and not in another are told both ways', () => {
    const { nodes, said } = evidence(things, [noise('D1'), quiet('D2')]);
    expect(nodes).toHaveLength(1);
    expect(said.map(([node]) => node)).toEqual([0, 1]);
  });
  test('where nobody tells of noise, silence says nothing; nor does what the fallback drives', () => {
    expect(evidence(things, [quiet('D4')])).toEqual({ nodes: [], said: [] });
    expect(evidence(things, [noise('D4', { limp: true }), quiet('D4')])).toEqual({ nodes: [], said: [] });
    expect(evidence(things, [noise('D1'), complaint('D4', ['slips'], { limp: true })]).said).toEqual([]);
  });
});
