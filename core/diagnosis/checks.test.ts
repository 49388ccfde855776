import { firstByCounting, tiny, worlds } from '@/tests/fixtures/tiny';
import type { TinyLinks, TinyNode } from '@/tests/fixtures/tiny';
import { nextChecks, searched } from './checks';
import type { NextCheck } from './checks';
import type { Bearing } from './posterior';

/* Three causes, a few mechanisms: what a check tells is worked out by counting worlds. */
const causes = [
  { id: 'a', leak: 0.1 },
  { id: 'b', leak: 0.06 },
  { id: 'c', leak: 0.03 },
];
const mechanisms: TinyNode[] = [
  { id: 'm', leak: 0.02, from: { a: 0.9, b: 0.3 } },
  { id: 'n', leak: 0.02, from: { b: 0.8, m: 0.5 } },
  { id: 'x', leak: 0.3, from: {} },
];
const links: TinyLinks = {
  sign: { on: ['n'], levels: { yes: [0.1, 0.8], no: [0.9, 0.2] } },
  'm-seen': { on: ['m'], levels: { sound: [0.8, 0.05], marked: [0.15, 0.25], burnt: [0.05, 0.7] } },
  'a-seen': { on: ['a'], levels: { fine: [0.95, 0.1], bad: [0.05, 0.9] } },
  'a-or-b': { on: ['a', 'b'], levels: { fine: [0.9, 0.3], bad: [0.1, 0.7] } },
  nothing: { on: ['x'], levels: { yes: [0.1, 0.8], no: [0.9, 0.2] } },
  faint: { on: ['c'], levels: { yes: [0.5, 0.51], no: [0.5, 0.49] } },
};
const check = (point: string, minutes = 5, more = {}) => ({
  id: `do-${point}`,
  point,
  minutes,
  words: point,
  ...more,
});
const telling = (points: string[], more = {}) =>
  tiny(
    causes,
    mechanisms,
    links,
    points.map((p) => check(p, 5, more)),
  );
type T = ReturnType<typeof tiny>;
const ask = (t: T, bearings: Bearing[] = [], more = {}) =>
  searched(nextChecks(t.model, t.link, t.judge(bearings, { opened: true, ...more })));

/** Mutual information of a check and the first cause, by counting. */
function bits(t: T, point: string, bearings: Bearing[] = []): number {
  const link = t.link(point)!;
  const before = firstByCounting(t, bearings);
  const all = (extra: Bearing[]) => worlds(t, extra).reduce((sum, w) => sum + w.p, 0);
  const outcomes = Object.values(link.levels).map(([absent, present]) => {
    const seen = [...bearings, { link, absent, present } as Bearing];
    return { p: all(seen), then: firstByCounting(t, seen) };
  });
  const total = outcomes.reduce((sum, o) => sum + o.p, 0);
  return outcomes.reduce(
    (sum, { p, then }) =>
      sum + (p / total) * then.reduce((s, q, r) => s + (q > 0 ? q * Math.log2(q / before[r]!) : 0), 0),
    0,
  );
}

