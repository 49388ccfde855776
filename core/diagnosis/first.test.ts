import { noFindings, noisyOr } from '@/core/inference';
import type { NoisyOr } from '@/core/inference';
import { firstOf, judge, logEvidenceOf, presentOf } from './first';

/* Two causes, each with its own sign, small enough to be worked out by hand. */
const network = noisyOr([
  { leak: 0.2, parents: [] },
  { leak: 0.1, parents: [] },
  { leak: 0.05, parents: [{ index: 0, strength: 0.9 }] },
  { leak: 0.05, parents: [{ index: 1, strength: 0.8 }] },
]);
const said = (...ratios: [number, number, number][]) => {
  const likelihoods = noFindings(4);
  for (const [node, absent, present] of ratios) {
    likelihoods[2 * node] = absent;
    likelihoods[2 * node + 1] = present;
  }
  return likelihoods;
};

test('with nothing known the first is as the priors say, some cause being there', () => {
  const { first, present, marginals } = judge(network, said(), 2);
  const some = 1 - 0.8 * 0.9;
  expect(present[0]).toBeCloseTo(0.2 / some, 12);
  expect(present[1]).toBeCloseTo(0.1 / some, 12);
  // Alone, or first of two with even chances.
  expect(first[0]).toBeCloseTo((0.2 * 0.9 + (0.2 * 0.1) / 2) / some, 12);
  expect(first[0]! + first[1]!).toBeCloseTo(1, 12);
  expect(marginals[2]).toBeGreaterThan(0.05);
});

test('a finding is weighed by hand and by the network alike', () => {
  const findings = said([2, 0.1, 0.8]);
  const { first, present, logEvidence } = judge(network, findings, 2);
  const on = (a: number) => (a ? 1 - 0.95 * 0.1 : 0.05);
  const p = (a: number, b: number) => (a ? 0.2 : 0.8) * (b ? 0.1 : 0.9) * (on(a) * 0.8 + (1 - on(a)) * 0.1);
  const some = p(1, 0) + p(0, 1) + p(1, 1);
  expect(present[0]).toBeCloseTo((p(1, 0) + p(1, 1)) / some, 12);
  expect(first[0]).toBeCloseTo((p(1, 0) + p(1, 1) / 2) / some, 12);
  expect(logEvidence).toBeCloseTo(Math.log(some), 12);
  expect(logEvidenceOf(network, findings, 2)).toBeCloseTo(logEvidence, 12);
  presentOf(network, findings, 2).forEach((q, r) => expect(q).toBeCloseTo(present[r]!, 12));
  firstOf(network, findings, 2).forEach((q, r) => expect(q).toBeCloseTo(first[r]!, 12));
});

test('where rounding would show nothing is answered', () => {
  const noisy = (noise: number): NoisyOr => ({
    ...network,
    answer: (likelihoods) => ({ ...network.answer(likelihoods), noise }),
  });
  expect(() => judge(noisy(1e-3), said(), 2)).toThrow(RangeError);
  expect(judge(noisy(1e-9), said(), 2).noise).toBe(1e-9);
});
