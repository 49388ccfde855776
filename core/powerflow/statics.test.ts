import { solutionSpace } from './linear';
import type { Row } from './linear';
import { elementTorques } from './statics';
import type { System } from './system';

/**
 * Two shafts and nothing between them but what is named: z = (input, output). A row (−1, 1) is a clutch from the output
 * to the input, or a one-way clutch that holds while the output would be overtaken.
 */
function torques(
  applied: Record<string, number[]>,
  oneWays: Record<string, number[]> = {},
  { output = null as number | null, coordinates = 2 } = {},
) {
  const at = (k: number): Row => Float64Array.from({ length: coordinates }, (_, z) => (z === k ? 1 : 0));
  const system = {
    unit: { input: at(0), output: at(1), coordinates },
    rows: Object.values(applied),
    owners: Object.keys(applied),
    oneWays: Object.keys(oneWays),
    oneWayRows: Object.values(oneWays),
  } as unknown as System;
  const fixed: [Row, number][] = [[at(0), 1]];
  if (output !== null) fixed.push([at(1), output]);
  return elementTorques(system, solutionSpace(system.rows, fixed, coordinates)!);
}
const NOTHING = { elements: {}, holding: [], split: [], signed: new Map(), loadNm: null };

test('a clutch between the shafts carries the input’s torque, and the load answers it', () =>
  expect(torques({ clutch: [-1, 1] })).toEqual({
    elements: { clutch: 1 },
    holding: [],
    split: [],
    signed: new Map([['clutch', 1]]),
    loadNm: -1,
  }));

test('the sign tells which side pushes; the size is the same', () => {
  const { elements, signed } = torques({ clutch: [1, -1] });
  expect([elements, [...signed]]).toEqual([{ clutch: 1 }, [['clutch', -1]]]);
});

test('a pair of gears multiplies: what turns half as fast carries twice', () => {
  // Output at half the input's speed: the load is twice the input's torque.
  expect(torques({ pair: [-1, 2] })).toMatchObject({ elements: { pair: 1 }, loadNm: -2 });
});

test('a one-way clutch holds only the way it can push', () => {
  expect(torques({}, { roller: [-1, 1] })).toMatchObject({ elements: { roller: 1 }, holding: ['roller'] });
  // The other way round it would have to pull: nothing balances the input.
  expect(torques({}, { roller: [1, -1] })).toEqual(NOTHING);
});

test('one that is overtaken cannot hold: with the output faster nothing carries', () =>
  expect(torques({}, { roller: [-1, 1] }, { output: 2 })).toEqual(NOTHING));

test('beside a friction element a one-way clutch leaves it all, and both are named as sharing', () =>
  expect(torques({ clutch: [-1, 1] }, { roller: [-1, 1] })).toMatchObject({
    elements: { clutch: 1 },
    holding: [],
    split: ['clutch', 'roller'],
  }));

test('one beside that could hold but carries nothing shares nothing', () => {
  // A third shaft that turns with nothing: the second roller has no torque to carry.
  const { elements, holding, split } = torques(
    { clutch: [-1, 1, 0] },
    { idle: [0, 0, 1] },
    { coordinates: 3 },
  );
  expect([elements, holding, split]).toEqual([{ clutch: 1 }, [], []]);
});

test('two alike side by side share in a way nothing tells', () => {
  const { elements, split, loadNm } = torques({ one: [-1, 1], other: [-1, 1] });
  expect([elements, split, loadNm]).toEqual([{ one: null, other: null }, ['one', 'other'], -1]);
});

test('a brake nothing presses on carries 0, not a rounding', () => {
  const { elements } = torques({ clutch: [-1, 1, 0], brake: [0, 0, 1] }, {}, { coordinates: 3 });
  expect(elements).toEqual({ clutch: 1, brake: 0 });
});

test('as few one-way clutches hold as can: a chain of two needs both, a bridge over it neither', () => {
  const chain = { first: [-1, 0, 1], second: [0, 1, -1] };
  expect(torques({}, chain, { coordinates: 3 })).toMatchObject({
    elements: { first: 1, second: 1 },
    holding: ['first', 'second'],
    split: [],
  });
  expect(torques({}, { ...chain, bridge: [-1, 1, 0] }, { coordinates: 3 })).toMatchObject({
    elements: { bridge: 1 },
    holding: ['bridge'],
    split: ['first', 'second', 'bridge'],
  });
});

test('where nothing carries the input nothing is said', () => expect(torques({})).toEqual(NOTHING));
