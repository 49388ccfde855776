import { complaint } from '@/tests/fixtures/told';
import { thereByCounting, tiny } from '@/tests/fixtures/tiny';
import type { TinyLinks, TinyNode } from '@/tests/fixtures/tiny';
import { ledgerOf, sayBearing } from './ledger';
import type { Bearing } from './posterior';

const causes: TinyNode[] = [
  { id: 'a', leak: 0.1 },
  { id: 'b', leak: 0.06 },
  { id: 'c', leak: 0.05 },
];
const mechanisms: TinyNode[] = [
  { id: 'm', leak: 0.02, from: { a: 0.95, b: 0.3 } },
  { id: 'n', leak: 0.05, from: { m: 0.8, c: 0.9 } },
];
const links: TinyLinks = {
  m: { on: ['m'], levels: { no: [0.9, 0.2], yes: [0.1, 0.8] } },
  n: { on: ['n'], levels: { no: [0.7, 0.4], yes: [0.3, 0.6] } },
  both: { on: ['a', 'b'], levels: { no: [0.9, 0.2], yes: [0.1, 0.8] } },
  faint: { on: ['c'], levels: { yes: [0.5, 0.51] } },
};
const logit = (p: number) => Math.log(p / (1 - p));

describe('what each finding says of a cause', () => {
  const told = (net: ReturnType<typeof tiny>): Bearing[] => [
    net.found('faint', 'yes'),
    net.found('n', 'yes'),
    net.found('both', 'yes', 0.5),
    net.found('m', 'yes'),
  ];
  test.each(['a', 'b', 'c'])('of %s: the odds as they are, over the odds without it, as counted', (id) => {
    const net = tiny(causes, mechanisms, links);
    const all = told(net);
    const lines = ledgerOf(net.model, net.networks, net.judge(all))(net.at(id));
    const now = thereByCounting(net, all)[net.at(id)]!;
    const weights = all
      .map((b) => ({
        point: b.fact.point,
        weight:
          logit(now) -
          logit(
            thereByCounting(
              net,
              all.filter((x) => x !== b),
            )[net.at(id)]!,
          ),
      }))
      .filter(({ weight }) => Math.abs(weight) > 0.05)
      .sort((x, y) => Math.abs(y.weight) - Math.abs(x.weight));
    expect(lines.map(({ point, weight }) => ({ point, weight }))).toEqual(
      weights.map(({ point, weight }) => ({ point, weight: expect.closeTo(weight, 9) })),
    );
    expect(lines.length).toBeGreaterThan(1);
    expect(lines.map((l) => l.point)).not.toContain('faint');
  });
  test('says where it was seen, and what makes it say less', () => {
    const net = tiny(causes, mechanisms, links);
    const bearing = net.found('m', 'yes');
    expect(sayBearing(bearing)).toEqual({ point: 'm', level: 'yes', slots: ['slot.m'], caution: null });
    expect(sayBearing({ ...bearing, fact: { ...bearing.fact, caution: 'Cold.' } }).caution).toBe('Cold.');
  });
  test('the complaint is one line: codes and gears together, against everything else', () => {
    const net = tiny(causes, mechanisms, links);
    const slip = { kind: 'slip' as const, strength: 0.9, actsLike: null, when: null };
    net.model.complaintParents.push({
      node: net.at('m'),
      signs: ['D2', 'D3'].map((gear) => ({ ...slip, gear })),
      heard: null,
    });
    const more = {
      complaints: [complaint('D2', ['slips']), complaint('D2', ['slips'], { speaker: 'customer' })],
      codes: [{ gear: 'D3', slot: 'codes.list.P0733' }],
    };
    const seen = [net.found('n', 'yes')];
    const judged = net.judge(seen, more);
    const lines = ledgerOf(net.model, net.networks, judged)(0);
    const grid = lines.find((l) => l.point === 'grid')!;
    expect(grid).toMatchObject({
      level: 'complaint',
      caution: null,
      slots: ['grid.D2.shop', 'grid.D2.customer', 'codes.list.P0733'],
    });
    expect(grid.weight).toBeCloseTo(logit(judged.present[0]!) - logit(net.judge(seen).present[0]!), 9);
    expect(grid.weight).toBeGreaterThan(1);
    const only = (x: object) => ledgerOf(net.model, net.networks, net.judge(seen, x))(0).map((l) => l.point);
    expect(only({ complaints: more.complaints })).toContain('grid');
    expect(only({ codes: more.codes })).toContain('grid');
    expect(only({})).not.toContain('grid');
  });
  test('what is certain has odds still: a cause alone in its world', () => {
    const net = tiny([{ id: 'a', leak: 0.5 }], [], { a: { on: ['a'], levels: { yes: [0.1, 0.9] } } });
    expect(ledgerOf(net.model, net.networks, net.judge([net.found('a', 'yes')]))(0)).toEqual([]);
  });
});
