import type { PredictionKind } from '@/core/suspects';
import { complaintParent, cellP, evidence, lifts, P, ratio, sign } from '@/tests/fixtures/gears';
import { complaint } from '@/tests/fixtures/told';

/* What is told of one gear; a report is worked out by hand beside it. */
describe('a gear told to be normal', () => {
  test('speaks against all that would show there, and needs no node', () => {
    const { nodes, said } = evidence(
      [complaintParent(1, [sign('D2', 'slip', 0.9)]), complaintParent(2, [sign('D3', 'slip', 0.9)])],
      [complaint('D2', ['normal'])],
    );
    expect(nodes).toEqual([]);
    expect(said).toEqual([[1, 1, ratio(['normal'], 'slip', 0.9)]]);
    expect(said[0]![2]).toBeLessThan(0.2);
  });
  test('at one heat clears what shows at that heat or at any; with none said, half of what shows at one', () => {
    const things = [
      complaintParent(0, [sign('D2', 'slip', 0.9)]),
      complaintParent(1, [sign('D2', 'slip', 0.9, { when: 'hot' })]),
      complaintParent(2, [sign('D2', 'slip', 0.9, { when: 'cold' })]),
    ];
    const hot = evidence(things, [complaint('D2', ['normal'], { heat: 'hot' })]).said;
    const full = ratio(['normal'], 'slip', 0.9);
    expect(hot.map(([node, , p]) => [node, p])).toEqual([
      [0, full],
      [1, full],
    ]);
    const any = evidence(things, [complaint('D2', ['normal'])]).said;
    expect(any.map(([, , p]) => p)).toEqual([
      full,
      ratio(['normal'], 'slip', 0.45),
      ratio(['normal'], 'slip', 0.45),
    ]);
  });
  test('is never proof', () => {
    const sure = [complaintParent(0, [sign('D2', 'neutral', 1)])];
    const cells = (['any', 'cold', 'hot'] as const).flatMap((heat) => [
      complaint('D2', ['normal'], { heat }),
      complaint('D2', ['normal'], { heat, speaker: 'customer' }),
    ]);
    const [[, , least]] = evidence(sure, cells).said as [[number, number, number]];
    expect(least).toBe(0.0005);
  });
  test('what would look no different is left alone', () => {
    expect(
      evidence([complaintParent(0, [sign('D2', 'slip', 0.0009)])], [complaint('D2', ['normal'])]).said,
    ).toEqual([]);
  });
});

