import { POLICIES } from '@/tests/fixtures/paper';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { diagnoser } from '@/core/diagnosis';
import type { Knowledge } from '@/core/diagnosis';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import type { InspectionFile } from '@/core/inspection';
import type { ShopTerms } from '@/core/shop';
import { buildScope } from '@/core/scope';
import type { ScopeRules } from '@/core/scope';
import { checkSlot } from '@/core/validation';
import { knowledge, rules } from '@/data/knowledge';
import shop from '@/data/prices/shop.json';
import { shippedUnits } from '@/data/shipped';
import { JobWith } from '@/ui/job/provider';
import { soundOf } from './quick';
import { SubjectRow } from './row';

/*
 * A kind of finding nobody wrote code for: one entry of inspection, one line of evidence, one line of rule. It has to
 * come out at every end: the form, the record, the verdict, the scope.
 */
const unit = shippedUnits.find((u) => u.id === 'ostrel-eight')!;
const CAGES: InspectionFile = {
  format: 'pelvik-inspection/1',
  id: 'cages',
  of: { gearset: ['planetary'] },
  words: 'Needle cages of a planetary set',
  order: 15,
  glyph: 'bearing',
  stage: 'teardown',
  points: [
    {
      id: 'cages',
      words: 'Needle cages',
      field: { kind: 'scale', scale: 'heat-colour' },
      minutes: 2,
      also: 'needles',
    },
  ],
};
const more: Knowledge = {
  ...knowledge,
  inspection: { ...knowledge.inspection, files: [...knowledge.inspection.files, CAGES] },
  causal: {
    ...knowledge.causal,
    observations: [
      ...knowledge.causal.observations,
      {
        point: 'cages.cages:$g',
        on: 'dry:$g',
        levels: { silver: [0.9, 0.05], straw: [0.07, 0.25], blue: [0.03, 0.7] },
        why: 'Cages run hot without oil, as pins do.',
      },
    ],
    checks: [
      ...knowledge.causal.checks,
      {
        id: 'look-at-cages',
        point: 'cages.cages:$g',
        minutes: 2,
        words: 'Look at the needle cages of the {g}',
      },
    ],
  },
};
const moreRules: ScopeRules = {
  ...rules,
  rules: [
    ...rules.rules,
    {
      id: 'cages',
      when: ['cages.cages:$g=blue'],
      lines: [{ group: 'set:$g', action: 'replace' }],
      reason: 'Its needles ran dry',
    },
  ],
};
const inspection = inspectionOf(unit, catalogueOf(more.inspection));
const BLUE: Record<string, Json> = { 'gearset.P1.cages': { is: 'blue' } };

test('the form asks for it', () => {
  const subject = inspection.subject('gearset', ['P1'])!;
  const library = { unit, knowledge: more, rules: moreRules, terms: shop as unknown as ShopTerms };
  const start = {
    number: 1,
    id: 'job-1',
    user: { id: 'mira', name: 'Mira', role: 'technician' as const, generation: 'first' },
    stage: 'teardown' as const,
    state: stateFromValues(BLUE),
    lastSeq: 1,
    quoted: null,
    closed: false,
    experience: { jobs: 0, causes: {} },
    unitName: unit.name,
    currency: shop.currency,
    library: '/nowhere',
  };
  const row = createElement(SubjectRow, { subject, open: true, onOpen: () => undefined });
  const opening = { library, problem: null, retry: () => undefined };
  const markup = renderToStaticMarkup(createElement(JobWith, { start, opening, children: row }));
  expect(markup).toContain('Needle cages');
  expect(markup).toMatch(/aria-label="First planetary[^"]*, needle cages"|needle cages/i);
  for (const word of ['Silver', 'Straw', 'Blue']) expect(markup).toContain(word);
  expect(markup).toContain('needle cages blue');
});

test('the record takes it, and nothing else in its place', () => {
  expect(checkSlot(inspection, 'gearset.P1.cages', { is: 'blue', note: 'all four' })).toEqual([]);
  expect(checkSlot(inspection, 'gearset.P1.cages', { is: 'pink' })).toHaveLength(1);
  const before = inspectionOf(unit, catalogueOf(knowledge.inspection));
  expect(checkSlot(before, 'gearset.P1.cages', { is: 'blue' })).toHaveLength(1);
});

test('the verdict moves, and the check is asked for until it is made', () => {
  const dry = (values: Record<string, Json>, of: Knowledge) =>
    diagnoser(unit, of)(stateFromValues(values)).causes.find((c) => c.id === 'P1:lubrication-lost')!
      .probability;
  expect(dry(BLUE, more)).toBeGreaterThan(5 * dry({}, more));
  expect(dry(BLUE, knowledge)).toBeCloseTo(dry({}, knowledge), 12);
  const asked = (values: Record<string, Json>) =>
    diagnoser(unit, more)(stateFromValues(values)).nextChecks.map((c) => c.point);
  // A whine in just the gears in which P1 turns: then its needles are worth a look.
  const cell = (noisy: boolean) => ({
    any: { behaviours: ['normal'], ...(noisy ? { noises: ['whine'] } : {}) },
  });
  const whine: Record<string, Json> = Object.fromEntries(
    ['D1', 'D2', 'D3', 'D4', 'D5', 'D6', 'D7', 'D8', 'R'].map((gear) => [
      `grid.${gear}.shop`,
      cell(['D3', 'D4', 'D5', 'D7', 'D8'].includes(gear)),
    ]),
  );
  // In the vehicle nobody can look at them.
  expect(asked(whine)).not.toContain('cages.cages:P1');
  whine['station.converter.out'] = true;
  expect(asked(whine)).toContain('cages.cages:P1');
  expect(asked({ ...whine, ...BLUE })).not.toContain('cages.cages:P1');
});

test('the scope replaces the set, with the reason', () => {
  const lines = buildScope(
    unit,
    { rules: moreRules, knowledge: more },
    { state: stateFromValues(BLUE), policies: POLICIES, causes: [] },
    'targeted',
  ).lines;
  const carrier = lines.find((l) => l.key === 'part-p1-carrier')!;
  expect(carrier.reasons).toMatchObject([{ words: 'Its needles ran dry', slots: ['gearset.P1.cages'] }]);
});

test('the rest of a station is sound by the answers a row gives, never by those that have to be looked for', () => {
  const rest = (slot: string) => {
    const [head, id] = slot.split('.') as ['part', string];
    return soundOf(inspection, inspection.subject(head, [id])!);
  };
  expect(rest('gearset.P1')).toEqual([['gearset.P1.pins', { is: 'silver' }]]);
  expect(rest('part.k1-drum')).toEqual([['part.k1-drum.condition', { is: 'sound' }]]);
  expect(rest('element.K1')).toEqual([]);
  expect(rest('unit.debris')).toEqual([]);
});
