import { readdirSync } from 'node:fs';
import path from 'node:path';
import fc from 'fast-check';
import type { Finding, Json } from '@/core/case';
import { findingSlot, findingsOf, stateFromValues } from '@/core/case';
import { factsOf, factWords } from '@/core/facts';
import { catalogueOf, inspectionOf, stageOfIn } from '@/core/inspection';
import type { CataloguePoint, Inspection, Subject } from '@/core/inspection';
import { validator, checkSlot, openCase, problemsOf } from '@/core/validation';
import { inspectionSchema as fileSchema, scalesSchema as scaleSchema } from '@/core/inspection';
import { answersOf, full, subjectsOf } from '@/tests/fixtures/findings';
import { inspection as data } from './inspection';
import { knowledge, rules } from './knowledge';
import { derivedFactsSchema as derivedSchema } from '@/core/facts';
import { shippedUnits } from './shipped';

const catalogue = catalogueOf(data);
const stageOf = stageOfIn(catalogue);
const each = shippedUnits.map((u) => [u.id, inspectionOf(u, catalogue)] as const);

const pointsOf = (inspection: Inspection): { subject: Subject; point: CataloguePoint }[] =>
  subjectsOf(inspection).flatMap((subject) =>
    [...inspection.points(subject).values()].map((point) => ({ subject, point })),
  );

describe('the files', () => {
  const validate = validator(fileSchema);
  test.each(data.files.map((f) => [f.id, f] as const))('%s fits the schema', (_, file) =>
    expect(problemsOf(validate, file)).toEqual([]),
  );
  test('scales and derived facts fit theirs', () => {
    expect(problemsOf(validator(scaleSchema), data.scales)).toEqual([]);
    expect(problemsOf(validator(derivedSchema), knowledge.derived)).toEqual([]);
  });
  test('all that lie in the folder are taken up, each under its own name', () => {
    const names = readdirSync(path.join(process.cwd(), 'data/inspection')).map((f) => f.replace('.json', ''));
    expect(
      data.files
        .map((f) => f.id)
        .concat('scales')
        .sort(),
    ).toEqual(names.sort());
  });
  test('words of a scale are its own, and no scale is there for nothing', () => {
    const used = new Set(
      data.files.flatMap((f) => f.points.flatMap((p) => ('scale' in p.field ? [p.field.scale] : []))),
    );
    for (const { id, levels } of data.scales.scales) {
      expect([id, new Set(levels.map((l) => l.id)).size]).toEqual([id, levels.length]);
      expect([id, used.has(id)]).toEqual([id, true]);
    }
  });
  test('what weakens or gives names levels the point has', () => {
    for (const file of data.files)
      for (const p of file.points) {
        const { levels } = catalogue.point(`${file.id}.${p.id}`)!;
        const named = [
          ...(p.weakens ?? []).flatMap((w) => w.levels ?? []),
          ...(p.gives ?? []).flatMap((g) => g.yes),
        ];
        for (const level of named) expect([p.id, levels.has(level)]).toEqual([p.id, true]);
      }
  });
});

describe.each(each)('%s', (_, inspection) => {
  test('every part has a kind the catalogue knows', () => {
    for (const p of inspection.unit.parts)
      expect([p.id, catalogue.partKinds.includes(p.kind!)]).toEqual([p.id, true]);
  });
  test('every point of everything takes each of its answers, with all that goes with it, twice', () => {
    const refused: unknown[] = [];
    for (const { subject, point } of pointsOf(inspection))
      for (const is of answersOf(point))
        for (const reading of [null, 'again']) {
          const slot = findingSlot(subject.slot, point.point.id, reading);
          const problems = checkSlot(inspection, slot, full(is));
          if (problems.length) refused.push([slot, is, problems]);
        }
    expect(refused).toEqual([]);
  });
  test('every answer has words, and what it says of the job has too', () => {
    // Alike things say alike: one of each is asked.
    const kinds = new Map(pointsOf(inspection).map((p) => [p.point.key, p]));
    const wrong: string[] = [];
    for (const { subject, point } of kinds.values())
      for (const is of answersOf(point)) {
        const values = { [findingSlot(subject.slot, point.point.id)]: { is, temperatureC: 20 } as Json };
        for (const fact of factsOf(inspection.unit, stateFromValues(values), knowledge)) {
          const words = factWords(inspection, fact);
          if (/undefined|\$|[a-z]-[a-z]+\.|:.*:/.test(words)) wrong.push(words);
        }
      }
    expect(wrong).toEqual([]);
  });
});

