import fc from 'fast-check';
import { noisyOr } from './index';
import type { Node } from './index';

const SIZE = 9;
const chance = fc.double({ min: 0.01, max: 0.95, noNaN: true });

/** Nodes whose parents stand before them, up to eight each. */
const nodes = fc
  .array(
    fc.tuple(chance, fc.subarray([0, 1, 2, 3, 4, 5, 6, 7]), fc.array(chance, { minLength: 8, maxLength: 8 })),
    { minLength: SIZE, maxLength: SIZE },
  )
  .map((drawn) =>
    drawn.map(
      ([leak, parents, strengths], k): Node => ({
        leak,
        parents: parents.filter((p) => p < k).map((index) => ({ index, strength: strengths[index]! })),
      }),
    ),
  );

/** The definition of a noisy-OR, every joint state one by one. */
function bySumming(list: Node[], likelihoods: Float64Array) {
  let evidence = 0;
  const ones = new Array<number>(SIZE).fill(0);
  for (let state = 0; state < 2 ** SIZE; state++) {
    let p = 1;
    list.forEach((node, k) => {
      const spared = node.parents.reduce(
        (s, parent) => ((state >> parent.index) & 1 ? s * (1 - parent.strength) : s),
        1 - node.leak,
      );
      const on = (state >> k) & 1;
      p *= (on ? 1 - spared : spared) * likelihoods[2 * k + on]!;
    });
    evidence += p;
    for (let k = 0; k < SIZE; k++) if ((state >> k) & 1) ones[k]! += p;
  }
  return { evidence, marginals: ones.map((x) => x / evidence) };
}

test('divorced parents change no probability', () => {
  const findings = fc.array(chance, { minLength: 2 * SIZE, maxLength: 2 * SIZE });
  fc.assert(
    fc.property(nodes, findings, (list, levels) => {
      const likelihoods = Float64Array.from(levels);
      const fast = noisyOr(list).answer(likelihoods);
      const slow = bySumming(list, likelihoods);
      expect(fast.logEvidence).toBeCloseTo(Math.log(slow.evidence), 9);
      slow.marginals.forEach((m, k) => expect(fast.marginals[k]).toBeCloseTo(m, 9));
    }),
    { numRuns: 120 },
  );
});

test('what was found is the same finding made, with a table less; the log of the evidence alone is the same', () => {
  // Nodes nobody descends from, as findings are.
  const findings = fc.subarray([6, 7, 8], { minLength: 1 });
  const said = fc.array(chance, { minLength: 2 * SIZE, maxLength: 2 * SIZE });
  fc.assert(
    fc.property(nodes, findings, said, (drawn, found, levels) => {
      const list = drawn.map((node, k) => ({
        ...node,
        leak: found.includes(k) ? Math.max(0.05, node.leak) : node.leak,
        parents: node.parents.filter((p) => p.index < 6),
      }));
      const likelihoods = Float64Array.from(levels);
      for (const k of found) likelihoods.set([0, 1], 2 * k);
      const slow = bySumming(list, likelihoods);
      const network = noisyOr(list.map((node, k) => (found.includes(k) ? { ...node, found: true } : node)));
      // It was found: nothing more need be said of it.
      const rest = likelihoods.map((p, at) => (found.includes(at >> 1) ? 1 : p));
      const fast = network.answer(rest);
      expect(fast.logEvidence).toBeCloseTo(Math.log(slow.evidence), 9);
      expect(network.logEvidence(rest)).toBe(fast.logEvidence);
      for (let k = 0; k < SIZE; k++)
        if (!found.includes(k)) expect(fast.marginals[k]).toBeCloseTo(slow.marginals[k]!, 9);
      expect(fast.noise).toBeLessThan(1e-9);
    }),
    { numRuns: 120 },
  );
});

/*
 * Ten causes, sixty findings that are all there, each of which several causes can bring about: so unlikely together that
 * an expansion into alternating terms would lose every digit. Summed in whole numbers of 200 decimal places.
 */
test('sixty unlikely findings at once keep their digits, against sums of 200 places', () => {
  const causes = 10;
  const strengthOf = (finding: number, cause: number) => ((finding * 7 + cause * 3) % 10) / 10;
  const list: Node[] = [
    ...Array.from({ length: causes }, () => ({ leak: 0.001, parents: [] })),
    ...Array.from({ length: 60 }, (_, f) => ({
      leak: 0.0001,
      parents: Array.from({ length: causes }, (_, c) => ({ index: c, strength: strengthOf(f, c) })).filter(
        (p) => p.strength > 0 && (f + p.index) % 3 === 0,
      ),
    })),
  ];
  const one = 10n ** 200n;
  const exact = (p: number) => (BigInt(Math.round(p * 1e6)) * one) / 1_000_000n;
  let evidence = 0n;
  const present = new Array<bigint>(causes).fill(0n);
  for (let state = 0; state < 2 ** causes; state++) {
    let p = one;
    for (let c = 0; c < causes; c++) p = (p * ((state >> c) & 1 ? exact(0.001) : exact(0.999))) / one;
    for (const node of list.slice(causes)) {
      let spared = exact(1 - node.leak);
      for (const { index, strength } of node.parents)
        if ((state >> index) & 1) spared = (spared * exact(1 - strength)) / one;
      p = (p * (one - spared)) / one;
    }
    evidence += p;
    for (let c = 0; c < causes; c++) if ((state >> c) & 1) present[c]! += p;
  }
  const likelihoods = Float64Array.from(list.flatMap((_, k) => (k < causes ? [1, 1] : [0, 1])));
  const { marginals, logEvidence } = noisyOr(list).answer(likelihoods);
  for (let c = 0; c < causes; c++)
    expect(marginals[c]).toBeCloseTo(Number((present[c]! * 10n ** 15n) / evidence) / 1e15, 11);
  expect(logEvidence).toBeLessThan(-20);
});
