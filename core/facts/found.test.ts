import type { Finding } from '@/core/case';
import type { Found } from '@/core/inspection';
import { holds, pointFacts, targetOf } from './found';
import { fact } from './types';

interface Made {
  level?: string | null;
  severity?: number;
  subject?: object;
  point?: object;
  finding?: object;
  slot?: string;
}
/** A finding as the catalogue would judge it. */
const made = ({ level = 'leaks', severity, subject, point, finding, slot = 'slot' }: Made): Found =>
  ({
    slot,
    subject: { head: 'element', ids: ['high'], element: 'high', ...subject },
    finding: { is: level, ...finding } as Finding,
    judgement: level === null ? null : { level, ...(severity === undefined ? {} : { severity }) },
    point: { key: 'pack.air-test', point: { field: { kind: 'test' }, ...point } },
  }) as unknown as Found;
const said = (found: Found[], job: Parameters<typeof pointFacts>[1] = []) =>
  pointFacts(found, job).map((f) => `${f.point}=${f.level}`);

test('what a finding is about', () => {
  const of = (subject: object) => targetOf(made({ subject }));
  expect(of({ head: 'unit', ids: [] })).toBeNull();
  expect(of({ head: 'plate', ids: ['high', '2'], element: 'high' })).toBe('high');
  expect(of({ head: 'face', ids: ['low', '2', 'a'], element: 'low' })).toBe('low');
  expect(of({ head: 'part', ids: ['pump'], element: 'high' })).toBe('pump');
});

test('what says nothing is no fact, what we broke is one of its own', () => {
  expect(said([made({ level: null })])).toEqual([]);
  expect(said([made({ finding: { is: 'takedown' } })])).toEqual(['takedown:high=yes']);
  expect(pointFacts([made({})], [])[0]).toEqual({
    point: 'pack.air-test:high',
    level: 'leaks',
    slots: ['slot'],
    weight: 1,
  });
  expect(pointFacts([made({ severity: 3 })], [])[0]!.severity).toBe(3);
});

test('where a test bubbled is a fact of the place, when it was not sound', () => {
  const where = { where: 'sealing rings at the hub' };
  expect(said([made({ severity: 3, finding: where })])).toEqual([
    'pack.air-test:high=leaks',
    'bubbled.sealing-rings-at-the-hub:high=yes',
  ]);
  expect(said([made({ severity: 0, finding: where })])).toHaveLength(1);
  expect(said([made({ finding: where })])).toHaveLength(1);
  expect(said([made({ severity: 3 })])).toHaveLength(1);
  expect(said([made({ severity: 3, finding: where, point: { field: { kind: 'scale' } } })])).toHaveLength(1);
});

test('a part with amounts by kind has a fact for each; debris of the unit is told apart already', () => {
  const finding = { is: { fibre: 'heavy', metal: 'trace' } };
  const filter = { head: 'part', ids: ['filter'] };
  expect(said([made({ level: 'heavy', finding, subject: filter })])).toEqual([
    'pack.air-test:filter=heavy',
    'pack.air-test.fibre:filter=heavy',
    'pack.air-test.metal:filter=trace',
  ]);
  expect(said([made({ level: 'heavy', finding, subject: { head: 'unit', ids: [] } })])).toEqual([
    'pack.air-test=heavy',
  ]);
});

test('a fact that is given is seen or not, and once seen is seen', () => {
  const point = { gives: [{ fact: 'stays-on', yes: ['no-release'] }] };
  const at = (level: string, severity: number, slot: string) => made({ level, severity, point, slot });
  const both = pointFacts([at('no-release', 3, 'a'), at('holds', 0, 'b')], []);
  expect(both.find((f) => f.point === 'stays-on:high')).toMatchObject({
    level: 'yes',
    slots: ['a'],
    severity: 1,
  });
  expect(said([at('holds', 0, 'b')])).toContain('stays-on:high=no');
});

