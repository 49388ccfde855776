import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { frictionElements } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { looksAt, nextChecks, openChecks, searched } from './checks';
import { judgementOf } from './judgement';
import { ledgerOf } from './ledger';
import { linker } from './link';
import { buildModel } from './model';
import { knownOf, networksOf } from './posterior';
import { reachOf } from './reach';
import { signsOf } from './shows';

const unit = shippedUnits.find((u) => u.id === 'ostrel-four') as UnitDefinition;
const model = buildModel(unit, knowledge);
const link = linker(model);
const networks = networksOf(model);
const see = (values: Record<string, Json>) =>
  judgementOf(model, knownOf(model, link, networks, stateFromValues(values)));
const root = (id: string) => model.roots.findIndex((r) => r.id === id);
const node = (id: string) => model.nodeOf.get(id)!;
const parentsOf = (id: string) => model.nodes[node(id)]!.parents.map((p) => p.index);
const odds = (p: number) => Math.log(p / (1 - p));

describe('the generated network', () => {
  test('a template for each friction element makes one per element, its words naming it', () => {
    const burnt = model.mechanisms.filter((m) => m.id.startsWith('burnt:'));
    expect(burnt.map((m) => m.element)).toEqual(frictionElements(unit).map((e) => e.id));
    expect(burnt.find((m) => m.element === 'high')!.words).toContain('high clutch');
  });
  test('burning follows from that element’s own trouble, fibre from every element that burns', () => {
    expect(parentsOf('early-burnt:high')).toContain(node('weak:high'));
    expect(parentsOf('early-burnt:high')).not.toContain(node('weak:forward'));
    for (const e of frictionElements(unit)) expect(parentsOf('any-burnt')).toContain(node(`burnt:${e.id}`));
  });
  test('lining shed by one pack blocks the filter, and the pressure lost burns others after it', () => {
    const reaches = (from: number, to: number, seen = new Set<number>()): boolean =>
      from === to ||
      model.nodes[to]!.parents.some((p) => !seen.has(p.index) && reaches(from, p.index, seen.add(p.index)));
    expect(reaches(node('early-burnt:high'), node('filter-blocked'))).toBe(true);
    expect(reaches(node('early-burnt:high'), node('burnt:forward'))).toBe(true);
  });
  test('an unknown name is an error of the knowledge, named', () => {
    const wrong = structuredClone(knowledge);
    wrong.causal.mechanisms[0]!.parents = { ghost: 0.5 };
    expect(() => buildModel(unit, wrong)).toThrow(/unknown mechanism "ghost"/);
  });
  test('short pressure takes the weakest first: the strength follows the margin', () => {
    const by = (element: string) => model.structure.strength('by-pressure', element);
    expect(by('high')).toBeGreaterThan(by('band-2-4'));
    expect(by('band-2-4')).toBeGreaterThan(by('forward'));
    expect(model.structure.strength(0.42, 'high')).toBe(0.42);
  });
  test('causes have ids of their own, and as many are expected at once as the knowledge says', () => {
    expect(new Set(model.roots.map((r) => r.id)).size).toBe(model.roots.length);
    expect(model.roots.reduce((sum, r) => sum + r.prior, 0)).toBeCloseTo(knowledge.causal.rate, 12);
  });
  test('a known weak point is the likeliest of its kind, and is said in the unit’s own words', () => {
    const seal = model.roots[root('high-piston-outer-seal:feed-loss')]!;
    expect(seal.prior).toBeGreaterThan(model.roots[root('high-piston-inner-seal:feed-loss')]!.prior);
    expect(seal.words).toBe('High piston outer seal torn: oil for the high clutch is lost');
    expect(model.roots[root('S2:electrical')]!.part).toBe('solenoid-s2');
  });
  test('what is in the feed and has seals of its own is one cause, not three', () => {
    const six = buildModel(shippedUnits.find((u) => u.id === 'ostrel-six')!, knowledge);
    const seals = six.roots.find((r) => r.id === 'k2-piston-seals:feed-loss')!;
    expect(seals.parts).toEqual(['k2-piston-seals', 'k2-outer-seal', 'k2-inner-seal']);
    expect(six.roots.some((r) => r.id.startsWith('k2-outer-seal'))).toBe(false);
    expect(six.roots.some((r) => r.id === 'solenoid-k2:feed-loss')).toBe(false);
  });
});

