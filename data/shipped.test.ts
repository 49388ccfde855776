import { readFileSync } from 'node:fs';
import path from 'node:path';
import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { diagnoser } from '@/core/diagnosis';
import { factsOf } from '@/core/facts';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { sharedFeed, stationsInOrder } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { ajv, checkSlot, checkUnit, problemsOf, unitWarnings } from '@/core/validation';
import demo from './demo/jobs.json';
import behaviour from './knowledge/behaviour.json';
import behaviourSchema from './knowledge/behaviour.schema.json';
import causal from './knowledge/causal.json';
import causalSchema from './knowledge/causal.schema.json';
import scopeRules from './policies/scope-rules.json';
import scopeRulesSchema from './policies/scope-rules.schema.json';
import shop from './prices/shop.json';
import shopSchema from './prices/shop.schema.json';
import { knowledge, unitKnowledge } from './knowledge';
import { shippedUnits } from './shipped';

const unit = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const diagnose = diagnoser(unit, knowledge);

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
    const { causes } = diagnoser(shipped, knowledge)(stateFromValues({}));
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
  const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));
  const jobs = demo.jobs as unknown as { findings: Record<string, Json>; photos: unknown[] }[];
  const verdict = (k: number) => diagnose(stateFromValues(jobs[k]!.findings));
  test('every finding is one a person could enter', () => {
    for (const job of jobs) {
      for (const [slot, value] of Object.entries(job.findings)) {
        if (slot !== 'job.promised')
          expect({ slot, problems: checkSlot(inspection, slot, value) }).toEqual({ slot, problems: [] });
      }
      expect(factsOf(unit, stateFromValues(job.findings), knowledge)).toBeDefined();
    }
  });
  test('its stories come out as they happened', () => {
    expect(verdict(0).causes[0]!.id).toBe('sun-shell:path-broken');
    expect(verdict(1).causes[0]!.id).toBe('high-piston-outer-seal:feed-loss');
    expect(verdict(1).undetermined).toBe(true);
    expect(verdict(2).causes[0]!.id).toBe('pump-cover:low-output');
    expect(verdict(3).undetermined).toBe(true);
    expect(verdict(4).causes[0]!.element).toBe('forward');
    expect(verdict(5).undetermined).toBe(true);
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
  ];
  test.each(files)('%s', (_, schema, data) => expect(problemsOf(ajv.compile(schema), data)).toEqual([]));

  test('a misspelt or absurd entry does not', () => {
    const wrong = structuredClone(causal) as unknown as { roots: { prior: number; mod?: string }[] };
    wrong.roots[0]!.prior = -1;
    wrong.roots[1]!.mod = 'blocked';
    const places = problemsOf(ajv.compile(causalSchema), wrong).map((p) => p.pointer);
    expect(places).toEqual(expect.arrayContaining(['/roots/0/prior', '/roots/1']));
  });
  test('every observation, check and effect names a mechanism or a kind of cause there is', () => {
    const mechanisms = new Set(causal.mechanisms.map((m) => m.id));
    const points = new Set(causal.observations.map((o) => o.point));
    const roots = new Set(causal.roots.flatMap((r) => ('id' in r && r.id ? [r.id] : [])));
    for (const { on } of causal.observations) {
      const [kind, target = ''] = on.split(/:(.*)/s) as [string, string?];
      if (kind === 'root-mode') expect(causal.roots.map((r) => r.mode)).toContain(target);
      else if (kind === 'root')
        expect(roots.has(target) || causal.roots.some((r) => target.endsWith(`:${r.mode}`))).toBe(true);
      else if (!kind!.startsWith('root-')) expect(mechanisms).toContain(on);
    }
    for (const check of causal.checks) expect(points).toContain(check.point);
    for (const root of causal.roots) {
      for (const effect of Object.keys(root.effects))
        if (effect !== 'weak:opponents') expect(mechanisms).toContain(effect);
    }
  });
});
