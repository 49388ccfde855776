import { stateFromValues } from '@/core/case';
import { factsOf } from '@/core/facts';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { dice } from '../dice';
import { disturbed } from './disturbed';
import { drawing } from './drawn';
import { driving } from './driven';
import { MODEL, prove } from './proof';
import { recorder } from './recorder';
import { scoring } from './score';
import { stories } from './story';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;

test('a level that is written is read as that level', () => {
  const record = recorder(four);
  const wanted: [string, string][] = [
    ['lining:high', 'burnt'],
    ['lining:band-2-4', 'heat-marked'],
    ['debris.fibre', 'heavy'],
    ['pack.air-test:forward', 'leaks'],
    ['pack.clearance:high', 'under'],
    ['solenoid.resistance:S1', 'over'],
    ['solenoid.resistance:S1', 'in'],
    ['planetary.pins:rear', 'blue'],
    ['part:sun-shell', 'failed'],
    ['converter.lining:converter', 'gone'],
    ['pressure.full', 'under'],
    ['history-rebuilt', 'recent'],
    ['milky', 'yes'],
  ];
  for (const [point, level] of wanted) {
    const values = record(point, level)!;
    expect([point, values !== null]).toEqual([point, true]);
    const facts = factsOf(four, stateFromValues(values), knowledge);
    expect([point, facts.find((f) => f.point === point)?.level]).toEqual([point, level]);
  }
  expect(record('lining:high', 'polished')).toBeNull();
  expect(record('planetary.pins:nowhere', 'blue')).toBeNull();
});

test('the same seed tells the same story, another another', () => {
  for (const worlds of [drawing(four, knowledge), driving(four, knowledge)]) {
    const tell = stories(four, knowledge.causal);
    const story = (seed: number) => {
      const d = dice(seed);
      return tell(worlds(d), d).after;
    };
    expect(story(5)).toEqual(story(5));
    expect(story(5)).not.toEqual(story(6));
  }
});

test('what is sure and right costs nothing, sure and wrong most, and ties count in part', () => {
  const one = scoring();
  one.add(new Map([['a', 1]]), 'a', (x) => x);
  expect(one.score()).toMatchObject({ top1: 1, top3: 1, family: 1, brier: 0, calibration: 0 });
  const wrong = scoring();
  wrong.add(new Map([['a', 1]]), 'b', (x) => x);
  expect(wrong.score()).toMatchObject({ top1: 0, family: 0, brier: 2, calibration: 1 });
  const tied = scoring();
  tied.add(new Map('abcd'.split('').map((x) => [x, 0.25])), 'c', (x) => (x < 'c' ? 'first' : 'last'));
  expect(tied.score()).toMatchObject({ top1: 0.25, top3: 0.75, family: 0.5, calibration: 0 });
  expect(tied.score().brier).toBeCloseTo(3 * 0.0625 + 0.5625, 12);
  const named = scoring();
  named.add(new Map('ab'.split('').map((x) => [x, 0.5])), 'a', (x) => x, true);
  expect(named.score().brier).toBe(1);
  const silent = scoring();
  silent.add(new Map(), 'a', (x) => x);
  expect(silent.score()).toMatchObject({ top1: 0, brier: 1 });
});

test('disturbed strengths stay probabilities, and differ by no more than is asked', () => {
  const off = disturbed(knowledge, 0.3, dice(1));
  let differ = 0;
  off.causal.roots.forEach((r, k) => {
    const ratio = r.prior / knowledge.causal.roots[k]!.prior;
    expect(ratio).toBeGreaterThan(0.69);
    expect(ratio).toBeLessThan(1.31);
    if (Math.abs(ratio - 1) > 0.01) differ++;
  });
  expect(differ).toBeGreaterThan(20);
  for (const { levels } of off.causal.observations)
    for (const p of Object.values(levels).flat()) {
      expect(p).toBeGreaterThan(0);
      expect(p).toBeLessThan(1);
    }
});

/* A few stories only: the bench tells hundreds. Seeds are fixed; a change that turns this over has to be looked at. */
test.each([
  ['drawn from the network', 8, drawing],
  ['driven in a simulator', 24, driving],
] as const)('%s: the model names what lets go more often than any plain rule', (_, many, worlds) => {
  const told = prove([four], knowledge, (unit) => worlds(unit, knowledge), many, dice(21), 1);
  const { [MODEL]: model, ...rules } = told.after;
  for (const rule of Object.values(rules)) {
    expect(model!.top1).toBeGreaterThan(rule.top1);
    expect(model!.family).toBeGreaterThan(rule.family);
    expect(model!.brier).toBeLessThan(rule.brier);
  }
  expect(model!.top1).toBeGreaterThan(told.before[MODEL]!.top1);
  expect(told.checks.mean).toBeGreaterThan(0);
});
