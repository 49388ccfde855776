import fc from 'fast-check';
import { compile, MOST_VARIABLES, noFindings, TooLarge } from './index';
import type { Family } from './index';

/** The same answer the slow way: every joint state, one by one. */
function bySumming(variables: number, families: Family[], likelihoods: Float64Array) {
  let evidence = 0;
  const ones = new Array<number>(variables).fill(0);
  for (let state = 0; state < 2 ** variables; state++) {
    let product = 1;
    for (const { variables: family, table } of families)
      product *= table[family.reduce((index, v, i) => index | (((state >> v) & 1) << i), 0)]!;
    for (let v = 0; v < variables; v++) product *= likelihoods[2 * v + ((state >> v) & 1)]!;
    evidence += product;
    for (let v = 0; v < variables; v++) if ((state >> v) & 1) ones[v]! += product;
  }
  return { evidence, marginals: ones.map((x) => x / evidence) };
}

const SIZE = 8;
const chance = fc.double({ min: 0.01, max: 1, noNaN: true });
const family = fc
  .uniqueArray(fc.nat(SIZE - 1), { minLength: 1, maxLength: 4 })
  .chain((variables) =>
    fc
      .array(chance, { minLength: 2 ** variables.length, maxLength: 2 ** variables.length })
      .map((values): Family => ({ variables, table: Float64Array.from(values) })),
  );

test('agrees with enumeration, and one answer leaves nothing behind for the next', () => {
  const findings = fc
    .array(chance, { minLength: 2 * SIZE, maxLength: 2 * SIZE })
    .map((a) => Float64Array.from(a));
  fc.assert(
    fc.property(
      fc.array(family, { minLength: 1, maxLength: 14 }),
      findings,
      findings,
      (families, one, other) => {
        const compiled = compile(SIZE, families);
        for (const likelihoods of [one, other, one]) {
          const fast = compiled.answer(likelihoods);
          const slow = bySumming(SIZE, families, likelihoods);
          expect(fast.logEvidence).toBeCloseTo(Math.log(slow.evidence), 9);
          expect(compiled.logEvidence(likelihoods)).toBe(fast.logEvidence);
          slow.marginals.forEach((m, v) => expect(fast.marginals[v]).toBeCloseTo(m, 9));
        }
      },
    ),
    { numRuns: 200 },
  );
});

/** P(child = 1 | parents) for every state of the parents, the first parent the lowest bit. */
const cpt = (child: number, parents: number[], present: number[]): Family => ({
  variables: [child, ...parents],
  table: Float64Array.from(present.flatMap((p) => [1 - p, p])),
});
const seen = (variables: number, facts: Record<number, boolean>) => {
  const likelihoods = noFindings(variables);
  for (const [v, is] of Object.entries(facts)) likelihoods[2 * Number(v) + (is ? 0 : 1)] = 0;
  return likelihoods;
};

test('the burglary network, both neighbours calling: 0.2841718 (Pearl 1988; Russell & Norvig)', () => {
  const [burglary, earthquake, alarm, john, mary] = [0, 1, 2, 3, 4];
  const network = compile(5, [
    cpt(burglary, [], [0.001]),
    cpt(earthquake, [], [0.002]),
    cpt(alarm, [burglary, earthquake], [0.001, 0.94, 0.29, 0.95]),
    cpt(john, [alarm], [0.05, 0.9]),
    cpt(mary, [alarm], [0.01, 0.7]),
  ]);
  const { marginals } = network.answer(seen(5, { [john]: true, [mary]: true }));
  expect(marginals[burglary]).toBeCloseTo(0.2841718, 6);
  expect(marginals[earthquake]).toBeCloseTo(0.1760668, 6);
});