/* Whatever is told and found, the tables stay small enough to be asked dozens of times for one verdict. */
describe.each(shippedUnits.map((u) => [u.id, u] as const))('%s: the size of the network', (_, shipped) => {
  const own = buildModel(shipped, knowledge);
  const driven = shipped.gears.filter((g) => g.gear !== null || g.range === 'R' || g.range === 'N');
  const told = (behaviours: string[][]) =>
    stateFromValues(
      Object.fromEntries(
        driven.map((g, k) => [
          `grid.${g.key}.shop`,
          { any: { behaviours: behaviours[k % behaviours.length]! } },
        ]),
      ),
    );
  const grids: [string, string[][]][] = [
    ['nothing', []],
    ['every gear normal', [['normal']]],
    ['every gear slips', [['slips']]],
    [
      'every gear does something else',
      [['slips'], ['binds'], ['no-drive'], ['flares'], ['bogs'], ['wrong-gear']],
    ],
  ];
  test.each(grids)('%s', (_name, behaviours) => {
    const state = behaviours.length ? told(behaviours) : {};
    const known = knownOf(own, linker(own), networksOf(own), state);
    expect(known.network.size).toBeLessThan(2 ** 20);
    expect(judgementOf(own, known).noise).toBeLessThan(1e-9);
  });
});

describe('what shows in the gears', () => {
  const none = { elements: [], part: null, gearset: null, solenoid: null };
  const signs = (as: Parameters<typeof signsOf>[1]['shows'], aim = {}) =>
    signsOf(model.structure, { shows: as }, { ...none, ...aim });
  test('no pressure at all drives nowhere', () => {
    const neutral = signs([{ as: 'none', with: 1 }]).filter((s) => s.kind === 'neutral');
    expect(neutral.map((s) => s.gear)).toEqual(expect.arrayContaining(['R', 'D1', 'D2', 'D3', 'D4']));
  });
  test('a shift solenoid stuck gives the gear of the same range whose pattern is left', () => {
    const off = signs([{ as: 'off', with: 1 }], { solenoid: 'S2' });
    expect(off.find((s) => s.gear === 'D2')!.actsLike).toBe('D1');
  });
  test('a weak element slips first where its share is largest', () => {
    const six = buildModel(shippedUnits.find((u) => u.id === 'ostrel-six')!, knowledge);
    const weak = signsOf(
      six.structure,
      { shows: [{ as: 'slip', with: 0.9 }] },
      { ...none, elements: ['K2'] },
    );
    const of = (gear: string) => weak.find((s) => s.gear === gear)?.strength ?? 0;
    expect(of('R')).toBeGreaterThan(of('D3'));
    expect(of('D3')).toBeGreaterThanOrEqual(of('D5'));
    expect(of('D1')).toBe(0);
  });
});

describe('points and what they hang on', () => {
  test('a lining hangs on its element’s burning, a part on the causes that are that part', () => {
    expect(link('lining:high')!.nodes).toEqual([node('burnt:high')]);
    expect(link('part:sun-shell')!.nodes).toEqual([root('sun-shell:path-broken')]);
  });
  test('a part that can fail in two ways is one finding', () => {
    const pump = link('part:pump-gears')!.nodes;
    expect(pump).toEqual([
      model.anyOf.get(model.roots.flatMap((r, k) => (r.parts.includes('pump-gears') ? [k] : [])).join()),
    ]);
  });
  test('an unknown point says nothing', () => {
    expect(link('moon-phase')).toBeNull();
    expect(link('lining:ghost')).toBeNull();
  });
});

