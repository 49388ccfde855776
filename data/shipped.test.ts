import { readFileSync } from 'node:fs';
import path from 'node:path';
import { stageReached, stateFromValues } from '@/core/case';
import type { CaseDocument } from '@/core/case';
import { catalogueOf, inspectionOf, stageOfIn } from '@/core/inspection';
import type { SubjectHead } from '@/core/case';
import { sharedFeed, stationsInOrder } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import {
  validator,
  checkCase,
  checkSlot,
  checkUnit,
  openCase,
  problemsOf,
  unitWarnings,
} from '@/core/validation';
import { demoJobs } from './demo';
import type { DemoJob } from './demo';
import behaviour from './knowledge/behaviour.json';
import { behaviourSchema } from '@/core/suspects';
import causal from './knowledge/causal.json';
import publicCodes from './codes/public.json';
import { publicCodesSchema } from './codes';
import { causalSchema } from '@/core/diagnosis';
import scopeRules from './policies/scope-rules.json';
import { scopeRulesSchema } from '@/core/scope';
import shop from './prices/shop.json';
import { shopSchema } from '@/core/shop';
import { knowledge, unitKnowledge } from './knowledge';
import { shippedUnits } from './shipped';
import { diagnoserOf } from '@/tests/fixtures/diagnosers';

const unit = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const diagnose = diagnoserOf(unit);

describe.each(shippedUnits.map((u): [string, UnitDefinition] => [u.id, u]))('%s', (_, shipped) => {
  test('is valid, and nothing about it is odd', () => {
    expect(checkUnit(shipped)).toEqual([]);
    expect(unitWarnings(shipped, unitKnowledge)).toEqual([]);
  });
  test('every friction element names its lining, what feeds it and what carries it', () => {
    for (const e of shipped.elements.filter((x) => x.pack || x.band)) {
      expect(e.liningParts!.length).toBeGreaterThan(0);
      expect(e.feedPath.length).toBeGreaterThan(0);
      expect(e.powerPath.length).toBeGreaterThan(0);
    }
  });
  test('all oil passes the filter first', () => expect(shipped.commonFeed[0]).toBe('filter'));
  test('stations come out in an order their blockers allow', () => {
    const out = new Set<string>();
    for (const s of stationsInOrder(shipped)) {
      for (const blocker of s.blockedBy) expect(out).toContain(blocker);
      out.add(s.id);
    }
  });
  test('no two gears of a range have one solenoid pattern', () => {
    const patterns = shipped.gears
      .filter((g) => g.gear !== null)
      .map((g) => `${g.range}${g.solenoids!.join('')}`);
    expect(new Set(patterns).size).toBe(patterns.length);
  });
});

describe('the causal knowledge on every unit', () => {
  test.each(shippedUnits.map((u): [string, UnitDefinition] => [u.id, u]))('%s', (_, shipped) => {
    const { causes } = diagnoserOf(shipped)(stateFromValues({}));
    expect(new Set(causes.map((c) => c.id)).size).toBe(causes.length);
    for (const c of causes) expect(c.words).not.toMatch(/[{}$]/);
    expect(causes.reduce((sum, c) => sum + c.probability, 0)).toBeCloseTo(1, 6);
  });
  test('every way a part fails has words', () => {
    for (const { parts } of shippedUnits)
      for (const p of parts) if (p.failure) expect(Object.keys(causal.failureWords)).toContain(p.failure);
  });
});

