import type { Behaviour, Heat } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import behaviour from '@/data/knowledge/behaviour.json';
import { shippedUnits } from '@/data/shipped';
import { complaint } from '@/tests/fixtures/told';
import { healthyTable, pairHypotheses, predict, singleHypotheses, suspectRanker } from './index';
import type { BehaviourTable } from './index';
import { signatureOf } from './predict';

const unitOf = (id: string) => shippedUnits.find((u) => u.id === id)!;
const table = behaviour as unknown as BehaviourTable;
const cell = (gear: string, b: Behaviour, heat: Heat = 'any', more = {}) =>
  complaint(gear, [b], { heat, ...more });
const all = shippedUnits.map((u): [string, UnitDefinition] => [u.id, u]);

describe.each(all)('%s', (_, unit) => {
  const made = () => {
    const singles = singleHypotheses(unit);
    return { singles, pairs: pairHypotheses(unit, singles) };
  };
  test('no pair looks like a single fault, like another pair or like a sound unit', () => {
    const { singles, pairs } = made();
    const seen = [...singles, ...pairs].map((h) => signatureOf(h.predictions));
    expect(new Set(seen).size).toBe(seen.length);
    expect(seen).not.toContain(signatureOf(predict(unit, healthyTable(unit), [])));
  });
  test('a pair is rarer than either of its faults alone', () => {
    const { singles, pairs } = made();
    for (const pair of pairs) {
      const alone = pair.faults.map(
        (f) => singles.find((s) => s.faults[0] === f || s.alike.includes(f))?.prior ?? 1,
      );
      expect(pair.prior).toBeLessThan(Math.min(...alone));
    }
  });
  test('told exactly what a fault does, that fault comes first or beside those that look the same', () => {
    const rank = suspectRanker(unit, table);
    for (const hypothesis of made().singles.filter(
      (h) => h.faults[0]!.kind === 'lost' || h.faults[0]!.kind === 'stuck',
    )) {
      const told = hypothesis.predictions.map((p) => {
        const word = (
          {
            normal: 'normal',
            neutral: 'no-drive',
            lower: 'wrong-gear',
            higher: 'wrong-gear',
            'tie-up': 'binds',
            slip: 'slips',
            moves: 'moves',
            'no-braking': 'no-engine-braking',
            shudder: 'shudder',
            late: 'delayed',
            stall: 'stalls-at-stops',
            'wind-up': 'binds-in-turns',
          } as const
        )[p.kind];
        return cell(p.gear, word, 'any', p.actsLike && word === 'wrong-gear' ? { actsLike: p.actsLike } : {});
      });
      const top = rank(told)
        .slice(0, 3)
        .map((s) => s.id);
      expect({ fault: hypothesis.id, top }).toEqual({
        fault: hypothesis.id,
        top: expect.arrayContaining([hypothesis.id]),
      });
    }
  });
});

test('two at once, where no single fault explains it: the pair comes first', () => {
  const four = unitOf('ostrel-four');
  const pair = pairHypotheses(four, singleHypotheses(four)).find(
    (h) => h.id === 'lost:reverse+lost:high' || h.id === 'lost:high+lost:reverse',
  )!;
  expect(pair).toBeDefined();
  const grid = [
    cell('R', 'no-drive'),
    cell('D1', 'normal'),
    cell('D2', 'normal'),
    cell('D3', 'wrong-gear', 'any', { actsLike: 'D1' }),
    cell('D4', 'wrong-gear', 'any', { actsLike: 'D2' }),
    cell('L1', 'normal'),
    cell('L2', 'normal'),
  ];
  expect(suspectRanker(four, table)(grid)[0]!.id).toBe(pair.id);
});

describe('cold and hot apart', () => {
  test('Reverse, then third fail hot and fifth holds: the clutch whose torque share falls in this order, hot only', () => {
    const grid = [
      cell('R', 'slips', 'hot'),
      cell('D3', 'flares', 'hot'),
      cell('D5', 'normal'),
      cell('D1', 'normal'),
      cell('D2', 'normal'),
      cell('D4', 'normal'),
    ];
    const [first] = suspectRanker(unitOf('ostrel-six'), table)(grid);
    expect(first).toMatchObject({ element: 'K2', when: 'hot', disagree: [] });
    expect(first!.faults[0]!.kind).toBe('slip');
  });
  test('without a word about temperature a fault is taken to be always there', () => {
    const [first] = suspectRanker(
      unitOf('ostrel-six'),
      table,
    )([cell('R', 'no-drive'), cell('D3', 'no-drive'), cell('D5', 'no-drive'), cell('D1', 'normal')]);
    expect(first).toMatchObject({ element: 'K2', when: 'always' });
  });
});

test('limp gears and gears the unit does not have are set aside', () => {
  const rank = suspectRanker(unitOf('ostrel-eight'), table);
  const grid = [cell('D3', 'slips'), cell('D4', 'slips')];
  expect(rank([...grid, cell('D6', 'no-drive', 'any', { limp: true }), cell('X9', 'binds')])).toEqual(
    rank(grid),
  );
  expect(rank([cell('D6', 'no-drive', 'any', { limp: true })])).toEqual([]);
});

test('a unit of sixty elements is ranked without trying every pair of faults', () => {
  const unit = structuredClone(unitOf('ostrel-eight'));
  const [first] = unit.elements;
  for (let k = 0; unit.elements.length < 60; k++)
    unit.elements.push({ ...first!, id: `x${k}`, name: `X${k}` });
  // Effort is counted, not timed: every set of faults that is tried asks for the gears.
  const { gears } = unit;
  let tried = 0;
  Object.defineProperty(unit, 'gears', { get: () => (tried++, gears), enumerable: true });
  expect(suspectRanker(unit, table, 12)([cell('D3', 'slips')])).toHaveLength(12);
  expect(tried).toBeGreaterThan(60);
  expect(tried).toBeLessThan(50_000);
});
