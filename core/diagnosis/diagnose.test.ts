import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { plates, soundPacks } from '@/tests/fixtures/told';
import { diagnoser } from './diagnose';
import type { CausalKnowledge } from './schema';

/*
 * A whole verdict from a handful of causes: a pack that welds, what burns it, a filter, and the rest. Small enough that what
 * should stand where is plain.
 */
const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const say = { why: '', plain: '' };
const causal = {
  format: 'pelvik-causal/2',
  rate: 0.05,
  failureWords: {},
  mechanisms: [
    { id: 'low', leak: 0.01, parents: {}, words: 'pressure falls', group: 'pressure is short', ...say },
    { id: 'early', leak: 0.001, parents: { low: 0.05 }, words: 'early', ...say },
    {
      id: 'burnt:$e',
      each: 'friction',
      leak: 0.01,
      parents: { low: 0.6, early: 0.5 },
      words: 'the {e} burns',
      ...say,
    },
    {
      id: 'fused:$e',
      each: 'friction',
      leak: 0.0001,
      parents: { 'burnt:$e': 0.01 },
      words: 'the {e} welds',
      shows: [{ as: 'stuck', with: 0.95 }],
      group: 'the {e} stays on',
      ...say,
    },
    { id: 'cloudy', leak: 0.05, parents: { early: 0.3 }, words: 'the oil clouds', ...say },
    { id: 'smells', leak: 0.05, parents: { low: 0.3 }, words: 'the oil smells', ...say },
    { id: 'faint', leak: 0.05, parents: { low: 0.1 }, words: 'hardly', ...say },
    { id: 'fibre', leak: 0.05, parents: {}, words: 'fibre', ...say },
    { id: 'stalls', leak: 0.05, parents: {}, words: 'stalls', ...say },
  ],
  roots: [
    {
      mode: 'blocked',
      each: 'part',
      roles: ['filter'],
      prior: 0.35,
      effects: { low: 0.95, fibre: 0.3 },
      words: '{p} blocked',
      ...say,
    },
    {
      mode: 'torn',
      each: 'element-part',
      kinds: ['piston'],
      prior: 0.3,
      effects: { 'burnt:$e': 0.8, stalls: 0.3 },
      words: '{p} torn',
      ...say,
    },
    {
      mode: 'welded',
      each: 'friction',
      open: true,
      behind: 'fused:$e',
      prior: 1.5,
      effects: { 'fused:$e': 0.98 },
      words: 'the {e} welded',
      ...say,
    },
    {
      mode: 'other',
      each: 'once',
      id: 'other',
      open: true,
      prior: 0.6,
      effects: {},
      words: 'something else',
      ...say,
    },
  ],
  observations: [
    {
      point: 'filter.pleats:$p',
      on: 'root-part',
      levels: { clear: [0.99, 0.01], dirty: [0.1, 0.5], blocked: [0.003, 0.99] },
      why: '',
    },
    { point: 'lining:$e', on: 'burnt:$e', levels: { sound: [0.95, 0.05], burnt: [0.02, 0.9] }, why: '' },
    { point: 'fused:$e', on: 'fused:$e', levels: { no: [0.999, 0.01], yes: [0.0005, 0.99] }, why: '' },
    {
      point: 'part:$p',
      on: 'root-part',
      levels: { sound: [0.95, 0.05], worn: [0.04, 0.3], failed: [0.0035, 0.9] },
      why: '',
    },
    { point: 'fluid.colour', on: 'cloudy', levels: { milky: [0.01, 0.5], red: [0.9, 0.1] }, why: '' },
    { point: 'fluid.smell', on: 'smells', levels: { burnt: [0.01, 0.5] }, why: '' },
    { point: 'fluid.level', on: 'faint', levels: { low: [0.01, 0.5] }, why: '' },
    { point: 'debris.fibre', on: 'fibre', levels: { heavy: [0.01, 0.5] }, why: '' },
    { point: 'checks.stall', on: 'stalls', levels: { high: [0.01, 0.5], low: [0.1, 0.4] }, why: '' },
    { point: 'history-towing', told: true, on: 'low', levels: { often: [0.01, 0.6] }, why: '' },
  ],
  checks: [
    { id: 'cut-filter', point: 'filter.pleats:$p', minutes: 10, words: 'Cut {p} open' },
    { id: 'open-pack', point: 'fused:$e', minutes: 15, words: 'Open the {e}' },
    { id: 'inspect', point: 'part:$p', minutes: 12, words: 'Look at {p}' },
  ],
} as unknown as CausalKnowledge;

const judge = (values: Record<string, Json>) =>
  diagnoser(four, { ...knowledge, causal })(stateFromValues(values));
const welded = plates(four, 'forward', 'welded', 'welded');
const blocked = { 'part.filter.pleats': { is: 'blocked' } };