test('the chest clinic (Lauritzen & Spiegelhalter 1988): short of breath after a visit to Asia', () => {
  const [asia, smoke, tub, lung, bronc, either, xray, dysp] = [0, 1, 2, 3, 4, 5, 6, 7];
  const clinic = compile(8, [
    cpt(asia, [], [0.01]),
    cpt(smoke, [], [0.5]),
    cpt(tub, [asia], [0.01, 0.05]),
    cpt(lung, [smoke], [0.01, 0.1]),
    cpt(bronc, [smoke], [0.3, 0.6]),
    cpt(either, [tub, lung], [0, 1, 1, 1]),
    cpt(xray, [either], [0.05, 0.98]),
    cpt(dysp, [either, bronc], [0.1, 0.7, 0.8, 0.9]),
  ]);
  const before = clinic.answer(noFindings(8)).marginals;
  [0.01, 0.5, 0.0104, 0.055, 0.45, 0.0648, 0.1103, 0.436].forEach((p, v) =>
    expect(before[v]).toBeCloseTo(p, 4),
  );
  const after = clinic.answer(seen(8, { [asia]: true, [dysp]: true })).marginals;
  expect(after[tub]).toBeCloseTo(0.0878, 4);
  expect(after[lung]).toBeCloseTo(0.0995, 4);
  expect(after[bronc]).toBeCloseTo(0.8114, 4);
});

test('findings that cannot be are said to be so, without NaN', () => {
  const network = compile(2, [cpt(0, [], [0.3]), cpt(1, [0], [0, 0.5])]);
  const impossible = seen(2, { 0: false, 1: true });
  expect(network.answer(impossible)).toEqual({
    logEvidence: -Infinity,
    marginals: Float64Array.of(0, 0),
    noise: 1,
  });
  expect(network.logEvidence(impossible)).toBe(-Infinity);
});

test('a variable that no table holds is as likely as what was found of it says', () => {
  const { marginals, logEvidence } = compile(1, []).answer(Float64Array.of(0.2, 0.6));
  expect(marginals[0]).toBeCloseTo(0.75, 12);
  expect(logEvidence).toBeCloseTo(Math.log(0.8), 12);
});

test('a thousand findings that hardly ever come together do not underflow', () => {
  const [findings, chance] = [1000, 1e-3];
  const families = [
    cpt(0, [], [0.5]),
    ...Array.from({ length: findings }, (_, k) => cpt(k + 1, [0], [chance, chance / 2])),
  ];
  const all = seen(
    findings + 1,
    Object.fromEntries(Array.from({ length: findings }, (_, k) => [k + 1, true])),
  );
  const { logEvidence } = compile(findings + 1, families).answer(all);
  expect(logEvidence).toBeCloseTo(findings * Math.log(chance) + Math.log(0.5), 6);
});

test('weights that come out below nothing are told: as no evidence, and as noise', () => {
  const below = compile(1, [{ variables: [0], table: Float64Array.of(-0.5, 0.25) }]);
  expect(below.logEvidence(noFindings(1))).toBe(-Infinity);
  expect(below.answer(noFindings(1))).toMatchObject({ logEvidence: -Infinity, noise: 1 });
  // 1.5 and −0.5 of the sum: a half too far.
  const turned = compile(1, [{ variables: [0], table: Float64Array.of(1.5, -0.5) }]).answer(noFindings(1));
  expect([turned.noise, turned.marginals[0]]).toEqual([0.5, 0]);
  expect(turned.logEvidence).toBeCloseTo(0, 12);
});

test('a variable that takes no findings has no marginal, and adds nothing to the noise', () => {
  const families = [cpt(0, [], [0.3]), cpt(1, [0], [0.2, 0.9])];
  const { marginals, noise } = compile(2, families, new Set([0])).answer(noFindings(2));
  expect(marginals[0]).toBe(0);
  expect(marginals[1]).toBeCloseTo(0.7 * 0.2 + 0.3 * 0.9, 12);
  expect(noise).toBe(0);
});

test('above the largest size it refuses, and says so', () => {
  const table = (a: number, b: number): Family => ({
    variables: [a, b],
    table: Float64Array.of(1, 0.5, 0.5, 1),
  });
  const all = Array.from({ length: 26 }, (_, a) => Array.from({ length: a }, (_, b) => table(a, b))).flat();
  expect(() => compile(26, all)).toThrow(TooLarge);
  expect(
    compile(
      14,
      all.filter((f) => f.variables.every((v) => v < 14)),
    ).size,
  ).toBeGreaterThan(2 ** 13);
});

test('above the most variables it refuses, and says so', () => {
  expect(() => compile(MOST_VARIABLES + 1, [])).toThrow(TooLarge);
  expect(compile(MOST_VARIABLES, []).variables).toBe(MOST_VARIABLES);
});
