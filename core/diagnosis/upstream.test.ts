import { complaint } from '@/tests/fixtures/told';
import { firstByCounting, tiny } from '@/tests/fixtures/tiny';
import type { TinyLinks, TinyNode } from '@/tests/fixtures/tiny';
import type { Bearing } from './posterior';
import { whoIsBehind } from './upstream';

/* A pack that welded: it may name itself as the first cause, while something else burnt it. */
const causes: TinyNode[] = [
  { id: 'welded', leak: 0.03, with: { template: { behind: 'fused' } } },
  { id: 'seal', leak: 0.05, with: { words: 'Seal torn' } },
  { id: 'heat', leak: 0.04 },
  { id: 'far', leak: 0.05 },
  { id: 'rest', leak: 0.02, with: { mode: 'other' } },
  { id: 'rare', leak: 0.0001 },
  { id: 'also-welded', leak: 0.06, with: { template: { behind: 'other-fused' } } },
];
const mechanisms: TinyNode[] = [
  { id: 'burnt', leak: 0.01, from: { seal: 0.8, heat: 0.5, rest: 0.5, far: 0.01, rare: 0.9 } },
  { id: 'fused', leak: 0.001, from: { welded: 0.97, burnt: 0.3, 'also-welded': 0.5 } },
];
const links: TinyLinks = {
  fused: { on: ['fused'], levels: { no: [0.99, 0.03], yes: [0.01, 0.97] } },
  seal: { on: ['seal'], direct: true, levels: { good: [0.95, 0.1], torn: [0.05, 0.9] } },
  around: { on: ['far', 'seal', 'heat'], levels: { good: [0.9, 0.3], bad: [0.1, 0.7] } },
  heat: { on: ['heat'], direct: true, levels: { good: [0.95, 0.1], bad: [0.05, 0.9] } },
};
const checks = ['around', 'heat', 'seal', 'fused'].map((point) => ({
  id: `look-${point}`,
  point,
  minutes: 5,
  words: point,
}));
const net = (open = checks) => tiny(causes, mechanisms, links, open);
const behind = (t: ReturnType<typeof net>, id = 'welded', bearings: Bearing[] = [], more = {}) =>
  whoIsBehind(t.model, t.networks, t.link, t.judge(bearings, more), t.at(id));

test('only behind a cause that names damage', () => {
  const t = net();
  expect(behind(t, 'seal')).toBeNull();
  expect(behind(t, 'also-welded')).toBeNull();
});

test('who may have done it, the likeliest first: as counted with the damage there and no damage its own cause', () => {
  const t = net();
  const seen = [t.found('fused', 'yes')];
  const { candidates, damage, judgement } = behind(t, 'welded', seen)!;
  const certain = { link: { ...t.link('fused')!, nodes: [t.at('fused')] }, absent: 0, present: 1 };
  const not = (id: string) => ({
    ...certain,
    link: { ...certain.link, nodes: [t.at(id)] },
    absent: 1,
    present: 0,
  });
  const counted = firstByCounting(t, [...seen, certain, not('welded'), not('also-welded')]);
  expect(candidates.map((c) => c.id)).toEqual(['seal', 'heat']);
  for (const c of candidates) expect(c.probability).toBeCloseTo(counted[t.at(c.id)]!, 9);
  expect(candidates[0]!.words).toBe('Seal torn');
  // Likely enough, yet it hardly reaches the damage; what reaches it is too rare; and there is the rest.
  expect(counted[t.at('far')]).toBeGreaterThan(0.02);
  expect(counted[t.at('rest')]).toBeGreaterThan(0.02);
  expect(damage).toBeCloseTo(t.judge(seen).marginals[t.at('fused')]!, 12);
  judgement.first.forEach((p, r) => expect(p).toBeCloseTo(counted[r]!, 9));
});

test('the check that settles each: one that looks straight at it before one that looks at several, none once made', () => {
  const check = (t: ReturnType<typeof net>, id: string, bearings: Bearing[] = []) =>
    behind(t, 'welded', bearings)!.candidates.find((c) => c.id === id)!.check?.point ?? null;
  expect(check(net(), 'seal')).toBe('seal');
  expect(check(net(), 'heat')).toBe('heat');
  const without = net(checks.filter((c) => c.point !== 'seal'));
  expect(check(without, 'seal')).toBe('around');
  const t = net();
  expect(check(t, 'heat', [t.found('heat', 'good', 0.9)])).toBe('around');
  expect(check(t, 'heat', [t.found('heat', 'good', 0.9), t.found('around', 'bad')])).toBeNull();
});

test('seen, once the damage itself needs no look', () => {
  const t = net();
  expect(behind(t)!.seen).toBe(false);
  expect(behind(t, 'welded', [t.found('fused', 'yes')])!.seen).toBe(true);
});

test('what was found counts, the complaint does not: it tells of the damage only', () => {
  const t = net();
  t.model.complaintParents.push({
    node: t.at('seal'),
    signs: [{ gear: 'D2', kind: 'slip', strength: 0.9, actsLike: null, when: null }],
    heard: null,
  });
  const of = (bearings: Bearing[], more = {}) =>
    behind(t, 'welded', bearings, more)!.candidates.find((c) => c.id === 'seal')!.probability;
  expect(of([], { complaints: [complaint('D2', ['slips'])] })).toBeCloseTo(of([]), 12);
  expect(of([], { codes: [{ gear: 'D2', slot: 'x' }] })).toBeCloseTo(of([]), 12);
  expect(of([t.found('seal', 'good')])).toBeLessThan(of([]));
});

test('the strongest way to the damage counts, through as many steps as it takes', () => {
  const t = tiny(
    [
      { id: 'welded', leak: 0.03, with: { template: { behind: 'fused' } } },
      { id: 'long', leak: 0.05 },
      { id: 'weak', leak: 0.05 },
    ],
    [
      { id: 'fused', leak: 0.2, from: { s1: 0.06, s2: 0.9, weak: 0.004 } },
      { id: 's1', leak: 0.2, from: { long: 0.06 } },
      { id: 's2', leak: 0.2, from: { s3: 0.9 } },
      { id: 's3', leak: 0.2, from: { s1: 0.1 } },
    ],
  );
  expect(behind(t)!.candidates.map((c) => c.id)).toEqual(['long']);
});