/** What a builder looks at on each kind of part, and must find a place for; the part's own kind as the unit writes it. */
const LOOKED_AT: [string, Partial<Record<string, string>>, string[]][] = [
  ['friction plate', { face: 'friction' }, ['heat', 'metal', 'bond']],
  ['friction plate', { plate: 'friction' }, ['thickness', 'splines', 'origin']],
  ['steel plate', { face: 'steel' }, ['heat']],
  ['steel plate', { plate: 'steel' }, ['flat', 'thickness', 'splines']],
  ['pack', { element: 'pack' }, ['count', 'hung', 'clearance', 'origin', 'air-test']],
  ['drum', { part: 'drum' }, ['crack', 'lugs', 'bushing', 'holes', 'ring-groove']],
  ['piston', { part: 'piston' }, ['crack', 'bore', 'bonded-seal', 'check-ball']],
  ['seal', { part: 'seal' }, ['rubber', 'groove', 'size']],
  ['spring', { part: 'return-spring' }, ['spring']],
  ['band', { element: 'band' }, ['lining', 'ends', 'travel', 'drum']],
  ['servo', { part: 'servo' }, ['bore', 'piston', 'rubber', 'cover', 'spring', 'ring']],
  ['hub', { part: 'hub' }, ['splines', 'solid', 'galling', 'weld', 'sunk']],
  ['sun', { part: 'sun' }, ['teeth', 'front-face', 'rear-face', 'bushing', 'back']],
  ['carrier', { part: 'carrier' }, ['splines', 'pins-home']],
  ['planetary', { gearset: 'planetary' }, ['pins', 'pinion-play', 'pinions', 'washers', 'count']],
  ['thrust bearing', { part: 'thrust-bearing' }, ['rollers', 'race', 'cage', 'place']],
  ['bushing', { part: 'bushing' }, ['wear', 'depth-set', 'hole', 'clearance']],
  ['one-way clutch', { part: 'one-way-clutch' }, ['holds', 'freewheels', 'rollers', 'races']],
  ['pump', { part: 'pump-gears' }, ['gears', 'face', 'tip', 'lugs', 'body']],
  ['pump cover', { part: 'pump-cover' }, ['face', 'bore']],
  [
    'converter',
    { part: 'converter' },
    [
      'hub',
      'hub-wear',
      'runout',
      'end-play',
      'leak',
      'turns',
      'stator',
      'stator-free',
      'rattle',
      'lining',
      'face',
      'bearings',
      'paste',
    ],
  ],
  ['filter', { part: 'filter' }, ['outside', 'pleats', 'by', 'seated']],
  ['solenoid', { solenoid: 'linear' }, ['resistance', 'click', 'leak', 'screen', 'snout', 'metal']],
  ['speed sensor', { sensor: 'speed' }, ['tip', 'gap', 'circuit']],
  ['valve', { part: 'valve' }, ['moves', 'bore']],
  ['valve body', { part: 'valve-body' }, ['screens', 'balls', 'plate', 'gaskets', 'bolts']],
  ['manual valve', { part: 'manual-valve' }, ['lever', 'alignment', 'detent']],
  ['range switch', { sensor: 'position' }, ['alignment']],
  ['case', { part: 'case' }, ['lugs', 'bores', 'crack', 'passages', 'anchor']],
  ['harness', { part: 'harness' }, ['continuity', 'pins', 'oil']],
  ['cooler', { part: 'cooler' }, ['flow', 'debris', 'leak', 'mixing']],
  ['parking pawl', { part: 'parking-pawl' }, ['tip', 'spring', 'wheel']],
  ['ring', { part: 'snap-ring' }, ['seated', 'groove']],
  ['backing plate', { part: 'backing-plate' }, ['crack', 'flat']],
  ['station', { station: 'station' }, ['earlier', 'water', 'rub', 'noise', 'other']],
  ['fluid as drained', { unit: 'drained' }, ['colour', 'smell', 'amount']],
];
test.each(LOOKED_AT)('a %s %j has a place for all that is looked at on it', (_, of, points) => {
  const [[head, kind]] = Object.entries(of) as [[Parameters<typeof catalogue.pointsFor>[0], string]];
  const known = catalogue.pointsFor(head, [kind]);
  for (const point of points) expect([point, known.has(point)]).toEqual([point, true]);
});

