import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { complaint } from '@/tests/fixtures/told';
import { firstByCounting, thereByCounting, tiny, worlds } from '@/tests/fixtures/tiny';
import type { TinyLinks, TinyNode } from '@/tests/fixtures/tiny';
import { logEvidenceOf } from './first';
import type { Link } from './link';
import type { ComplaintParent } from './model';
import { knownOf } from './posterior';

const causes: TinyNode[] = [
  { id: 'a', leak: 0.1, with: { parts: ['filter'] } },
  { id: 'b', leak: 0.06, with: { parts: ['pump-cover', 'pump-gears'] } },
];
const mechanisms: TinyNode[] = [
  { id: 'm', leak: 0.02, from: { a: 0.95, b: 0.3 } },
  { id: 'n', leak: 0.05, from: { m: 0.8 } },
  { id: 'k', leak: 0.05, from: { m: 0.3, b: 0.95 } },
  { id: 'l', leak: 0.05, from: { m: 0.97, b: 0.94 } },
];
const part: Link['levels'] = { sound: [0.9, 0.2], worn: [0.08, 0.5], failed: [0.00001, 0.99999] };
const limit: Link['levels'] = { in: [0.8, 0.3], over: [0.1, 0.6] };
const links: TinyLinks = {
  m: { on: ['m'], levels: { no: [0.9, 0.2], yes: [0.1, 0.8] } },
  n: { on: ['n'], levels: { no: [0.7, 0.4], yes: [0.3, 0.6] } },
  both: { on: ['a', 'n'], levels: { no: [0.7, 0.4], yes: [0.3, 0.6] } },
  'part:filter': { on: ['a'], levels: part },
  'part:pump-cover': { on: ['b'], levels: part },
  'part:pump-gears': { on: ['b'], levels: part },
  'pump.face:pump-gears': { on: ['k'], levels: limit },
  'pump.tip:pump-gears': { on: ['l'], levels: limit },
  'filter.pleats:filter': { on: ['m'], levels: { clear: [0.8, 0.05], dirty: [0.2, 0.5] } },
};
const t = () => tiny(causes, mechanisms, links);

describe('findings put to the network', () => {
  const bearings = (net: ReturnType<typeof t>) => [
    net.found('m', 'yes'),
    net.found('n', 'no', 0.5),
    net.found('both', 'yes'),
  ];
  test('weigh as counted: what was first, what is there, and how likely all of it is', () => {
    const net = t();
    const judged = net.judge(bearings(net));
    firstByCounting(net, bearings(net)).forEach((p, r) => expect(judged.first[r]).toBeCloseTo(p, 12));
    thereByCounting(net, bearings(net)).forEach((p, k) => expect(judged.marginals[k]).toBeCloseTo(p, 12));
    const mass = worlds(net, bearings(net)).reduce((sum, w) => sum + w.p, 0);
    expect(judged.logEvidence + judged.known.logScale).toBeCloseTo(Math.log(mass), 12);
  });
  test('the larger likelihood of a node is kept at 1, however many findings', () => {
    const net = t();
    const { likelihoods, logScale, network } = net.known(
      Array.from({ length: 400 }, () => net.found('m', 'yes')),
    );
    for (let k = 0; k < 6; k++) expect(Math.max(likelihoods[2 * k]!, likelihoods[2 * k + 1]!)).toBe(1);
    expect(logScale).toBeCloseTo(400 * Math.log(0.8), 9);
    expect(logEvidenceOf(network, likelihoods, 2)).toBeGreaterThan(-10);
  });
  test('what is impossible either way is nothing, not no number', () => {
    const net = t();
    const never = { ...net.found('m', 'yes'), absent: 0, present: 0 };
    const { likelihoods } = net.known([never]);
    expect([likelihoods[4], likelihoods[5]]).toEqual([0, 0]);
  });
  test('what is told of gears adds nodes, and says of others', () => {
    const net = t();
    const slip = { gear: 'D2', kind: 'slip' as const, strength: 0.9, actsLike: null, when: null };
    net.model.complaintParents.push({ node: 2, signs: [slip], heard: null } satisfies ComplaintParent);
    const worse = net.known([], { complaints: [complaint('D2', ['slips'])] });
    expect(worse.network.nodes).toBe(7);
    const well = net.known([], { complaints: [complaint('D2', ['normal'])] });
    expect(well.network.nodes).toBe(6);
    expect(well.likelihoods[4]).toBe(1);
    expect(well.likelihoods[5]).toBeLessThan(0.2);
    expect(well.logScale).toBe(0);
  });
});