describe('several readings of one point', () => {
  const weakens = [
    { under: [{ condition: 'oilFilm', is: false, otherwise: false }], weight: 0.3, caution: 'Dry.' },
  ];
  const at = (level: string, severity: number | undefined, oilFilm: boolean, slot: string) =>
    made({
      level,
      ...(severity === undefined ? {} : { severity }),
      finding: { oilFilm },
      point: { weakens },
      slot,
    });
  const one = (...found: Found[]) => pointFacts(found, [])[0]!;
  test.each([
    ['the worse', at('leaks', 3, true, 'a'), at('holds', 0, true, 'b'), 'a', 1],
    ['the worse, though weak', at('leaks', 3, false, 'a'), at('holds', 0, true, 'b'), 'a', 0.3],
    ['of equally bad ones the better made', at('leaks', 3, false, 'a'), at('no-apply', 3, true, 'b'), 'b', 1],
    [
      'of equally bad and good ones the first',
      at('leaks', 3, true, 'a'),
      at('no-apply', 3, true, 'b'),
      'a',
      1,
    ],
    [
      'one with a severity before one without',
      at('odd', undefined, true, 'a'),
      at('leaks', 3, false, 'b'),
      'b',
      0.3,
    ],
    [
      'without severities the better made',
      at('odd', undefined, false, 'a'),
      at('other', undefined, true, 'b'),
      'b',
      1,
    ],
  ])('%s counts', (_, a, b, slot, weight) => {
    expect(one(a, b)).toMatchObject({ slots: [slot], weight });
  });
  test('whichever of unequal ones came first', () => {
    expect(one(at('holds', 0, true, 'b'), at('leaks', 3, true, 'a')).slots).toEqual(['a']);
    expect(one(at('no-apply', 3, true, 'b'), at('leaks', 3, false, 'a')).slots).toEqual(['b']);
  });
  test('of the same level the better made, on both', () => {
    for (const pair of [
      [at('leaks', 3, false, 'a'), at('leaks', 3, true, 'b')],
      [at('leaks', 3, true, 'a'), at('leaks', 3, false, 'b')],
    ])
      expect(one(...pair)).toMatchObject({ weight: 1, slots: ['a', 'b'] });
  });
});

describe('conditions that weaken', () => {
  const job = [fact('only-hot', 'yes', 'grid'), fact('codes', 'none', 'codes')];
  const weight = (weakening: object, finding: object = {}) =>
    pointFacts(
      [made({ finding, point: { weakens: [{ weight: 0.2, caution: 'Weak.', ...weakening }] } })],
      job,
    )[0]!.weight;
  test.each<[string, object, object, number]>([
    ['nothing asked for', {}, {}, 0.2],
    ['its level', { levels: ['leaks', 'holds'] }, {}, 0.2],
    ['another level', { levels: ['holds'] }, {}, 1],
    ['a fact of the job', { job: ['only-hot=yes|maybe'] }, {}, 0.2],
    ['all facts of the job', { job: ['only-hot=yes', 'codes=these'] }, {}, 1],
    ['another point of the job', { job: ['hot=yes'] }, {}, 1],
    ['below a number', { under: [{ condition: 'temperatureC', below: 50, otherwise: 20 }] }, {}, 0.2],
    [
      'not below it',
      { under: [{ condition: 'temperatureC', below: 50, otherwise: 20 }] },
      { temperatureC: 50 },
      1,
    ],
    ['no number at all', { under: [{ condition: 'temperatureC', below: 50, otherwise: 'cold' }] }, {}, 1],
    [
      'one of two conditions',
      {
        under: [
          { condition: 'oilFilm', is: true, otherwise: false },
          { condition: 'temperatureC', below: 50, otherwise: 20 },
        ],
      },
      {},
      1,
    ],
  ])('%s', (_, weakening, finding, expected) => expect(weight(weakening, finding)).toBe(expected));
  test('say so', () =>
    expect(
      pointFacts([made({ point: { weakens: [{ weight: 0.2, caution: 'Weak.' }] } })], [])[0]!.caution,
    ).toBe('Weak.'));
});

test('a fact is held by its point and one of its levels', () => {
  const facts = [fact('codes', 'none', 'a'), fact('grey', 'yes', 'b')];
  expect(holds(facts, 'codes=none|these')).toBe(true);
  expect(holds(facts, 'codes=yes')).toBe(false);
  expect(holds([], 'codes=none')).toBe(false);
});
