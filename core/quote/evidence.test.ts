import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import type { UnitDefinition } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import ostrelFour from '@/data/units/ostrel-four.json';
import { evidenceOf, tellingFindings } from './evidence';

const inspection = inspectionOf(ostrelFour as unknown as UnitDefinition, catalogueOf(knowledge.inspection));
const evidence = (values: Record<string, Json>) => evidenceOf(inspection, stateFromValues(values));
const telling = (values: Record<string, Json>) => tellingFindings(inspection, stateFromValues(values));

test('nothing seen is nothing told', () => {
  expect(evidence({})).toEqual({ found: [], sound: [], measured: [] });
});

test('what is past use is told in plain words, the worst first; a mark is not', () => {
  expect(
    evidence({
      'part.pump-cover.condition': { is: 'worn' },
      'part.sun-shell.condition': { is: 'failed' },
      'part.reverse-drum.condition': { is: 'marked' },
    }).found,
  ).toEqual(['Sun shell: failed', 'Pump cover: worn']);
});

test('the faces of one pack make one sentence, with the worst of them', () => {
  const values = {
    'face.high.2.a.heat': { is: 'charred' },
    'face.high.2.b.heat': { is: 'glazed' },
    'face.high.4.a.heat': { is: 'charred' },
    'face.forward.1.a.heat': { is: 'charred' },
  };
  const words = telling(values).map((t) => t.words);
  expect(words).toHaveLength(2);
  expect(words).toContainEqual(expect.stringMatching(/^High clutch, .*: charred, 3 faces$/));
  expect(words).toContainEqual(expect.stringMatching(/^Forward clutch, .*: charred$/));
});

test('what the shop leaves out is not told, the others are', () => {
  const values = {
    'part.sun-shell.condition': { is: 'failed' },
    'part.pump-cover.condition': { is: 'worn' },
  };
  const [first] = telling(values);
  expect(first!.key).toMatch(/^[\w-]{1,80}$/);
  expect(evidence({ ...values, [`quote.without.${first!.key}`]: true }).found).toEqual(['Pump cover: worn']);
});

test('sound is what nothing was found on, whatever point was looked at', () => {
  expect(
    evidence({
      'part.sun-shell.condition': { is: 'sound' },
      'part.reverse-drum.condition': { is: 'sound' },
      'part.reverse-drum.crack': { is: 'seen' },
      'part.pump-cover.condition': { is: 'cannot-tell' },
      'face.high.1.a.heat': { is: 'sound' },
    }).sound,
  ).toEqual(['Sun shell']);
});

test('measured stands beside its limit, outside first; without a temperature a resistance says nothing', () => {
  const { measured, found } = evidence({
    'solenoid.S1.resistance': { is: 23.8, temperatureC: 20 },
    'solenoid.S2.resistance': { is: 41, temperatureC: 20 },
    'solenoid.S3.resistance': { is: 24 },
  });
  expect(measured).toEqual([
    { what: 'Shift solenoid S2, resistance', value: '41.0 Ω', limit: '20.0–28.0 Ω', within: false },
    { what: 'Shift solenoid S1, resistance', value: '23.8 Ω', limit: '20.0–28.0 Ω', within: true },
  ]);
  expect(found).toEqual([]);
});

test('readings alike and within their limit are one line with their span', () => {
  const { measured } = evidence({
    'solenoid.S1.resistance': { is: 23, temperatureC: 20 },
    'solenoid.S2.resistance': { is: 25, temperatureC: 20 },
    'solenoid.S3.resistance': { is: 24, temperatureC: 20 },
  });
  expect(measured).toEqual([
    {
      what: 'Shift solenoid S1 and 2 more, resistance',
      value: '23.0–25.0 Ω',
      limit: '20.0–28.0 Ω',
      within: true,
    },
  ]);
});

test('however much was found, the lists stay short', () => {
  const parts = (ostrelFour as unknown as UnitDefinition).parts;
  const of = (is: string) =>
    Object.fromEntries(parts.map((p): [string, Json] => [`part.${p.id}.condition`, { is }]));
  expect(evidence(of('failed')).found).toHaveLength(8);
  expect(telling(of('failed')).length).toBeLessThanOrEqual(14);
  expect(evidence(of('sound')).sound).toHaveLength(24);
});