describe('networks', () => {
  test('are compiled once for each complaint, the last few of them', () => {
    const { networks, model } = t();
    const extra = (k: number) => [{ leak: 0.1 * (k + 1), parents: [{ index: 0, strength: 0.5 }] }];
    const first = networks([]);
    expect(first.nodes).toBe(model.nodes.length);
    expect(networks([])).toBe(first);
    const made = [0, 1, 2].map((k) => networks(extra(k)));
    expect(made[0]!.nodes).toBe(model.nodes.length + 1);
    expect(networks([])).toBe(first);
    expect(networks(extra(0))).toBe(made[0]);
    networks(extra(3));
    expect(networks(extra(2))).toBe(made[2]);
    expect(networks([])).not.toBe(first);
  });
});

describe('a job’s record as evidence', () => {
  const read = (values: Record<string, Json>, net = t()) =>
    knownOf(net.model, net.link, net.networks, stateFromValues(values));
  const bearings = (values: Record<string, Json>) =>
    read(values).bearings.map((b) => [b.fact.point, b.fact.level, b.absent, b.present]);
  test('facts that hang on something, their likelihoods within reason and to the power of their weight', () => {
    expect(bearings({ 'part.filter.pleats': { is: 'dirty' }, 'unit.fluid.colour': { is: 'red' } })).toEqual([
      ['filter.pleats:filter', 'dirty', 0.2, 0.5],
    ]);
    expect(bearings({ 'part.pump-cover.condition': { is: 'failed' } })).toEqual([
      ['part:pump-cover', 'failed', 1e-4, 1 - 1e-4],
    ]);
  });
  test('a part that was sound where it was looked at counts half, in the exponent', () => {
    expect(bearings({ 'part.pump-cover.face': { is: 'sound' } })).toEqual([
      ['part:pump-cover', 'sound', expect.closeTo(0.9 ** 0.5, 12), expect.closeTo(0.2 ** 0.5, 12)],
    ]);
  });
  test('what shows the part’s own failing by itself is not told again by its state', () => {
    const points = (values: Record<string, Json>) =>
      bearings(values).map(([point, level]) => `${point} ${level}`);
    const face = { 'part.pump-gears.face': { is: 0.09 } };
    expect(points(face)).toEqual(['pump.face:pump-gears over']);
    // What else was read of the part tells more where it is worse, or where the first was sound.
    expect(points({ ...face, 'part.pump-gears.lugs': { is: 'sound' } })).toHaveLength(1);
    expect(points({ ...face, 'part.pump-gears.condition': { is: 'worn' } })).toHaveLength(1);
    expect(points({ ...face, 'part.pump-gears.condition': { is: 'failed' } })).toEqual([
      'pump.face:pump-gears over',
      'part:pump-gears failed',
    ]);
    expect(
      points({ 'part.pump-gears.face': { is: 0.05 }, 'part.pump-gears.condition': { is: 'sound' } }),
    ).toEqual(['pump.face:pump-gears in', 'part:pump-gears sound']);
    // A mechanism that it does not all but equal is another thing.
    expect(points({ 'part.pump-gears.tip': { is: 0.4 } })).toEqual([
      'pump.tip:pump-gears over',
      'part:pump-gears worn',
    ]);
  });
  test('whether the vehicle is whole, and what is told of it', () => {
    expect(read({})).toMatchObject({ opened: false, complaints: [], codes: [], bearings: [] });
    const known = read({
      'station.pan.out': true,
      'grid.D2.shop': { any: { behaviours: ['slips'] } },
    });
    expect(known.opened).toBe(true);
    expect([...known.out]).toEqual(['pan']);
    expect(known.complaints.map((c) => c.gear)).toEqual(['D2']);
  });
  test('codes about a ratio, each gear once; no others, and of no gear there is not', () => {
    const code = (kind: string, gear?: string) => ({ kind, ...(gear ? { gear } : {}) }) as Json;
    expect(
      read({
        'codes.scan': 'these',
        'codes.list.P0731': code('rationality', 'D1'),
        'codes.list.P0732': code('rationality', 'D2'),
        'codes.list.P0733': code('rationality', 'D2'),
        'codes.list.P0734': code('rationality', 'D9'),
        'codes.list.P0735': code('electrical', 'D3'),
        'codes.list.P0736': code('rationality'),
      }).codes,
    ).toEqual([
      { gear: 'D1', slot: 'codes.list.P0731' },
      { gear: 'D2', slot: 'codes.list.P0732' },
    ]);
  });
});
