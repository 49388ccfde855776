import { complaintsOf, stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import behaviour from '@/data/knowledge/behaviour.json';
import ostrelFour from '@/data/units/ostrel-four.json';
import { told } from '@/tests/fixtures/told';
import { suspectRanker } from './index';
import type { BehaviourTable, Suspect } from './index';

const unit = ostrelFour as unknown as UnitDefinition;
const rank = suspectRanker(unit, behaviour as unknown as BehaviourTable, Infinity);

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
  const [first, , lost] = suspects({
    R: ['no-drive'],
    D1: ['normal'],
    D2: ['normal'],
    D3: { b: ['wrong-gear'], as: 'D1' },
    D4: { b: ['wrong-gear'], as: 'D2' },
  });
  test('is named by its faults and the first of their elements', () => {
    expect(first).toMatchObject({
      id: 'lost:high+lost:reverse',
      name: 'High clutch lost and reverse clutch lost',
      element: 'high',
      when: 'always',
    });
    expect(lost).toMatchObject({ name: 'High clutch lost', alike: ['High hub broken'] });
  });
  test('names what speaks for and against it in the order of the gears', () => {
    expect(lost).toMatchObject({ agree: ['D1', 'D2', 'D3', 'D4'], disagree: ['R'] });
    expect(first!.disagree).toEqual([]);
  });
  test('says where to look first: the weakest of what feeds and what carries it, each once', () => {
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
});
