import { catalogueOf, inspectionOf } from '@/core/inspection';
import { knowledge } from '@/data/knowledge';
import { formerQuote } from '@/tests/fixtures/former-quote';
import { four } from '@/tests/fixtures/four';
import { checkCase, checkQuote, checkSlot, openCase } from './index';

const inspection = inspectionOf(four, catalogueOf(knowledge.inspection));
const at = '2026-01-01T00:00:00Z';
const finding = (slot: string, value: object | string | null = { is: 'low' }) => ({ slot, value });
const entry = (seq: number, id = `entry-000${seq}`) => ({
  id,
  seq,
  by: 'a',
  at,
  slot: 'unit.fluid.level',
  value: { is: 'low' },
});
const photo = (id: string) => ({ id, mime: 'image/jpeg', width: 1, height: 1, data: 'AA==' });
const quote = (version: number, more: object = {}) => ({
  version,
  status: 'accepted',
  createdAt: at,
  content: formerQuote,
  answers: [],
  ...more,
});
const said = (more: object) =>
  checkCase({ format: 'pelvik-case/2', unit: 'x', findings: [], ...more }).map((p) => [
    p.pointer,
    p.message,
    p.remedy,
  ]);

describe('what may stand once only', () => {
  test.each<[string, object, [string, string, string]]>([
    [
      'a slot',
      { findings: [finding('unit.fluid.level'), finding('unit.fluid.level')] },
      ['/findings/1/slot', '"unit.fluid.level" stands twice', 'Keep one value for each slot.'],
    ],
    [
      'the number of an entry',
      { history: [entry(1), entry(1, 'entry-0002')] },
      ['/history/1/seq', '1 stands twice', 'Number the entries 1, 2, 3 …'],
    ],
    [
      'its id',
      { history: [entry(1), entry(2, 'entry-0001')] },
      ['/history/1/id', '"entry-0001" stands twice', 'Give every entry an id of its own.'],
    ],
    [
      'the id of a photo',
      { photos: [photo('photo-0001'), photo('photo-0001')] },
      ['/photos/1/id', '"photo-0001" stands twice', 'Give every photo an id of its own.'],
    ],
    [
      'the number of a quote',
      { quotes: [quote(1), quote(1, { status: 'sent' })] },
      ['/quotes/1/version', '1 stands twice', 'Number the quotes 1, 2, 3 …'],
    ],
    [
      'an accepted quote',
      { quotes: [quote(1), quote(2)] },
      [
        '/quotes/1/status',
        'is a second accepted quote',
        'Only one version of a job can stand accepted: the earlier one is superseded.',
      ],
    ],
  ])('%s', (_, document, problem) => expect(said(document)).toEqual([problem]));

  test('a second of everything is as it should be', () =>
    expect(
      said({
        findings: [finding('unit.fluid.level'), finding('unit.fluid.smell')],
        history: [entry(1), entry(2)],
        photos: [photo('photo-0001'), photo('photo-0002')],
        quotes: [quote(1), quote(2, { imported: true }), quote(3, { status: 'sent' })],
      }),
    ).toEqual([]));
});

describe('quotes in a case', () => {
  test('what is wrong with one is found where it stands', () => {
    const { currency: _, ...rest } = formerQuote;
    expect(said({ quotes: [quote(1), quote(2, { status: 'sent', content: rest })] })).toEqual([
      ['/quotes/1/content', '"currency" is missing', 'Add "currency".'],
    ]);
  });
  test('of either version, nothing else', () => {
    expect(checkQuote(formerQuote)).toEqual([]);
    const asOfToday = checkQuote({ ...formerQuote, format: 'pelvik-quote/2' });
    expect(asOfToday.map((p) => p.message)).toContain('"recommended" is missing');
    expect(checkQuote({ ...formerQuote, format: 'pelvik-quote/9' })).toContainEqual({
      pointer: '/format',
      message: 'has the wrong value',
      remedy: 'Use "pelvik-quote/2".',
    });
    expect(checkQuote(null)).toEqual([
      { pointer: '', message: 'must be object', remedy: 'Give object here.' },
    ]);
  });
});

describe('opening a case', () => {
  const opened = (lists: object) =>
    openCase({ format: 'pelvik-case/1', unit: 'ostrel-four', findings: [], ...lists } as never, inspection)
      .problems;
  test('two names of one thing among the findings: one of them was from before', () => {
    const both = [finding('fluid.level', 'low'), finding('unit.fluid.level')];
    expect(opened({ findings: both })).toEqual([
      {
        pointer: '/findings/1/slot',
        message: '"unit.fluid.level" stands twice',
        remedy: 'Keep one value for each slot.',
      },
    ]);
    // A record may say the same again, and what was cleared stands nowhere.
    expect(opened({ history: [entry(1), entry(2)] })).toEqual([]);
    expect(opened({ findings: [finding('fluid.level', null), finding('unit.fluid.level')] })).toEqual([]);
    expect(opened({ findings: [finding('fluid.level', 'low'), finding('unit.fluid.level', null)] })).toEqual(
      [],
    );
  });
  test('every value is checked, in the findings and in the record, and fifty problems are enough', () => {
    const wrong = { ...entry(1), value: { is: 'purple' } };
    expect(opened({ history: [entry(2), wrong] }).map((p) => p.pointer)).toEqual(['/history/1/value/is']);
    const many = Array.from({ length: 60 }, (_, k) => finding(`no.such.slot-${k}`, 'x'));
    expect(opened({ findings: many })).toHaveLength(50);
  });
});

test('a slot that there is not: its name cut, and where the slots are listed', () =>
  expect(checkSlot(inspection, `no.such.${'x'.repeat(100)}`, 1)).toEqual([
    {
      pointer: '',
      message: `"no.such.${'x'.repeat(72)}" is not a slot of a job`,
      remedy: 'See docs/formats/case.md for the slots.',
    },
  ]));
