import type { Answer, Likelihoods, NoisyOr } from '@/core/inference';

/** What the findings say of the causes. */
export interface Judged {
  /** P(it was the first | findings), per cause; they sum to 1. */
  first: Float64Array;
  /** P(it is there | findings, some cause is), per cause. */
  present: Float64Array;
  /** P(node | findings, some cause is there), per node of the network. */
  marginals: Float64Array;
  /** Natural log of P(findings, some cause is there). */
  logEvidence: number;
  /** What rounding has done at most. */
  noise: number;
}

/** Points and weights on [0, 1]. */
type Quadrature = readonly (readonly [t: number, weight: number])[];

/** Gauss–Radau with the point 1, exact for polynomials of degree 4. */
const RADAU: Quadrature = [
  [(4 - Math.sqrt(6)) / 10, (16 - Math.sqrt(6)) / 36],
  [(4 + Math.sqrt(6)) / 10, (16 + Math.sqrt(6)) / 36],
  [1, 1 / 9],
];
/** Gauss–Legendre, exact for degree 3. */
const GAUSS: Quadrature = [
  [0.5 - Math.sqrt(3) / 6, 0.5],
  [0.5 + Math.sqrt(3) / 6, 0.5],
];

/** Probabilities further off than this are not given at all. */
const MOST_NOISE = 1e-6;

/**
 * Which cause was the first, and which are there. A unit that comes in has something: worlds without any cause are left
 * out. In a world with n causes each is as likely to have been the first, so P(first = r) = E[1{r}/n], and as
 * 1/n = ∫₀¹ tⁿ⁻¹ dt it follows from networks in which every cause's presence is weighted by t: the generating function of
 * the number of causes, integrated by Gauss–Radau, exact up to five causes at once (each costs its prior, so that more are
 * unheard of). Throws a RangeError where rounding would show: nothing is answered approximately.
 */
export function judge(network: NoisyOr, likelihoods: Likelihoods, causes: number): Judged {
  const ask = weighing(network, likelihoods, causes);
  const answers = RADAU.map(([t]) => ask(t));
  const all = answers.at(-1)!;
  const none = ask(0);
  const noise = Math.max(all.noise, none.noise);
  if (noise > MOST_NOISE)
    throw new RangeError(
      'Rounding would show in the probabilities of this record: none are given. Describe fewer gears, or report the unit.',
    );
  // P(no cause | findings), and from it everything given that there is one.
  const without = Math.min(1, Math.exp(none.logEvidence - all.logEvidence));
  const some = Math.max(1 - without, 1e-300);
  const marginals = all.marginals.map((p, k) =>
    Math.min(1, Math.max(0, (p - without * none.marginals[k]!) / some)),
  );
  return {
    first: integrated(RADAU, answers, causes),
    present: marginals.slice(0, causes),
    marginals,
    logEvidence: all.logEvidence + Math.log(some),
    noise,
  };
}

/** Natural log of P(findings, some cause is there) alone. */
export function logEvidenceOf(network: NoisyOr, likelihoods: Likelihoods, causes: number): number {
  const all = network.logEvidence(likelihoods);
  const none = network.logEvidence(weighted(likelihoods, causes, 0));
  return all + Math.log(Math.max(1 - Math.min(1, Math.exp(none - all)), 1e-300));
}

/** P(it is there | findings, some cause is) alone: no cause is there in a world without any. */
export function presentOf(network: NoisyOr, likelihoods: Likelihoods, causes: number): Float64Array {
  const { logEvidence, marginals } = network.answer(likelihoods);
  const none = network.logEvidence(weighted(likelihoods, causes, 0));
  const some = Math.max(1 - Math.min(1, Math.exp(none - logEvidence)), 1e-300);
  return marginals.slice(0, causes).map((p) => Math.min(1, p / some));
}

/** P(it was the first) alone, exact up to four causes at once: half the work. */
export function firstOf(network: NoisyOr, likelihoods: Likelihoods, causes: number): Float64Array {
  const ask = weighing(network, likelihoods, causes);
  return integrated(
    GAUSS,
    GAUSS.map(([t]) => ask(t)),
    causes,
  );
}

/** The network with every cause's presence weighted by t. */
function weighing(network: NoisyOr, likelihoods: Likelihoods, causes: number): (t: number) => Answer {
  return (t) => network.answer(weighted(likelihoods, causes, t));
}

function weighted(likelihoods: Likelihoods, causes: number, t: number): Likelihoods {
  const all = Float64Array.from(likelihoods);
  for (let r = 0; r < causes; r++) all[2 * r + 1] = t * likelihoods[2 * r + 1]!;
  return all;
}

function integrated(quadrature: Quadrature, answers: readonly Answer[], causes: number): Float64Array {
  const first = new Float64Array(causes);
  const scale = Math.max(...answers.map((a) => a.logEvidence));
  quadrature.forEach(([t, weight], k) => {
    const { logEvidence, marginals } = answers[k]!;
    const share = (weight / t) * Math.exp(logEvidence - scale);
    for (let r = 0; r < causes; r++) first[r] = first[r]! + share * marginals[r]!;
  });
  const total = first.reduce((sum, p) => sum + p, 0);
  return total > 0 ? first.map((p) => p / total) : first.fill(1 / causes);
}
