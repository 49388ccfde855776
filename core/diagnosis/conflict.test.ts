import { complaint } from '@/tests/fixtures/told';
import { thereByCounting, tiny, worlds } from '@/tests/fixtures/tiny';
import type { TinyLinks, TinyNode } from '@/tests/fixtures/tiny';
import { CONTRADICTS, conflictsOf } from './conflict';

const causes: TinyNode[] = Array.from({ length: 2 }, (_, k) => ({ id: `r${k}`, leak: 0.05 }));
const mechanisms: TinyNode[] = Array.from({ length: 8 }, (_, k) => ({
  id: `m${k}`,
  leak: 0.01,
  from: { r0: 0.97 },
}));
const links: TinyLinks = {
  ...Object.fromEntries(
    mechanisms.map(({ id }, k) => [
      id,
      { on: [id], levels: { no: [0.99, 0.01 + 0.001 * k], yes: [0.01, 0.99 - 0.001 * k] } },
    ]),
  ),
  two: { on: ['r0', 'r1'], levels: { yes: [0.1, 0.9] } },
};
const net = () => tiny(causes, mechanisms, links);
const conflict = (t: ReturnType<typeof net>, ...args: Parameters<typeof t.judge>) =>
  conflictsOf(t.model, t.networks)(t.judge(...args));

test('a single finding is named where the rest makes it far less likely than it was, the worst first, six at most', () => {
  const t = net();
  const found = mechanisms.map(({ id }, k) => t.found(id, k < 1 ? 'yes' : 'no'));
  const { between, findings } = conflict(t, found);
  expect(between).toBe(0);
  const chance = (p: number, b: (typeof found)[number]) => p * b.present + (1 - p) * b.absent;
  const counted = found
    .map((b) => {
      const [node] = b.link.nodes as [number];
      const without = thereByCounting(
        t,
        found.filter((x) => x !== b),
      )[node]!;
      return {
        point: b.fact.point,
        weight: Math.log(chance(without, b) / chance(thereByCounting(t)[node]!, b)),
      };
    })
    .filter((e) => e.weight < -Math.log(6));
  expect(findings.map((f) => f.point)).toEqual(['m0']);
  expect(counted).toEqual([{ point: 'm0', weight: expect.closeTo(findings[0]!.weight, 9) }]);
});

test('of many that do not go together the six worst are named', () => {
  const t = tiny(
    [
      { id: 'r0', leak: 0.05 },
      { id: 'r1', leak: 0.4 },
    ],
    mechanisms,
    { ...links, r0: { on: ['r0'], levels: { no: [0.999, 0.001] } } },
  );
  const found = [t.found('r0', 'no'), ...mechanisms.map(({ id }) => t.found(id, 'yes'))].map((b, k) =>
    k ? { ...b, present: b.present, absent: 0.0001 * k } : { ...b, absent: 1, present: 1e-30 },
  );
  const { findings } = conflict(t, found);
  expect(findings.length).toBeLessThanOrEqual(6);
  const weights = findings.map((f) => f.weight);
  expect(weights).toEqual([...weights].sort((a, b) => a - b));
  expect(findings.length).toBeGreaterThan(0);
});

test('what is told against what is found: how much less likely together than apart', () => {
  const t = net();
  const slip = { gear: 'D2', kind: 'neutral' as const, strength: 0.95, actsLike: null, when: null };
  t.model.complaintParents.push({ node: t.at('m0'), signs: [slip], heard: null });
  const told = { complaints: [complaint('D2', ['normal'])] };
  const found = [t.found('m0', 'yes'), t.found('m1', 'yes')];
  const { between } = conflict(t, found, told);
  const [said] = [t.known([], told).likelihoods];
  const telling = {
    link: { ...t.link('m0')! },
    absent: said[2 * t.at('m0')]!,
    present: said[2 * t.at('m0') + 1]!,
  };
  const log = (bearings: Parameters<typeof worlds>[1]) =>
    Math.log(worlds(t, bearings).reduce((sum, w) => sum + w.p, 0));
  expect(between).toBeCloseTo(log([telling]) + log(found) - log([telling, ...found]) - log([]), 9);
  expect(between).toBeGreaterThan(CONTRADICTS / 2);
  // With nothing told, or nothing found, there is nothing to go against.
  expect(conflict(t, found).between).toBe(0);
  expect(conflict(t, [], told).between).toBe(0);
  // A code tells, too.
  expect(conflict(t, [t.found('m0', 'no')], { codes: [{ gear: 'D2', slot: 'x' }] }).between).toBeGreaterThan(
    0,
  );
});

test('what agrees has no conflict, and a finding on several things at once is no single finding', () => {
  const t = net();
  const agreed = conflict(
    t,
    mechanisms.map(({ id }) => t.found(id, 'yes')),
  );
  expect(agreed.findings).toEqual([]);
  const odd = { ...t.found('two', 'yes'), absent: 1, present: 1e-9 };
  expect(conflict(t, [odd, t.found('m0', 'no')]).findings).toEqual([]);
});

test('what was judged before changes nothing', () => {
  const t = net();
  const slip = { gear: 'D2', kind: 'neutral' as const, strength: 0.95, actsLike: null, when: null };
  t.model.complaintParents.push({ node: t.at('m0'), signs: [slip], heard: null });
  const found = [t.found('m0', 'yes'), t.found('m1', 'no')];
  const records = [
    t.judge(found, { complaints: [complaint('D2', ['normal'])] }),
    t.judge(found, { complaints: [complaint('D2', ['slips'])] }),
    t.judge([t.found('m0', 'no')], { codes: [{ gear: 'D2', slot: 'x' }] }),
    t.judge(found),
  ];
  const alone = records.map((judgement) => conflictsOf(t.model, t.networks)(judgement));
  expect(new Set(alone.map((c) => c.between)).size).toBeGreaterThan(2);
  const conflicts = conflictsOf(t.model, t.networks);
  for (const k of [0, 1, 2, 3, 1, 0, 0, 2]) expect(conflicts(records[k]!)).toEqual(alone[k]);
});
