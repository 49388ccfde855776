import fc from 'fast-check';
import { compileInference, compileTree } from './junction';

interface Factor {
  variables: number[];
  values: Float64Array;
}

/** The same answer the slow way: every joint state, one by one. */
function bruteForce(size: number, factors: Factor[]) {
  let evidence = 0;
  const ones = new Array<number>(size).fill(0);
  for (let state = 0; state < 1 << size; state++) {
    let product = 1;
    for (const factor of factors) {
      let index = 0;
      factor.variables.forEach((v, i) => (index |= ((state >> v) & 1) << i));
      product *= factor.values[index]!;
    }
    evidence += product;
    for (let v = 0; v < size; v++) if (state & (1 << v)) ones[v]! += product;
  }
  return { evidence, marginals: ones.map((x) => x / evidence) };
}

const SIZE = 8;
const factor = fc.uniqueArray(fc.nat(SIZE - 1), { minLength: 1, maxLength: 4 }).chain((variables) =>
  fc
    .array(fc.double({ min: 0.01, max: 1, noNaN: true }), {
      minLength: 1 << variables.length,
      maxLength: 1 << variables.length,
    })
    .map((values): Factor => ({ variables, values: Float64Array.from(values) })),
);

test('agrees with enumeration on random networks', () => {
  fc.assert(
    fc.property(fc.array(factor, { minLength: 1, maxLength: 12 }), (factors) => {
      const families = factors.map((f) => f.variables);
      const fast = compileInference(compileTree(SIZE, families), families)(factors.map((f) => f.values))(
        new Map(),
      );
      const slow = bruteForce(SIZE, factors);
      expect(fast.evidence / slow.evidence).toBeCloseTo(1, 9);
      slow.marginals.forEach((m, v) => expect(fast.marginals[v]).toBeCloseTo(m, 9));
    }),
    { numRuns: 150 },
  );
});