describe('a gear that misbehaves', () => {
  const things = [
    complaintParent(0, [sign('D2', 'slip', 0.9)]),
    complaintParent(1, [sign('D2', 'neutral', 0.5)]),
    complaintParent(3, [sign('D2', 'moves', 0.9)]),
  ];
  test('is one finding, that hangs on whatever makes it so, as much likelier as that makes it', () => {
    const found = evidence(things, [complaint('D2', ['slips'])]);
    expect(found.nodes).toHaveLength(1);
    expect(found.nodes[0]!.found).toBe(true);
    const told = [ratio(['slips'], 'slip', 0.9), ratio(['slips'], 'neutral', 0.5)];
    const lift = lifts(found);
    expect([...lift.keys()]).toEqual([0, 1]);
    expect(lift.get(0)).toBeCloseTo(told[0]!, 9);
    expect(lift.get(1)).toBeCloseTo(told[1]!, 9);
    // What makes it likeliest makes it 95 % likely.
    expect(found.nodes[0]!.leak).toBeCloseTo(0.95 / told[0]!, 12);
    // Moving where it should not hardly slips: ratio above 1, but nothing worth an edge.
    expect(ratio(['slips'], 'moves', 0.9)).toBeGreaterThan(1);
    expect(found.said).toEqual([]);
  });
  test('what makes the report less likely stands by itself', () => {
    const found = evidence(
      [...things, complaintParent(4, [sign('D2', 'shudder', 0.9)])],
      [complaint('D2', ['no-drive'], { speaker: 'customer' })],
    );
    const against = evidence(
      [complaintParent(4, [sign('D2', 'stall', 0.9)])],
      [complaint('D2', ['delayed'])],
    );
    expect(against.nodes).toEqual([]);
    expect(against.said).toEqual([[4, 1, ratio(['delayed'], 'stall', 0.9)]]);
    expect(found.said.every(([, absent, present]) => absent === 1 && present < 0.98)).toBe(true);
  });
  test('however many witnesses, it is never more than so telling; the rest stays in proportion of the logs', () => {
    const cells = (['slips', 'flares'] as const).flatMap((word) => [
      complaint('D2', [word]),
      complaint('D2', [word], { speaker: 'customer' }),
    ]);
    const found = evidence(things, cells, ['D2']);
    const lift = lifts(found);
    expect(lift.get(0)).toBeCloseTo(0.95 / 0.0005, 6);
    expect(found.nodes[0]!.leak).toBeCloseTo(0.0005, 12);
    const all = (kind: PredictionKind) =>
      (cells.reduce((p, c) => p * cellP(c, kind), 1) * 0.6) /
      (cells.reduce((p, c) => p * cellP(c, 'normal'), 1) * 0.03);
    const exponent = Math.log(0.95 / 0.0005) / Math.log(0.1 + 0.9 * all('slip'));
    expect(lift.get(1)).toBeCloseTo((0.5 + 0.5 * all('neutral')) ** exponent, 6);
  });
  test('a faint report is not blown up to a strong one', () => {
    const faint = evidence(
      [complaintParent(0, [sign('D2', 'shudder', 0.05)])],
      [complaint('D2', ['shudder'], { speaker: 'customer' })],
    );
    for (const { leak } of faint.nodes) expect(leak).toBeLessThanOrEqual(0.475);
  });
  test('told with a heat, what shows at any heat counts about half, what shows at the other not at all', () => {
    const found = evidence(
      [
        complaintParent(0, [sign('D2', 'slip', 0.8, { when: 'hot' })]),
        complaintParent(1, [sign('D2', 'slip', 0.8)]),
        complaintParent(2, [sign('D2', 'slip', 0.8, { when: 'cold' })]),
      ],
      [complaint('D2', ['slips'], { heat: 'hot' })],
    );
    const lift = lifts(found);
    expect([...lift.keys()]).toEqual([0, 1]);
    expect(lift.get(0)).toBeCloseTo(ratio(['slips'], 'slip', 0.8), 9);
    expect(lift.get(1)).toBeCloseTo(ratio(['slips'], 'slip', 0.8 * 0.55), 9);
  });
  test('a thing that shows in two ways shows in either, in proportion', () => {
    const found = evidence(
      [complaintParent(0, [sign('D2', 'slip', 0.6), sign('D2', 'neutral', 0.3), sign('D3', 'slip', 1)])],
      [complaint('D2', ['no-drive'])],
    );
    const shows = 1 - 0.4 * 0.7;
    const told = (2 / 3) * P(['no-drive'], 'slip') + (1 / 3) * P(['no-drive'], 'neutral');
    expect(lifts(found).get(0)).toBeCloseTo(1 - shows + (shows * told) / P(['no-drive'], 'normal'), 9);
  });
  test('the gear it acts like tells one cause from another', () => {
    const found = evidence(
      [
        complaintParent(0, [sign('D2', 'lower', 0.9, { actsLike: 'D1' })]),
        complaintParent(1, [sign('D2', 'lower', 0.9, { actsLike: 'D3' })]),
      ],
      [complaint('D2', ['wrong-gear'], { actsLike: 'D1' })],
    );
    const as = P(['wrong-gear'], 'lower', 'D1', { actsLike: 'D1' });
    const not = P(['wrong-gear'], 'lower', 'D3', { actsLike: 'D1' });
    const lift = lifts(found);
    expect(lift.get(0)! / lift.get(1)!).toBeGreaterThan(3);
    expect((lift.get(0)! - 0.1) / (lift.get(1)! - 0.1)).toBeCloseTo(as / not, 1);
  });
  test('a gear nobody described, of another unit, driven by the fallback or without a word is no evidence', () => {
    for (const cells of [
      [],
      [complaint('D9', ['slips'])],
      [complaint('D2', ['slips'], { limp: true })],
      [complaint('D2', [])],
    ])
      expect(evidence(things, cells)).toEqual({ nodes: [], said: [] });
  });
});

