import { solveGear, turbineTorque } from '@/core/powerflow';
import { shippedUnits } from '@/data/shipped';
import { healthyTable, pairHypotheses, predict, signatureOf, singleHypotheses, slipSweep } from './index';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
// Worked out in every test: what runs while a file is loaded belongs to none.
const single = (id: string) => singleHypotheses(four).find((h) => h.id === id)!;
const prior = (id: string) => single(id).prior;

test('each kind starts as often as it does; a weak part more, a one-way clutch half as often', () => {
  expect(prior('lost:overrun')).toBe(1);
  expect(prior('stuck:forward')).toBe(0.35);
  expect(prior('slip:high=251')).toBe(0.9);
  expect(prior('lost:low-owc')).toBe(0.5);
  expect(prior('stuck:input-owc')).toBe(0.35 / 2);
});

test('what changes nothing is no hypothesis, and each stands for its own fault', () => {
  const all = singleHypotheses(four);
  const none = signatureOf(predict(four, healthyTable(four), []));
  expect(all.map((h) => signatureOf(h.predictions))).not.toContain(none);
  for (const { id, faults } of all) {
    expect(faults).toHaveLength(1);
    expect(id.startsWith(`${faults[0]!.kind}:`)).toBe(true);
  }
  expect(all.filter((h) => h.faults[0]!.kind === 'slip').every((h) => /=\d+$/.test(h.id))).toBe(true);
  expect(single('stuck:reverse').alike).toEqual([]);
});

test('a dog seldom starts anything by itself', () => {
  const hadric = shippedUnits.find((u) => u.id === 'hadric-five')!;
  const dog = singleHypotheses(hadric).find((h) =>
    [...h.faults, ...h.alike].some(
      (f) => 'element' in f && f.element === 'dog-reverse' && f.kind === 'stuck',
    ),
  )!;
  expect(dog.prior).toBeCloseTo(0.35 / 2, 12);
});

test('faults that look alike add up, and are named', () => {
  const shell = single('break:sun-shell');
  // The shell's declared weakness 2.6, the rear carrier's 0.5, and teeth stripped.
  expect(shell.prior).toBeCloseTo(0.4 * 2.6 + 0.4 * 0.5 + 0.12, 12);
  expect(shell.alike.map((f) => f.kind)).toEqual(['break', 'strip']);
  expect(prior('break:input-shaft')).toBeCloseTo(0.4 * 0.3 + 0.4 * 0.9, 12);
});

test('a part whose weakness nobody stated counts as an ordinary one', () => {
  const unit = structuredClone(four);
  delete unit.parts.find((p) => p.id === 'input-shaft')!.weakness;
  expect(singleHypotheses(unit).find((h) => h.id === 'break:input-shaft')!.prior).toBeCloseTo(
    0.4 * 0.5 + 0.4 * 0.9,
    12,
  );
});

test('an element slips at the middles between what its gears ask of it, and at three quarters of the least', () => {
  const asked = new Map<string, Set<number>>();
  for (const gear of four.gears)
    for (const [id, share] of Object.entries(solveGear(four, gear.key).elements))
      if (share)
        asked.set(id, new Set([...(asked.get(id) ?? []), +(share * turbineTorque(four, gear)).toFixed(6)]));
  for (const element of ['high', 'band-2-4', 'forward', 'low-reverse']) {
    const loads = [...asked.get(element)!].sort((a, b) => b - a);
    const steps = slipSweep(four).filter((f) => f.element === element);
    expect(steps.map((f) => f.capacityNm)).toEqual(
      loads.map((load, k) => expect.closeTo((load + (loads[k + 1] ?? load / 2)) / 2, 6)),
    );
  }
});

describe('two at once', () => {
  const all = () => pairHypotheses(four, singleHypotheses(four));
  test('are rare; less so over one feed, or where one gives way to the other', () => {
    const pairs = all();
    const pair = (id: string) => pairs.find((h) => h.id === id)!;
    expect(pair('lost:forward+lost:band-2-4').prior).toBeCloseTo(0.006, 12);
    // One support carries the rings of both.
    expect(pair('lost:high+lost:reverse').prior).toBeCloseTo(0.06, 12);
    // Reverse gives way to a forward clutch that stays on; high does not.
    expect(pair('stuck:forward+lost:reverse').prior).toBeCloseTo(0.06 * 0.35, 12);
    expect(pair('lost:high+stuck:low-reverse').prior).toBeCloseTo(0.06 * 0.35, 12);
    expect(pair('stuck:forward+lost:high').prior).toBeCloseTo(0.006 * 0.35, 12);
    expect(pair('stuck:forward+stuck:high').prior).toBeCloseTo(0.006 * 0.35 ** 2, 12);
    expect(pair('lost:overrun+lost:low-owc').prior).toBeCloseTo(0.006 * 0.5, 12);
  });
  test('are of losses and of what stays on alone, never an element with itself', () => {
    const pairs = all();
    expect(pairs.length).toBe(54);
    for (const { faults, alike } of pairs) {
      expect(alike).toEqual([]);
      expect(faults.map((f) => f.kind).every((k) => k === 'lost' || k === 'stuck')).toBe(true);
      expect(new Set(faults.map((f) => ('element' in f ? f.element : ''))).size).toBe(2);
    }
  });
});