describe('the causal knowledge', () => {
  test('likelihoods are probabilities, and no level is impossible', () => {
    for (const o of causal.observations) {
      for (const pair of Object.values(o.levels)) {
        for (const p of pair as unknown as number[]) {
          expect(p).toBeGreaterThan(0);
          expect(p).toBeLessThanOrEqual(1);
        }
      }
    }
    for (const o of causal.observations) {
      for (const side of [0, 1]) {
        const sum = Object.values(o.levels).reduce((s, pair) => s + (pair as unknown as number[])[side]!, 0);
        expect({ point: o.point, side, over: sum > 1.0001 }).toEqual({ point: o.point, side, over: false });
      }
    }
  });
  test('every cause has words without holes and an id of its own', () => {
    const { causes } = diagnose(stateFromValues({}));
    expect(new Set(causes.map((c) => c.id)).size).toBe(causes.length);
    for (const c of causes) expect(c.words).not.toMatch(/[{}$]/);
  });
  test('every check has words without holes and points at something observable', () => {
    for (const check of diagnose(stateFromValues({ 'grid.D3.shop': { any: { behaviours: ['slips'] } } }))
      .nextChecks) {
      expect(check.words).not.toMatch(/[{}$]/);
      expect(check.gain).toBeGreaterThanOrEqual(0);
      expect(check.minutes).toBeGreaterThan(0);
    }
  });
  test('a check once made is not asked for again', () => {
    const { nextChecks } = diagnose(
      stateFromValues({ 'part.filter.pleats': { is: 'clear' }, 'unit.fluid.level': { is: 'full' } }),
    );
    expect(nextChecks.map((c) => c.point)).not.toContain('filter.pleats:filter');
    expect(nextChecks.map((c) => c.point)).not.toContain('fluid.level');
  });
});

test('what two elements share can starve both', () => {
  expect(sharedFeed(unit, 'high', 'forward').map((p) => p.id)).toEqual(['support-rings']);
});

describe('the demo shop', () => {
  const catalogue = catalogueOf(knowledge.inspection);
  const jobs = demoJobs();
  const unitOf = (id: string) => shippedUnits.find((u) => u.id === id)!;
  const verdicts = jobs.map((job): [string, DemoJob] => [job.case, job]);
  const verdict = (name: string) => {
    const job = jobs.find((j) => j.case === name)!;
    return diagnoserOf(unitOf(job.unit))(stateFromValues(job.findings));
  };
  test('is a week of work: every unit, closed jobs, a comeback, a core', () => {
    expect(jobs.length).toBeGreaterThanOrEqual(18);
    expect(new Set(jobs.map((j) => j.unit)).size).toBe(shippedUnits.length);
    expect(jobs.filter((j) => j.closed).length).toBeGreaterThan(1);
    const [again] = jobs.filter((j) => j.findings['history.comeback']);
    // The demo shop counts its jobs from 1001.
    const earlier = jobs[Number(again!.findings['history.comeback']) - 1001]!;
    expect(earlier.closed).toBe(true);
    expect(earlier.findings['vehicle.plate']).toBe(again!.findings['vehicle.plate']);
  });
  test('has jobs at every stage of the work', () => {
    const stages = jobs.map((job) => {
      const { accept } = job.quote ?? {};
      const unit = unitOf(job.unit);
      const quote = accept ? 'accepted' : job.quote ? 'open' : 'none';
      return stageReached(stateFromValues(job.findings), unit.stations, quote, stageOfIn(catalogue));
    });
    for (const stage of ['intake', 'suspects', 'teardown', 'cause', 'scope', 'quote', 'build'] as const)
      expect(stages).toContain(stage);
  });
  test.each(verdicts)('%s: its file is one that opens, and its photos are about something', (name, job) => {
    const inspection = inspectionOf(unitOf(job.unit), catalogue);
    const file: unknown = JSON.parse(
      readFileSync(path.join(process.cwd(), 'data/demo/cases', `${name}.json`), 'utf8'),
    );
    expect(checkCase(file)).toEqual([]);
    expect(openCase(file as CaseDocument, inspection).problems).toEqual([]);
    for (const { id, about, caption, marker } of job.photos) {
      expect(checkSlot(inspection, `photo.${id}`, { about, caption, marker })).toEqual([]);
      const [head, ...ids] = about.split('.') as [SubjectHead, ...string[]];
      expect(inspection.subject(head, ids)).not.toBeNull();
    }
  });
  test('its stories come out as they happened', () => {
    const first = (name: string) => verdict(name).causes[0]!.id;
    expect(first('sun-shell-cracked')).toBe('sun-shell:path-broken');
    expect(first('high-piston-seal')).toBe('high-piston-outer-seal:feed-loss');
    expect(first('pump-worn')).toBe('pump-cover:low-output');
    expect(verdict('core-four').undetermined).toBe(true);
    expect(verdict('creeps-in-neutral').causes[0]!.element).toBe('forward');
    expect(verdict('shudder-in-fourth').undetermined).toBe(true);
    expect(first('b1-feed-tube')).toBe('b1-passage:feed-loss');
    expect(first('k1-hub-stripped')).toBe('k1-hub:path-broken');
    expect(first('low-roller')).toBe('low-roller:slips');
    expect(first('fifth-seals')).toBe('c5-piston-seals:feed-loss');
    expect(first('k1-drum-crack')).toBe('k1-drum:feed-loss');
    for (const name of ['no-drive-at-all', 'comes-back', 'no-reverse-parallel', 'nothing-wrong', 'just-in'])
      expect({ name, undetermined: verdict(name).undetermined }).toEqual({ name, undetermined: true });
  });
});