describe('a verdict', () => {
  test('the likeliest first; the six likeliest with chain and evidence, probabilities whole', () => {
    const d = judge({ ...blocked, 'element.high.dragged': { is: 'no' } });
    expect(d.causes[0]).toMatchObject({
      id: 'filter:blocked',
      mode: 'blocked',
      part: 'filter',
      element: null,
      gearset: null,
    });
    const shares = d.causes.map((c) => c.probability);
    expect(shares).toEqual([...shares].sort((a, b) => b - a));
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
    expect(d.causes.map((c) => c.chain.length > 0)).toEqual(d.causes.map((_, k) => k < 6));
    expect(d.causes[0]!.evidence.map((e) => e.point)).toEqual(['filter.pleats:filter']);
    for (const c of d.causes.slice(6)) expect(c.evidence).toEqual([]);
    for (const c of d.causes) expect(c.present).toBeGreaterThanOrEqual(c.probability);
    expect(d.causes[0]!.chain.map((s) => s.words).slice(0, 2)).toEqual(['Filter blocked', 'pressure falls']);
    expect(d.groups[0]).toMatchObject({ id: 'low', words: 'pressure is short' });
    const likely = d.mechanisms.map((m) => m.probability);
    expect(likely).toEqual([...likely].sort((a, b) => b - a));
    expect(d.mechanisms.find((m) => m.id === 'low')).toMatchObject({ words: 'pressure falls' });
    expect(d.mechanisms.find((m) => m.id === 'low')!.probability).toBeGreaterThan(0.85);
  });
  test('determined where one stands out, and it says why', () => {
    expect(judge(blocked)).toMatchObject({ undetermined: false, contradictory: false, upstream: [] });
    expect(judge({}).undetermined).toBe(true);
    // Blocked, and torn as well: neither is twice the other.
    const both = judge({ ...blocked, 'part.high-piston.condition': { is: 'failed' } });
    expect(both.causes[0]!.probability).toBeGreaterThan(0.6);
    expect(both.causes[0]!.probability).toBeLessThan(2 * both.causes[1]!.probability);
    expect(both.undetermined).toBe(true);
    // Five times the second, and yet hardly more than even.
    const even = judge({ 'part.filter.pleats': { is: 'dirty' }, 'unit.fluid.smell': { is: 'burnt' } });
    expect(even.causes[0]!.probability).toBeGreaterThan(0.5);
    expect(even.causes[0]!.probability).toBeGreaterThan(2 * even.causes[1]!.probability);
    expect(even.undetermined).toBe(true);
  });
  test('what names no reason is never determined, however sure', () => {
    const sound = Object.fromEntries(
      four.parts.filter((p) => p.kind === 'piston').map((p) => [`part.${p.id}.condition`, { is: 'sound' }]),
    );
    const rest = judge({
      ...sound,
      'part.filter.pleats': { is: 'clear' },
      ...Object.fromEntries(
        ['forward', 'overrun', 'high', 'reverse', 'low-reverse'].map((e) => [
          `element.${e}.stays-on`,
          { is: 'no' },
        ]),
      ),
      ...soundPacks(four, 'forward', 'overrun', 'high', 'reverse', 'low-reverse'),
      'element.band-2-4.lining': { is: 'sound' },
    });
    expect(rest.causes[0]!.id).toBe('other');
    expect(rest.causes[0]!.probability).toBeGreaterThan(0.6);
    expect(rest.causes[0]!.probability).toBeGreaterThan(2 * rest.causes[1]!.probability);
    expect(rest.undetermined).toBe(true);
  });
  test('the next checks are of the record as it is: the filter, then nothing of it once it is cut', () => {
    expect(judge({ 'station.pan.out': true }).nextChecks.map((c) => c.point)).toContain(
      'filter.pleats:filter',
    );
    expect(judge({ 'station.pan.out': true, ...blocked }).nextChecks.map((c) => c.point)).not.toContain(
      'filter.pleats:filter',
    );
  });
  test('however late they are asked for', () => {
    const diagnose = diagnoser(four, { ...knowledge, causal });
    const open = diagnose(stateFromValues({ 'station.pan.out': true }));
    const cut = diagnose(stateFromValues({ 'station.pan.out': true, ...blocked }));
    expect(cut.nextChecks.map((c) => c.point)).not.toContain('filter.pleats:filter');
    const late = open.nextChecks;
    expect(late).toEqual(judge({ 'station.pan.out': true }).nextChecks);
    expect(open.nextChecks).toBe(late);
  });
});

