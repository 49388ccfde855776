import { complaintsOf, stateFromValues } from '@/core/case';
import type { Complaint, Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import behaviour from '@/data/knowledge/behaviour.json';
import ostrelFour from '@/data/units/ostrel-four.json';
import { told } from '@/tests/fixtures/told';
import type { Fault } from '@/core/powerflow';
import {
  cellLogLikelihood,
  healthyTable,
  pairHypotheses,
  predict,
  singleHypotheses,
  suspectRanker,
  thermalsOf,
} from './index';
import type { BehaviourTable, Prediction, Suspect } from './index';
import { losesGrip, thermalFit } from './temperature';

const unit = ostrelFour as unknown as UnitDefinition;
// Made in every test: what runs while a file is loaded belongs to none.
const rank = (complaints: Complaint[], most = Infinity) =>
  suspectRanker(unit, behaviour as unknown as BehaviourTable, most)(complaints);

function suspects(grid: Record<string, [string, ...string[]] | { b: string[]; as?: string }>): Suspect[] {
  const values: Record<string, Json> = {};
  for (const [gear, entry] of Object.entries(grid)) {
    const { b, as } = Array.isArray(entry) ? { b: entry, as: undefined } : entry;
    values[`grid.${gear}.shop`] = told(b, [], as ? { actsLike: as } : {});
  }
  return rank(complaintsOf(stateFromValues(values)));
}

describe('suspects from the complaint grid alone', () => {
  test('no second, fourth like third: the band does not hold', () => {
    const [first] = suspects({
      R: ['normal'],
      D1: ['normal'],
      D2: ['flares'],
      D3: ['normal'],
      D4: ['flares'],
    });
    expect(first!.element).toBe('band-2-4');
    expect(first!.disagree).toEqual([]);
    expect(first!.feed.map((p) => p.id)).toContain('servo-seal-rings');
  });

  test('no reverse, second or fourth: the sun shell, and the band alone does not explain reverse', () => {
    const all = suspects({ R: ['no-drive'], D1: ['normal'], D2: ['flares'], D3: ['normal'], D4: ['flares'] });
    expect(all[0]!.faults).toEqual([{ kind: 'break', part: 'sun-shell' }]);
    expect(all.find((s) => s.id === 'lost:band-2-4')!.disagree).toContain('R');
  });

  test('creeps in neutral, reverse ties up, drive pulls: forward clutch stuck', () => {
    const [first] = suspects({ N: ['moves'], R: ['binds'], D1: ['normal'], D2: ['normal'], D3: ['normal'] });
    expect(first!.id).toBe('stuck:forward');
  });

  test('a tie-up may be reported as bogging, stalling or the weaker element slipping', () => {
    for (const word of ['binds', 'bogs', 'slips']) {
      const [first] = suspects({ N: ['moves'], R: [word], D1: ['normal'], D3: ['normal'] });
      expect(first!.id).toBe('stuck:forward');
    }
  });

  test('only fourth slips, third still holds: the high clutch at a reduced capacity, not lost', () => {
    const [first] = suspects({
      R: ['normal'],
      D1: ['normal'],
      D2: ['normal'],
      D3: ['normal'],
      D4: ['slips'],
    });
    expect(first!.faults).toMatchObject([{ kind: 'slip', element: 'high' }]);
    expect(first!.predictions.filter((p) => p.kind === 'slip').map((p) => p.gear)).toEqual(['D4']);
  });

  test('limp gears are set aside', () => {
    const values: Record<string, Json> = {
      'grid.D2.customer': { any: { behaviours: ['no-drive'], limp: true } },
      'grid.D3.customer': { any: { behaviours: ['normal'] } },
    };
    const limp = rank(complaintsOf(stateFromValues(values)));
    delete values['grid.D2.shop'];
    expect(limp).toEqual(rank(complaintsOf(stateFromValues(values))));
  });

  test('an empty grid names nobody, and probabilities add up to one', () => {
    expect(rank([])).toEqual([]);
    const sum = suspects({ D2: ['slips'] }).reduce((s, x) => s + x.probability, 0);
    expect(sum).toBeCloseTo(1, 9);
  });
});

test('what is told of a gear is shared out over the words, whatever it does', () => {
  const { note, ...rows } = behaviour;
  expect(note).toContain('sums to 1');
  for (const row of Object.values(rows))
    expect(Object.values(row).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
});

describe('a suspect', () => {
  const both = () =>
    suspects({
      R: ['no-drive'],
      D1: ['normal'],
      D2: ['normal'],
      D3: { b: ['wrong-gear'], as: 'D1' },
      D4: { b: ['wrong-gear'], as: 'D2' },
    });
  test('is named by its faults and the first of their elements', () => {
    const [first, , lost] = both();
    expect(first).toMatchObject({
      id: 'lost:high+lost:reverse',
      name: 'High clutch lost and reverse clutch lost',
      element: 'high',
      when: 'always',
    });
    expect(lost).toMatchObject({ name: 'High clutch lost', alike: ['High hub broken'] });
  });
  test('names what speaks for and against it in the order of the gears', () => {
    const [first, , lost] = both();
    expect(lost).toMatchObject({ agree: ['D1', 'D2', 'D3', 'D4'], disagree: ['R'] });
    expect(first!.disagree).toEqual([]);
  });
  test('says where to look first: the weakest of what feeds and what carries it, each once', () => {
    const [first, , lost] = both();
    expect(lost!.feed.map((p) => p.id).slice(0, 2)).toEqual(['high-piston-outer-seal', 'valve-2-3']);
    expect(lost!.power.map((p) => p.id)).toEqual(['high-drum', 'high-hub', 'input-shaft']);
    for (const s of [first!, lost!])
      for (const parts of [s.feed, s.power]) {
        expect(new Set(parts.map((p) => p.id)).size).toBe(parts.length);
        const weakness = parts.map((p) => p.weakness ?? 0);
        expect(weakness).toEqual([...weakness].sort((a, b) => b - a));
      }
  });
  test('that stays on breaks nothing it carries; a broken part is looked at itself', () => {
    const [stuck] = suspects({ N: ['moves'], R: ['binds'], D1: ['normal'], D2: ['normal'], D3: ['normal'] });
    expect(stuck!.power).toEqual([]);
    expect(stuck!.feed.map((p) => p.id)).toContain('forward-piston-seals');
    // One of two stays on: what carries the other is still looked at.
    expect(both().find((s) => s.id === 'stuck:forward+lost:high')!.power.length).toBeGreaterThan(3);
    const [shell] = suspects({
      R: ['no-drive'],
      D1: ['normal'],
      D2: ['flares'],
      D3: ['normal'],
      D4: ['flares'],
    });
    expect(shell).toMatchObject({ element: null, feed: [] });
    expect(shell!.power[0]!.id).toBe('sun-shell');
  });
  test('that is there hot only is no contradiction to a gear that pulls cold', () => {
    const cell = (heat: string, b: string) => told([b], [heat]);
    const values: Record<string, Json> = {
      'grid.D3.shop': { hot: { behaviours: ['slips'] }, cold: { behaviours: ['normal'] } },
      'grid.D4.shop': cell('hot', 'slips'),
      'grid.D2.shop': told(['normal']),
    };
    const [hot] = rank(complaintsOf(stateFromValues(values)));
    expect(hot).toMatchObject({ element: 'high', when: 'hot', disagree: [], agree: ['D2', 'D3', 'D4'] });
    const always = rank(complaintsOf(stateFromValues(values))).find((s) => s.when === 'always')!;
    expect(always.disagree).toContain('D3');
  });
  test('is one of so many as are asked for, with its share of all', () => {
    const grid = complaintsOf(stateFromValues({ 'grid.D2.shop': told(['slips']) }));
    const all = rank(grid);
    const few = rank(grid, 3);
    expect(few).toEqual(all.slice(0, 3));
    // The order is that of the shares, which add up over all.
    expect(all.map((s) => s.probability)).toEqual(all.map((s) => s.probability).sort((a, b) => b - a));
    expect(all.reduce((sum, s) => sum + s.probability, 0)).toBeCloseTo(1, 9);
  });
  test('a gear the unit does not have is not told of', () => {
    const [cell] = complaintsOf(stateFromValues({ 'grid.D2.shop': told(['slips']) }));
    expect(rank([{ ...cell!, gear: 'X9' }])).toEqual([]);
    expect(rank([cell!, { ...cell!, gear: 'X9' }])).toEqual(rank([cell!]));
  });
  test('a share is that of its prior times how well it fits, over all ways of being there', () => {
    const [cell] = complaintsOf(stateFromValues({ 'grid.R.shop': told(['no-drive'], ['hot']) }));
    const table = behaviour as unknown as BehaviourTable;
    const sound = predict(unit, healthyTable(unit), []).find((p) => p.gear === 'R')!;
    const singles = singleHypotheses(unit);
    const fit = (h: { faults: Fault[]; predictions: Prediction[]; prior: number }) => {
      const f = cellLogLikelihood(table, cell!, h.predictions.find((p) => p.gear === 'R')!);
      const s = cellLogLikelihood(table, cell!, sound);
      return thermalsOf(losesGrip(h.faults)).reduce(
        (sum, { when, share }) => sum + h.prior * share * Math.exp(thermalFit(cell!, when, f, s)),
        0,
      );
    };
    const all = [...singles, ...pairHypotheses(unit, singles)].map((h) => [h.id, fit(h)] as const);
    const total = all.reduce((sum, [, w]) => sum + w, 0);
    const ranked = rank([cell!]);
    expect(ranked).toHaveLength(all.length);
    for (const [id, weight] of all)
      expect(ranked.find((s) => s.id === id)!.probability).toBeCloseTo(weight / total, 9);
  });
});