test('every mode and check of the knowledge stands in the published vocabulary, and nothing else does', () => {
  const text = readFileSync(path.join(process.cwd(), 'docs/formats/diagnosis.md'), 'utf8');
  const listed = (heading: string) =>
    [
      ...text
        .split(`## ${heading}`)[1]!
        .split('\n## ')[0]!
        .matchAll(/^\| `([\w-]+)`/gm),
    ].map((m) => m[1]);
  expect(new Set(listed('Modes'))).toEqual(new Set(causal.roots.map((r) => r.mode)));
  expect(new Set(listed('Checks'))).toEqual(new Set(causal.checks.map((c) => c.id)));
});

describe('what ships as data fits its schema', () => {
  const files: [string, object, object][] = [
    ['causes', causalSchema, causal],
    ['behaviour', behaviourSchema, behaviour],
    ['scope rules', scopeRulesSchema, scopeRules],
    ['prices', shopSchema, shop],
    ['codes', publicCodesSchema, publicCodes],
  ];
  test.each(files)('%s', (_, schema, data) => expect(problemsOf(validator(schema), data)).toEqual([]));

  test('a misspelt or absurd entry does not', () => {
    const wrong = structuredClone(causal) as unknown as { roots: { prior: number; mod?: string }[] };
    wrong.roots[0]!.prior = -1;
    wrong.roots[1]!.mod = 'blocked';
    const places = problemsOf(validator(causalSchema), wrong).map((p) => p.pointer);
    expect(places).toEqual(expect.arrayContaining(['/roots/0/prior', '/roots/1']));
  });
  test('every observation, check and effect names a mechanism or a kind of cause there is', () => {
    const mechanisms = new Set(causal.mechanisms.map((m) => m.id));
    const points = new Set(causal.observations.map((o) => o.point));
    const roots = new Set(causal.roots.flatMap((r) => ('id' in r && r.id ? [r.id] : [])));
    for (const { on } of causal.observations) {
      const [kind, target = ''] = on.split(/:(.*)/s) as [string, string?];
      const modes = causal.roots.map((r) => ('variant' in r && r.variant) || r.mode);
      if (kind === 'root-mode') for (const mode of target.split('|')) expect(modes).toContain(mode);
      else if (kind === 'root')
        expect(roots.has(target) || causal.roots.some((r) => target.endsWith(`:${r.mode}`))).toBe(true);
      else if (!kind!.startsWith('root-')) expect(mechanisms).toContain(on);
    }
    for (const check of causal.checks) expect(points).toContain(check.point);
    for (const root of causal.roots) {
      for (const effect of Object.keys(root.effects))
        expect([...mechanisms].map((m) => m.split(':')[0])).toContain(effect.split(':')[0]);
    }
  });
});
