import fc from 'fast-check';
import type { Mechanism } from './mechanisms';
import { buildNetwork } from './network';

const SIZE = 7;
const chance = fc.double({ min: 0.01, max: 0.95, noNaN: true });

/** Mechanisms whose parents stand before them, up to six each. */
const mechanisms = fc
  .array(
    fc.tuple(chance, fc.subarray([0, 1, 2, 3, 4, 5]), fc.array(chance, { minLength: 6, maxLength: 6 })),
    {
      minLength: SIZE,
      maxLength: SIZE,
    },
  )
  .map((drawn) =>
    drawn.map(([leak, parents, strengths], k): Mechanism => ({
      id: `m${k}`,
      element: null,
      gearset: null,
      words: '',
      plain: '',
      silent: false,
      leak,
      parents: parents.filter((p) => p < k).map((index) => ({ index, strength: strengths[index]! })),
    })),
  );

/** The definition of a noisy-OR, every joint state one by one. */
function bySumming(list: Mechanism[], effects: Map<number, number>, soft: Float64Array[]) {
  let evidence = 0;
  const ones = new Array<number>(SIZE).fill(0);
  for (let state = 0; state < 1 << SIZE; state++) {
    let p = 1;
    list.forEach((m, k) => {
      const spared = m.parents.reduce(
        (s, parent) => ((state >> parent.index) & 1 ? s * (1 - parent.strength) : s),
        (1 - m.leak) * (1 - (effects.get(k) ?? 0)),
      );
      const on = (state >> k) & 1;
      p *= (on ? 1 - spared : spared) * soft[k]![on]!;
    });
    evidence += p;
    for (let k = 0; k < SIZE; k++) if ((state >> k) & 1) ones[k]! += p;
  }
  return { evidence, marginals: ones.map((x) => x / evidence) };
}

test('divorced parents change no probability, and one pass leaves nothing behind for the next', () => {
  const evidence = fc.array(fc.tuple(chance, chance), { minLength: SIZE, maxLength: SIZE });
  fc.assert(
    fc.property(mechanisms, evidence, fc.nat(SIZE - 1), chance, (list, levels, at, effect) => {
      const soft = levels.map(([a, p]) => Float64Array.of(a, p));
      const infer = buildNetwork(list).given(soft);
      for (const effects of [new Map<number, number>(), new Map([[at, effect]]), new Map<number, number>()]) {
        const fast = infer(effects);
        const slow = bySumming(list, effects, soft);
        expect(fast.evidence / slow.evidence).toBeCloseTo(1, 9);
        slow.marginals.forEach((m, k) => expect(fast.marginals[k]).toBeCloseTo(m, 9));
      }
    }),
    { numRuns: 120 },
  );
});