describe('damage, and who is behind it', () => {
  test('a weld nobody has explained stays open: it leads, with those who may have done it', () => {
    const d = judge(welded);
    expect(d.causes[0]!.id).toBe('forward:welded');
    expect(d.undetermined).toBe(true);
    expect(
      d.upstream
        .map((u) => u.id)
        .slice(0, 2)
        .sort(),
    ).toEqual(['filter:blocked', 'forward-piston:torn']);
    // What is asked next is what burnt it.
    expect(['filter.pleats:filter', 'part:forward-piston']).toContain(d.nextChecks[0]!.point);
  });
  test('once one stands out behind it, that one was first and takes over its share; the weld stays, as what followed', () => {
    const before = judge(welded);
    const d = judge({ ...welded, 'part.forward-piston.condition': { is: 'worn' } });
    expect(d.causes[0]!.id).toBe('forward-piston:torn');
    expect(d.undetermined).toBe(false);
    const weld = d.causes.find((c) => c.id === 'forward:welded')!;
    expect(weld.present).toBeGreaterThan(0.9);
    expect(weld.probability).toBeLessThan(0.2);
    const shares = d.causes.map((c) => c.probability);
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
    expect(shares).toEqual([...shares].sort((a, b) => b - a));
    expect(d.causes[0]!.present).toBeGreaterThanOrEqual(d.causes[0]!.probability);
    expect(new Set(d.causes.map((c) => c.id)).size).toBe(before.causes.length);
    expect(d.causes[0]!.chain.map((s) => s.id)).toContain('fused:forward');
    expect(d.causes[0]!.evidence.map((e) => e.point)).toContain('part:forward-piston');
    expect(d.upstream[0]!.id).toBe('forward-piston:torn');
    // What it takes over is the weld's share, as far as it is behind the weld.
    const rest = (x: typeof d) =>
      x.causes
        .filter((c) => !['forward-piston:torn', 'forward:welded'].includes(c.id))
        .reduce((sum, c) => sum + c.probability, 0);
    expect(d.causes[0]!.probability + weld.probability + rest(d)).toBeCloseTo(1, 12);
    expect(d.causes[0]!.probability).toBeGreaterThan(0.6);
    expect(d.mechanisms.find((m) => m.id === 'fused:forward')!.probability).toBeGreaterThan(0.9);
    expect(d.mechanisms.find((m) => m.id === 'fused:high')!.probability).toBeLessThan(0.1);
  });
  test('while two may have done it, nothing is taken over', () => {
    const d = judge({
      ...welded,
      'part.filter.pleats': { is: 'dirty' },
      'part.forward-piston.condition': { is: 'worn' },
    });
    const shares = d.upstream.map((u) => u.probability);
    expect(Math.max(...shares)).toBeLessThan(0.6);
    expect(d.causes[0]!.id).toBe('forward:welded');
  });
});

describe('what the leading cause does not explain', () => {
  const unexplained = (values: Record<string, Json>) => judge(values).unexplained.map((e) => e.point);
  test('findings that need something, where it leaves that unlikely', () => {
    const d = judge({ ...blocked, 'unit.fluid.colour': { is: 'milky' } });
    expect(d.causes[0]!.id).toBe('filter:blocked');
    expect(d.unexplained).toEqual([
      {
        point: 'fluid.colour',
        level: 'milky',
        slots: ['unit.fluid.colour'],
        caution: null,
        weight: expect.closeTo(Math.log(0.5 / 0.01), 9),
      },
    ]);
  });
  test('not what it is itself, nor what it brings about, nor what says little or nothing', () => {
    expect(unexplained(blocked)).toEqual([]);
    expect(unexplained({ ...blocked, ...plates(four, 'high', 'charred', 'blue') })).not.toContain(
      'lining:high',
    );
    expect(unexplained({ ...blocked, 'unit.fluid.colour': { is: 'red' } })).toEqual([]);
    expect(unexplained({ ...blocked, 'part.high-piston.condition': { is: 'failed' } })).toContain(
      'part:high-piston',
    );
  });
  test('helped by it straight or through what it makes likely, more than a little', () => {
    const more = (slot: string, is: Json) => unexplained({ ...blocked, [slot]: { is } });
    expect(more('unit.fluid.smell', 'burnt')).toEqual([]);
    expect(more('unit.debris.fibre', { sump: 'heavy' })).toEqual([]);
    expect(more('unit.fluid.level', 'low')).toEqual(['fluid.level']);
    expect(more('unit.fluid.colour', 'milky')).toEqual(['fluid.colour']);
    // Another cause would explain it, even one that is there; this one does not.
    expect(more('unit.checks.stall', 'high')).toEqual(['checks.stall']);
    expect(more('unit.checks.stall', 'low')).toEqual([]);
  });
  test('nor what was told of its past', () => {
    expect(
      unexplained({ 'part.high-piston.condition': { is: 'failed' }, 'history.towing': 'often' }),
    ).toEqual([]);
  });
});

describe('findings that do not go together', () => {
  const drives = (...gears: string[]) =>
    Object.fromEntries(gears.map((g) => [`grid.${g}.shop`, { any: { behaviours: ['normal'] } }]));
  test('are named, and nothing is determined then', () => {
    const fine = judge(blocked);
    expect([fine.contradictory, fine.contradictions]).toEqual([false, []]);
    // A pack that is welded on, while Neutral stands still and Reverse pulls.
    const odd = judge({
      ...welded,
      'part.forward-piston.condition': { is: 'worn' },
      ...drives('N', 'R', 'P'),
    });
    expect(odd.contradictory).toBe(true);
    expect(odd.undetermined).toBe(true);
    expect(
      judge({ ...welded, 'part.forward-piston.condition': { is: 'worn' }, ...drives('D1', 'D2') }),
    ).toMatchObject({
      contradictory: false,
      undetermined: false,
    });
  });
});