describe('what a check would tell', () => {
  test.each(['m-seen', 'a-seen', 'sign', 'a-or-b'])('%s: as counted, its results too', (point) => {
    const t = telling([point]);
    const sign = point === 'sign' ? [] : [t.found('sign', 'yes')];
    const [made] = ask(t, sign) as [NextCheck];
    expect(made).toMatchObject({ check: `do-${point}`, point, words: point, minutes: 5 });
    expect(made.gain).toBeCloseTo(bits(t, point, sign), 9);
    const { levels, nodes } = t.link(point)!;
    expect(made.results.map((r) => r.level).sort()).toEqual(Object.keys(levels).sort());
    expect(made.results.reduce((s, r) => s + r.chance, 0)).toBeCloseTo(1, 12);
    const chances = made.results.map((r) => r.chance);
    expect(chances).toEqual([...chances].sort((a, b) => b - a));
    for (const { level, chance, then } of made.results) {
      const [absent, present] = levels[level]!;
      const seen = [...sign, { link: t.link(point)!, absent, present } as Bearing];
      const counted = firstByCounting(t, seen);
      for (const { id, probability } of then) expect(probability).toBeCloseTo(counted[t.at(id)]!, 9);
      expect(then).toHaveLength(3);
      expect(then.map((x) => x.probability)).toEqual(
        counted.sort((p, q) => q - p).map((p) => expect.closeTo(p, 9)),
      );
      const mass = (b: Bearing[]) => worlds(t, b).reduce((s, w) => s + w.p, 0);
      if (nodes.length === 1) expect(chance).toBeCloseTo(mass(seen) / mass(sign), 9);
    }
  });
  test('of many causes the likeliest four are named, then and now', () => {
    const many = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'].map((id, k) => ({ id, leak: 0.05 - 0.005 * k }));
    const t = tiny(
      many,
      [{ id: 'm', leak: 0.01, from: { e: 0.9, f: 0.85, g: 0.8, h: 0.75, d: 0.15 } }],
      { m: { on: ['m'], levels: { no: [0.99, 0.02], yes: [0.01, 0.88] } } },
      [check('m')],
    );
    const [{ results }] = ask(t) as [NextCheck];
    const yes = results.find((r) => r.level === 'yes')!;
    expect(yes.then.map((x) => x.id)).toEqual(['e', 'f', 'g', 'h', 'd', 'a', 'b', 'c']);
    expect(results.reduce((sum, r) => sum + r.chance, 0)).toBeCloseTo(1, 12);
    const no = results.find((r) => r.level === 'no')!;
    expect(no.then.map((x) => x.id)).toEqual(['a', 'b', 'c', 'd']);
  });
  test('what tells nothing is not proposed, however little it costs; what settles the leader is', () => {
    expect(ask(telling(['nothing']))).toEqual([]);
    expect(ask(telling(['faint']))).toEqual([]);
    const t = telling(['a-seen', 'nothing']);
    const sure = [t.found('a-seen', 'bad'), t.found('a-seen', 'bad'), t.found('a-seen', 'bad')].map((b) => ({
      ...b,
      fact: { ...b.fact, weight: 0.1 },
    }));
    const [left] = ask(t, sure) as [NextCheck];
    expect(left).toMatchObject({ point: 'a-seen', confirms: true });
    expect(ask(t, sure)).toHaveLength(1);
  });
});

test('a cause alone in its world: nothing is left to learn, but nobody has looked', () => {
  const t = tiny([{ id: 'a', leak: 0.2 }], [], { a: links['a-seen']! }, [check('a')]);
  expect(ask(t)).toEqual([
    { check: 'do-a', point: 'a', words: 'a', minutes: 5, gain: 0, reach: 0, confirms: true, results: [] },
  ]);
});