describe('next checks', () => {
  test('are never what was looked at already, unless it was a weak look', () => {
    const points = (values: Record<string, Json>) =>
      openChecks(model, link, see(values).known).map((c) => c.point);
    const seen = points({ 'part.filter.pleats': { is: 'clear' }, 'unit.fluid.level': { is: 'full' } });
    expect(seen).not.toContain('filter.pleats:filter');
    expect(seen).toContain('lining:high');
    const hot = { 'grid.D3.shop': { hot: { behaviours: ['slips'] } } };
    const cold = { ...hot, 'element.high.air-test': { is: 'holds', temperatureC: 18, oilFilm: false } };
    const warm = { ...hot, 'element.high.air-test': { is: 'holds', temperatureC: 70, oilFilm: true } };
    expect(points(cold)).toContain('pack.air-test:high');
    expect(points(warm)).not.toContain('pack.air-test:high');
  });
  test('gain is never negative and never more than what is not known', () => {
    const judged = see({ 'grid.D2.shop': { any: { behaviours: ['flares'] } } });
    const entropy = judged.first.reduce((h, p) => (p > 0 ? h - p * Math.log2(p) : h), 0);
    const checks = searched(nextChecks(model, link, judged));
    expect(checks.length).toBeGreaterThan(4);
    for (const check of checks) {
      expect(check.gain).toBeGreaterThanOrEqual(0);
      expect(check.gain).toBeLessThanOrEqual(entropy + 1e-9);
    }
  });
  test('what stands in the way costs its removal, and the whole vehicle costs the most', () => {
    const reach = (values: Record<string, Json>) =>
      reachOf(unit, see(values).known)({ check: '', point: 'part:servo-seal-rings', words: '', minutes: 5 })
        .minutes;
    const whole = reach({});
    const out = reach({ 'station.converter.out': true });
    const near = reach({
      'station.converter.out': true,
      'station.pan.out': true,
      'station.valve-body.out': true,
    });
    expect(whole).toBeGreaterThan(out + 60);
    expect(out).toBeGreaterThan(near);
    // What has been looked into is out, and so is what stood before it.
    expect(reach({ 'part.valve-1-2.moves': { is: 'free' } })).toBe(near);
  });
  test('in the vehicle: what stands in no station, the pan, and coils at their plug', () => {
    const at = (point: string, values: Record<string, Json> = {}) =>
      reachOf(unit, see(values).known)({ check: '', point, words: '', minutes: 5 });
    const { minutes } = at('debris.fibre');
    expect(minutes).toBeGreaterThan(10);
    expect(at('part:filter')).toEqual({ minutes, onVehicle: true });
    for (const point of ['fluid.level', 'pressure.full', 'history-power', 'solenoid.resistance:S1'])
      expect(at(point)).toEqual({ minutes: 0, onVehicle: true });
    for (const point of ['solenoid.leak:S1', 'lining:high', 'part:valve-2-3'])
      expect(at(point).onVehicle).toBe(false);
    // On the bench the solenoids are where they are.
    expect(at('solenoid.resistance:S1', { 'station.converter.out': true }).minutes).toBeGreaterThan(0);
  });
  test('in the vehicle only what can be done there is proposed, until that tells nothing more', () => {
    const onVehicle = (values: Record<string, Json>) => {
      const judged = see(values);
      return searched(nextChecks(model, link, judged)).map((c) => reachOf(unit, judged.known)(c).onVehicle);
    };
    const complaint = { 'grid.D3.shop': { any: { behaviours: ['slips'] } } };
    expect(onVehicle(complaint).length).toBeGreaterThan(4);
    expect(onVehicle(complaint)).not.toContain(false);
    expect(onVehicle({ ...complaint, 'station.converter.out': true })).toContain(false);
    const all = {
      ...complaint,
      'unit.fluid.level': { is: 'full' },
      'unit.pressure.full': { is: 1500 },
      'unit.checks.selector': { is: 'moves' },
      'codes.scan': 'none',
      'history.powerFactor': 1,
      'history.towing': 'none',
      'unit.debris.fibre': { is: { sump: 'none' } },
      'unit.debris.grey-paste': { is: { magnets: 'none' } },
      'unit.debris.bright-flakes': { is: { sump: 'none' } },
      'unit.debris.water': { is: { sump: 'none' } },
      ...Object.fromEntries(
        unit.solenoids.map((s) => [
          `solenoid.${s.id}.resistance`,
          { is: s.ohm!.min + 0.1, temperatureC: 20 },
        ]),
      ),
    };
    // Only the filter is left, and it tells something while the pressure may be low; not where one clutch alone slips.
    expect(onVehicle(all as never)).toEqual([true]);
    const well = Object.fromEntries(
      ['R', 'D1', 'D2', 'L1', 'L2'].map((g) => [`grid.${g}.shop`, { any: { behaviours: ['normal'] } }]),
    );
    expect(onVehicle({ ...all, ...well } as never)).toContain(false);
  });
  test('a check looks straight at a cause through its part or its mechanism', () => {
    expect(looksAt(model, link, 'part:pump-cover', root('pump-cover:low-output'))).toBe(true);
    expect(looksAt(model, link, 'filter.pleats:filter', root('filter:blocked'))).toBe(true);
    expect(looksAt(model, link, 'lining:forward', root('forward:welded'))).toBe(true);
    expect(looksAt(model, link, 'lining:high', root('forward:welded'))).toBe(false);
  });
});

describe('the ledger', () => {
  test('leaving a finding out of the record is exactly what it says', () => {
    const values: Record<string, Json> = {
      'grid.D2.shop': { any: { behaviours: ['flares'] } },
      'grid.D4.shop': { any: { behaviours: ['wrong-gear'], actsLike: 'D3' } },
      'element.band-2-4.drum': { is: 'grooved' },
      'part.filter.pleats': { is: 'clear' },
      'history.parkRolling': 'yes',
    };
    const r = root('band-anchor:path-broken');
    const judged = see(values);
    const lines = ledgerOf(model, networks, judged)(r);
    for (const [slots, point] of [
      [['element.band-2-4.drum'], 'band.drum:band-2-4'],
      [['part.filter.pleats'], 'filter.pleats:filter'],
      [['history.parkRolling'], 'history-park'],
      [['grid.D2.shop', 'grid.D4.shop'], 'grid'],
    ] as const) {
      const rest = Object.fromEntries(
        Object.entries(values).filter(([s]) => !(slots as readonly string[]).includes(s)),
      );
      const weight = lines.find((e) => e.point === point)?.weight ?? 0;
      const change = odds(judged.present[r]!) - odds(see(rest).present[r]!);
      expect(Math.abs(weight - (Math.abs(change) > 0.05 ? change : 0))).toBeLessThan(1e-6);
    }
  });
});