/** Points that only the scope, the record or a person asks for; everything else that is looked at bears on a cause. */
const TELLS_NO_CAUSE = [
  'band-anchor.adjustment',
  'case.passages',
  'case.anchor',
  'converter.runout',
  'drained.amount',
  'dog.teeth',
  'end-plate.height',
  'end-plate.way',
  'every.origin',
  'every.other',
  'fastener.thickness',
  'filter.outside',
  'filter.opened',
  'filter.by',
  'friction-plate.splines',
  'piston.height',
  'planetary.count',
  'signs.clearance',
  'signs.depth',
  'signs.other',
  'snap-ring.groove',
  'snap-ring.thickness',
  'spring.length',
  'steel-plate.splines',
  'thrust.thickness',
  'wave-spring.height',
  'wave-spring.crack',
];
test('what is looked at bears on a cause, but for what is named', () => {
  const patterns = knowledge.derived.facts.flatMap((f) => f.any);
  const read = new Set(
    [...knowledge.causal.observations.map((o) => o.point), ...patterns].map((p) => p.split(/[:=]/)[0]!),
  );
  const idle = data.files.flatMap((file) =>
    file.points
      .filter((p) => !p.counts && !read.has(`${file.id}.${p.id}`) && !p.gives?.some((g) => read.has(g.fact)))
      .map((p) => `${file.id}.${p.id}`),
  );
  expect(idle.sort()).toEqual([...TELLS_NO_CAUSE].sort());
});

test('evidence and rules ask for points and levels there are', () => {
  const KNOWN =
    /^(part|stays-on|bubbled|grey|filter\.by|lining|fused|pattern|dragged|takedown|replaced|cause|policy|spread|job|bare|apart|serviceable|burnt-packs|more-frictions|hard-use|codes?|history|only-hot|waded|stall-low|cloudy|milky)/;
  const levelsOf = (point: string): string[] | null => {
    const known = catalogue.point(point.split(':')[0]!);
    if (!known) return null;
    return known.point.field.kind === 'measure' ? ['in', 'under', 'over'] : [...known.levels.keys()];
  };
  const asked = [
    ...knowledge.causal.observations.map((o) => ({ point: o.point, levels: Object.keys(o.levels) })),
    ...[...rules.rules.flatMap((r) => r.when), ...knowledge.derived.facts.flatMap((f) => f.any)].map(
      (text) => {
        const [point, levels] = text.split('=') as [string, string];
        return { point, levels: levels.split('|') };
      },
    ),
  ];
  for (const { point, levels } of asked) {
    const own = levelsOf(point);
    if (!own) expect(point).toMatch(KNOWN);
    else
      for (const level of levels) expect([point, level, own.includes(level)]).toEqual([point, level, true]);
  }
});

describe('10,000 findings of any kind', () => {
  const points = each.map(([, inspection]) => pointsOf(inspection));
  const anyIs = fc.oneof(
    { weight: 3, arbitrary: fc.constant('own') },
    {
      weight: 1,
      arbitrary: fc.oneof(
        fc.string(),
        fc.double(),
        fc.constant(null),
        fc.object({ maxDepth: 1 }),
        fc.boolean(),
      ),
    },
  );
  test('are read back as they were sent, or refused with a pointer', () => {
    let kept = 0;
    let refused = 0;
    const one = fc.tuple(fc.nat(), fc.nat(), anyIs, fc.boolean());
    fc.assert(
      fc.property(fc.nat(each.length - 1), fc.array(one, { minLength: 20, maxLength: 20 }), (u, list) => {
        const inspection = each[u]![1];
        const findings = list.map(([at, which, is, withAll], k) => {
          const { subject, point } = points[u]![at % points[u]!.length]!;
          const own = answersOf(point);
          const value = is === 'own' ? own[which % own.length]! : (is as Finding['is']);
          const slot = findingSlot(subject.slot, point.point.id, `r${k}`);
          return { slot, value: withAll ? full(value) : ({ is: value } as Json) };
        });
        const document = { format: 'pelvik-case/2' as const, unit: inspection.unit.id, findings };
        const { problems } = openCase(document, inspection);
        const bad = new Set(problems.map((p) => Number(p.pointer.split('/')[2])));
        for (const p of problems)
          expect([p.pointer.startsWith('/findings/'), p.remedy.length > 3]).toEqual([true, true]);
        const good = findings.filter((_, k) => !bad.has(k));
        const back = findingsOf(
          stateFromValues(Object.fromEntries(good.map((f) => [f.slot, f.value]))),
          stageOf,
        );
        expect(new Map(back.map((f) => [f.slot, f.value]))).toEqual(
          new Map(good.map((f) => [f.slot, f.value])),
        );
        kept += good.length;
        refused += bad.size;
      }),
      { numRuns: 500 },
    );
    expect(kept).toBeGreaterThan(5000);
    expect(refused).toBeGreaterThan(500);
  });
});