describe('several words and several speakers', () => {
  const slips = complaintParent(0, [
    sign('D2', 'slip', 0.9),
    sign('D3', 'slip', 0.9),
    sign('D9', 'slip', 0.9),
  ]);
  const counted = (cells: ReturnType<typeof complaint>[], codes: string[] = []) =>
    evidence([slips], cells, codes).nodes.length;
  test('one speaker who complains is enough, and one word among others', () => {
    expect(counted([complaint('D2', ['normal'], { speaker: 'customer' }), complaint('D2', ['slips'])])).toBe(
      1,
    );
    expect(counted([complaint('D2', ['normal', 'slips'])])).toBe(1);
    expect(counted([complaint('D9', ['slips'])])).toBe(0);
  });
  test('what is told beside a word for every gear is about that gear', () => {
    const both = (gear: string) => complaint(gear, ['shudder', 'slips']);
    expect(counted([both('D2'), both('D3')])).toBe(2);
    const apart = (gear: string) => [
      complaint(gear, ['shudder'], { speaker: 'customer' }),
      complaint(gear, ['slips']),
    ];
    expect(counted([...apart('D2'), ...apart('D3')])).toBe(2);
  });
  test('a code goes with the heat at which anybody complained', () => {
    const hot = [
      complaint('D2', ['normal'], { speaker: 'customer', heat: 'hot' }),
      complaint('D2', ['slips'], { heat: 'hot' }),
    ];
    expect(counted(hot, ['D2'])).toBe(1);
  });
});

describe('a code about the ratio', () => {
  const things = [
    complaintParent(0, [sign('D2', 'slip', 0.9)]),
    complaintParent(1, [sign('D2', 'shudder', 0.9)]),
  ];
  test('by itself is set by what loses the ratio, and by nothing else', () => {
    const found = evidence(things, [], ['D2']);
    expect(found.nodes).toHaveLength(1);
    expect([...lifts(found)]).toEqual([[0, expect.closeTo(0.1 + (0.9 * 0.6) / 0.03, 9)]]);
    expect(found.said).toEqual([]);
  });
  test.each<PredictionKind>(['neutral', 'lower', 'higher', 'slip', 'tie-up'])('%s sets it', (kind) => {
    expect(lifts(evidence([complaintParent(0, [sign('D2', kind, 1)])], [], ['D2'])).get(0)).toBeCloseTo(
      20,
      9,
    );
  });
  test('goes with what is told of that gear, at any heat first, then hot, then cold', () => {
    const hot = complaint('D2', ['slips'], { heat: 'hot' });
    const cold = complaint('D2', ['slips'], { heat: 'cold' });
    const any = complaint('D2', ['slips']);
    const leaks = (...cells: ReturnType<typeof complaint>[]) =>
      evidence([complaintParent(0, [sign('D2', 'slip', 0.9)])], cells, ['D2']).nodes.map((n) => n.leak);
    const [alone] = evidence([complaintParent(0, [sign('D2', 'slip', 0.9)])], [any]).nodes;
    expect(leaks(any)).toHaveLength(1);
    expect(leaks(any)[0]).toBeLessThan(alone!.leak);
    const [first, second] = leaks(cold, hot) as [number, number];
    expect(second).toBeLessThan(first);
    const [third, fourth] = leaks(hot, any) as [number, number];
    expect(fourth).toBeLessThan(third);
    expect(leaks(cold)).toHaveLength(1);
  });
  test('stands apart from a report that the gear is normal', () => {
    const found = evidence(things, [complaint('D2', ['normal'], { heat: 'hot' })], ['D2']);
    expect(found.nodes).toHaveLength(1);
    expect([...lifts(found).keys()]).toEqual([0]);
    expect(found.said.map(([node]) => node)).toEqual([0, 1]);
    // At no heat in particular it is the same place, and the two are weighed against each other.
    const same = evidence(things, [complaint('D2', ['normal'])], ['D2']);
    expect(same.nodes).toEqual([]);
    const slips = (20 * P(['normal'], 'slip')) / P(['normal'], 'normal');
    expect(slips).toBeLessThan(0.98);
    expect(same.said[0]).toEqual([0, 1, expect.closeTo(0.1 + 0.9 * slips, 12)]);
  });
});
