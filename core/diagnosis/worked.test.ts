import { readFileSync } from 'node:fs';
import { caseUntil, stateOfCase } from '@/core/case';
import { STAGES } from '@/core/stage';
import type { CaseDocument } from '@/core/case';
import type { Stage } from '@/core/stage';
import { catalogueOf, stageOfIn } from '@/core/inspection';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { chainWords } from './index';
import type { Diagnosis } from './index';
import { diagnoserOf } from '@/tests/fixtures/diagnosers';

/* Whole stories as case files, judged by the same code as the screens: what must lead at each stage, why, and what must not. */
const stageOf = stageOfIn(catalogueOf(knowledge.inspection));
const judge = (name: string, until: Stage): Diagnosis => {
  const told = JSON.parse(readFileSync(`tests/cases/${name}.json`, 'utf8')) as CaseDocument;
  const unit = shippedUnits.find((u) => u.id === told.unit)!;
  return diagnoserOf(unit)(stateOfCase(caseUntil(told, until, STAGES, stageOf)));
};
const share = (d: Diagnosis, ids: RegExp) =>
  d.causes.filter((c) => ids.test(c.id)).reduce((sum, c) => sum + c.probability, 0);
const chain = (d: Diagnosis, k = 0) => chainWords(d.causes[k]!.chain);

test('third falls back to first: the intermediate brake, and a torn seal behind it, not a solenoid', () => {
  const before = judge('third-falls-to-first', 'intake');
  expect(before.groups[0]!.id).toBe('lets-go:intermediate');
  expect(before.groups[0]!.probability).toBeGreaterThan(0.8);
  expect(share(before, /^S\d:electrical/)).toBeLessThan(0.02);
  expect(share(before, /^S\d:sticking/)).toBeGreaterThan(0.005);
  const after = judge('third-falls-to-first', 'teardown');
  expect(after.causes[0]!.id).toBe('intermediate-piston-seals:feed-loss');
  expect(after.undetermined).toBe(false);
  expect(chain(after)).toMatch(/slips and burns/);
  expect(share(after, /^(S\d|converter)/)).toBeLessThan(0.01);
});

test('creeps in Neutral: the fourth clutch is on; it welded, and what burnt it stays open', () => {
  const before = judge('creeps-in-neutral', 'intake');
  expect(before.groups[0]).toMatchObject({ id: 'holds-on:C4R' });
  expect(before.groups[0]!.probability).toBeGreaterThan(0.95);
  expect(before.causes[0]!.element).toBe('C4R');
  const after = judge('creeps-in-neutral', 'teardown');
  expect(after.causes[0]!.id).toBe('C4R:welded');
  expect(after.undetermined).toBe(true);
  expect(after.upstream.length).toBeGreaterThan(4);
  expect(after.upstream.filter((u) => u.check).length).toBeGreaterThan(3);
  expect(chain(after)).toMatch(/weld together.*(second|third) clutch slips and burns/);
  // The packs that fought the weld are its victims, no evidence of low pressure.
  expect(after.groups.find((g) => g.id === 'low-pressure')?.probability ?? 0).toBeLessThan(0.15);
});

test('fades on climbs under sound clutches: the converter’s lining first, then that it came off unbonded', () => {
  const before = judge('fades-on-climbs', 'teardown');
  expect(before.causes[0]!.part).toBe('converter');
  expect(share(before, /^converter:lining-/)).toBeGreaterThan(0.8);
  expect(chain(before)).toMatch(/lining comes loose.*filter blocks.*pressure falls/);
  expect(before.nextChecks[0]!.check).toBe('open-converter');
  const after = judge('fades-on-climbs', 'cause');
  expect(after.causes[0]!.id).toBe('converter:lining-unbonded');
  expect(after.undetermined).toBe(false);
});

test('only when hot: neither the sound plates nor the cold pass clear the drum, and bubbles at its corner settle it', () => {
  const before = judge('only-when-hot', 'teardown');
  expect(before.groups[0]!.id).toBe('lets-go:K2');
  expect(before.causes.slice(0, 2).map((c) => c.id)).toContain('k2-drum:feed-loss');
  expect(before.causes.slice(0, 4).map((c) => c.part)).toContain('k2-sealing-rings');
  expect(before.nextChecks.slice(0, 4).map((c) => c.point)).toContain('pack.air-test:K2');
  const after = judge('only-when-hot', 'cause');
  expect(after.causes[0]!.id).toBe('k2-drum:feed-loss');
  expect(after.undetermined).toBe(false);
});

test('more load than gearbox: overload, with pressure behind it and its check, and no pack to blame', () => {
  const d = judge('more-load-than-gearbox', 'teardown');
  expect(d.causes[0]!.id).toBe('overload');
  expect(d.undetermined).toBe(false);
  expect(d.groups.find((g) => g.id === 'low-pressure')!.probability).toBeGreaterThan(0.1);
  const whole = judge('more-load-than-gearbox', 'intake');
  expect(whole.nextChecks.slice(0, 3).map((c) => c.point)).toContain('pressure.full');
  expect(share(d, /^(high|band-2-4|servo)/)).toBeLessThan(0.06);
});

test('fresh fluid over hot steels: heat and cooling lead, and neither fluid nor sound linings clear the unit', () => {
  const d = judge('fresh-fluid', 'teardown');
  expect(share(d, /^(cooler:cooling|heat|filter:blocked)/)).toBeGreaterThan(0.45);
  expect(d.causes[0]!.id).toMatch(/^(cooler:cooling|heat)/);
  expect(share(d, /^nothing/)).toBeLessThan(0.05);
});

test('one burnt band: it does not hold for certain, and why stays open among feed, valve and wear', () => {
  const d = judge('one-burnt-band', 'teardown');
  expect(d.groups[0]).toMatchObject({ id: 'lets-go:od-band' });
  expect(d.groups[0]!.probability).toBeGreaterThan(0.95);
  expect(d.undetermined).toBe(true);
  const open = d.causes.filter((c) => c.probability > 0.03).map((c) => c.id);
  expect(open).toEqual(expect.arrayContaining(['od-servo-ring:feed-loss', 'valve-1-2:sticking']));
  expect(share(d, /^(converter|pump|filter)/)).toBeLessThan(0.05);
});

test('grey powder: the first set from its noise alone, then as the root of all the rest', () => {
  const before = judge('grey-powder', 'intake');
  expect(share(before, /^(P1:|p1-|thrust-p1)/)).toBeGreaterThan(0.6);
  const after = judge('grey-powder', 'teardown');
  expect(after.causes[0]!.id).toMatch(/^(p1-lubrication:|P1:lubrication)/);
  expect(chain(after)).toMatch(/ran without oil.*metal.*filter blocks.*pressure falls.*slips and burns/);
  expect(share(after, /^(K2|K3|k2|k3|converter)/)).toBeLessThan(0.05);
});