describe('which comes first', () => {
  const worth = (t: T, c: NextCheck, bearings: Bearing[] = []) =>
    (c.gain + (c.confirms ? Math.max(...firstByCounting(t, bearings)) : 0)) / (c.minutes + c.reach + 10);
  test('bits per minute, ten minutes for getting started, and a bit for a look at the leader itself', () => {
    const points = ['m-seen', 'a-seen', 'sign', 'a-or-b'];
    for (const minutes of [
      [5, 60, 5, 5],
      [5, 5, 60, 5],
      [90, 5, 5, 60],
      [30, 3, 20, 8],
    ]) {
      const t = tiny(
        causes,
        mechanisms,
        links,
        points.map((p, k) => check(p, minutes[k]!)),
      );
      const made = ask(t);
      expect(made).toHaveLength(4);
      const order = [...made].sort((a, b) => worth(t, b) - worth(t, a));
      expect(made.map((c) => c.point)).toEqual(order.map((c) => c.point));
      for (const c of made) {
        expect(c.gain).toBeCloseTo(bits(t, c.point), 9);
        expect(c.confirms).toBe(c.point === 'a-seen' || c.point === 'a-or-b');
      }
    }
  });
  test('a look at the leader counts as its probability in bits', () => {
    // Two checks of the same gain but one looks straight at the leader.
    const t = tiny(
      [
        { id: 'a', leak: 0.2 },
        { id: 'b', leak: 0.1 },
      ],
      [{ id: 'm', leak: 0, from: { a: 0.9 } }],
      {
        direct: { on: ['a'], levels: { fine: [0.9, 0.19], bad: [0.1, 0.81] } },
        around: { on: ['m'], levels: { fine: [0.9, 0.1], bad: [0.1, 0.9] } },
      },
      [check('around', 5), check('direct', 13)],
    );
    const [first, second] = ask(t) as [NextCheck, NextCheck];
    expect([first.point, second.point]).toEqual(['direct', 'around']);
    expect(second.gain / 15).toBeGreaterThan(first.gain / 23);
  });
  test('but no more than that: of little gain and long, it comes last', () => {
    const t = tiny(
      [
        { id: 'a', leak: 0.1 },
        { id: 'b', leak: 0.09 },
        { id: 'c', leak: 0.08 },
      ],
      [],
      {
        leader: { on: ['a'], levels: { fine: [0.5, 0.45], bad: [0.5, 0.55] } },
        next: { on: ['b'], levels: { fine: [0.99, 0.02], bad: [0.01, 0.98] } },
      },
      [check('leader', 5), check('next', 5)],
    );
    const [first, second] = ask(t) as [NextCheck, NextCheck];
    expect([first.point, second.point]).toEqual(['next', 'leader']);
    expect(second.confirms).toBe(true);
    const share = Math.max(...firstByCounting(t));
    expect(first.gain).toBeGreaterThan(second.gain + share);
    expect(first.gain).toBeLessThan(second.gain + 1);
  });
  test('a look at what may be there for any reason promises more than it tells, and does not crowd out what tells', () => {
    const loud = ['p', 'q', 'r', 's', 't'];
    const t = tiny(
      causes,
      [
        { id: 'm', leak: 0.02, from: { a: 0.9, b: 0.3 } },
        ...loud.map((id, k) => ({ id, leak: 0.4, from: { c: 0.2 + 0.1 * k } })),
      ],
      {
        m: { on: ['m'], levels: { no: [0.95, 0.1], yes: [0.05, 0.9] } },
        ...Object.fromEntries(
          loud.map((id) => [id, { on: [id], levels: { no: [0.95, 0.1], yes: [0.05, 0.9] } }]),
        ),
      },
      [...loud.map((id) => check(id, 1)), check('m', 9)],
    );
    const made = ask(t);
    expect(made[0]!.point).toBe('m');
    expect(made).toHaveLength(6);
  });
  test('at least five are the best there are, those left out being sure to be worse', () => {
    const many = Array.from({ length: 10 }, (_, k) => ({ id: `c${k}`, leak: 0.02 + 0.005 * k }));
    const t = tiny(
      many,
      [],
      Object.fromEntries(
        many.map(({ id }, k) => [id, { on: [id], levels: { fine: [0.9, 0.3], bad: [0.1 + 0.02 * k, 0.7] } }]),
      ) as TinyLinks,
      many.map(({ id }, k) => check(id, 3 + ((k * 7) % 10) * 4)),
    );
    const made = ask(t);
    const gains = new Map(many.map(({ id }) => [id, bits(t, id)]));
    const order = many
      .map(({ id }, k) => {
        const first = firstByCounting(t);
        const leader = first.indexOf(Math.max(...first)) === k;
        return { id, worth: (gains.get(id)! + (leader ? first[k]! : 0)) / (3 + ((k * 7) % 10) * 4 + 10) };
      })
      .sort((x, y) => y.worth - x.worth);
    expect(made.slice(0, 5).map((c) => c.point)).toEqual(order.slice(0, 5).map((o) => o.id));
    expect(made.length).toBeLessThan(10);
  });
});

describe('in the vehicle', () => {
  const far = { ...links, 'lining:high': links['m-seen']!, 'lining:low': links.sign! };
  const t = (on: TinyLinks, ...points: string[]) =>
    tiny(
      causes,
      mechanisms,
      on,
      points.map((p) => check(p)),
    );
  test('what can be done there comes first as long as it tells something', () => {
    const points = (links: TinyLinks, opened: boolean) =>
      ask(t(links, 'lining:high', 'sign', 'faint'), [], { opened }).map((c) => c.point);
    expect(points(far, false)).toEqual(['sign']);
    expect(points(far, true)).toEqual(expect.arrayContaining(['lining:high', 'sign']));
    // One that tells is enough, whatever the others there do.
    const mixed = {
      ...far,
      'm-seen': { on: ['x'], levels: { yes: [0.1, 0.8] } },
      'a-or-b': { on: ['c'], levels: { yes: [0.5, 0.56], no: [0.5, 0.44] } },
    } as TinyLinks;
    expect(ask(t(mixed, 'lining:high', 'sign', 'a-or-b'), [], { opened: false }).map((c) => c.point)).toEqual(
      ['sign', 'a-or-b'],
    );
    // Told so weakly, it does not.
    const weak = { ...far, sign: { on: ['n'], levels: { yes: [0.5, 0.6], no: [0.5, 0.4] } } } as TinyLinks;
    const [first] = ask(t(weak, 'lining:high', 'sign'), [], { opened: false }) as [NextCheck];
    expect(first.gain).toBeGreaterThan(0.02);
    expect(first.point).toBe('lining:high');
    expect(points(weak, false)).toContain('sign');
  });
  test('what has to come out first is counted in minutes, of the unit’s own hours', () => {
    const made = ask(t(far, 'lining:high', 'sign'), [], { opened: true, out: new Set() });
    const of = (point: string) => made.find((c) => c.point === point)!.reach;
    expect(of('sign')).toBe(0);
    expect(of('lining:high')).toBeGreaterThan(20);
  });
});
