import { knowledge } from '@/data/knowledge';
import { matching } from './page';
import { knowledgeView } from './view';

const view = knowledgeView(knowledge);

test('everything that is reasoned with stands there, in words', () => {
  expect(view.causes).toHaveLength(knowledge.causal.roots.length);
  expect(view.mechanisms).toHaveLength(knowledge.causal.mechanisms.length);
  expect(view.observations).toHaveLength(knowledge.causal.observations.length);
  const texts = [
    ...view.causes.flatMap((c) => [c.words, c.why, ...c.leadsTo.map((l) => l.words), ...c.shows]),
    ...view.mechanisms.flatMap((m) => [m.words, m.why, ...m.from.map((l) => l.words), ...m.shows]),
    ...view.observations.flatMap((o) => [o.words, o.on, o.why, ...o.answers.map((a) => a.words)]),
  ];
  expect(view.observations.find((o) => o.id === 'fluid.smell')!.why).toContain('nose');
  for (const text of texts) {
    expect(text.trim()).not.toBe('');
    expect(text).not.toMatch(/[{}$]|root|undefined/);
  }
});

test('shares of causes add up, and strengths are those of the knowledge', () => {
  expect(view.causes.reduce((sum, c) => sum + c.weight, 0)).toBeCloseTo(1, 9);
  const filter = view.causes.find((c) => c.words.startsWith('The filter blocked'))!;
  expect(filter.leadsTo[0]).toEqual({ words: 'The filter blocks', strength: 0.98, computed: null });
  const burnt = view.mechanisms.find((m) => m.id === 'burnt:$e')!;
  expect(burnt.from.filter((l) => l.computed)).toHaveLength(2);
});

test('typed words find by their beginnings, all of them, and nothing typed finds everything', () => {
  expect(matching(view, '')).toEqual(view);
  const water = matching(view, 'WATER');
  expect(water.causes.some((c) => c.words.startsWith('Water in the oil'))).toBe(true);
  expect(water.causes.length).toBeLessThan(view.causes.length / 2);
  expect(matching(view, 'water zebra').causes).toEqual([]);
});
