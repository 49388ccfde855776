import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { elementOf } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { liningFacts, packOf } from './linings';

const unit = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));
const { order } = elementOf(unit, 'high').pack!;
/** Every face of the high clutch by its plate's kind, where one is given. */
const faces = (lining: string | null, steel: string | null): Record<string, Json> =>
  Object.fromEntries(
    order.flatMap((kind, k) => {
      const is = kind === 'friction' ? lining : kind === 'wave' ? null : steel;
      return is === null ? [] : ['a', 'b'].map((side) => [`face.high.${k}.${side}.heat`, { is }]);
    }),
  );
const facts = (values: Record<string, Json>) => {
  const state = stateFromValues(values);
  return liningFacts(inspection, state, inspection.findings(state));
};
const said = (values: Record<string, Json>) => facts(values).map((f) => `${f.point}=${f.level}`);
const lining = (values: Record<string, Json>) => facts(values).find((f) => f.point === 'lining:high')!;

test('a face reads by its severity, or cannot be told', () => {
  const reading = (is: string) =>
    packOf(inspection, stateFromValues({ 'face.high.2.a.heat': { is } }), elementOf(unit, 'high')).plates[2]!
      .faces;
  expect(reading('sound')).toEqual({ a: 0, b: null });
  expect(reading('welded').a).toBe(6);
  expect(reading('cannot-tell').a).toBe('cannot-tell');
  expect(reading('of-no-scale').a).toBe('cannot-tell');
});

test('nothing looked at, or nothing that can be told, is no lining', () => {
  expect(facts({})).toEqual([]);
  expect(facts({ 'face.high.2.a.heat': { is: 'cannot-tell' } })).toEqual([]);
});

test('the worst lining counts; steels speak for it only where nobody looked at it', () => {
  expect(
    lining({ 'face.high.2.a.heat': { is: 'glazed' }, 'face.high.4.a.heat': { is: 'bare' } }).severity,
  ).toBe(5);
  expect(lining(faces('sound', 'blue'))).toMatchObject({ level: 'sound', severity: 0 });
  expect(lining(faces(null, 'blue'))).toMatchObject({ level: 'burnt', severity: 3 });
});

test('one welded face is a fused pack, of steel as of lining; the lining is then burnt', () => {
  expect(said({ ...faces('sound', 'bright'), 'face.high.3.a.heat': { is: 'welded' } })).toEqual(
    expect.arrayContaining(['fused:high=yes', 'lining:high=burnt']),
  );
});

test('sound, with less than half of it looked at, counts for as much as was looked at', () => {
  const some = (n: number, is = 'sound') =>
    Object.fromEntries(Object.entries(faces(is, 'bright')).slice(0, n));
  const all = Object.keys(faces('sound', 'bright')).length;
  expect(lining(some(all / 2)).weight).toBe(1);
  expect(lining(some(all / 2 - 2))).toMatchObject({
    weight: (all / 2 - 2) / all,
    caution: `Only ${all / 2 - 2} of ${all} faces were looked at.`,
  });
  // What was seen burnt is burnt, however little was looked at.
  expect(lining({ 'face.high.2.a.heat': { is: 'charred' } }).weight).toBe(1);
});

test('all linings seen sound are sound, whoever left the steels alone', () => {
  const all = Object.entries(faces('sound', 'bright'));
  const lined = all.filter(([, v]) => (v as { is: string }).is === 'sound');
  const some = (n: number) => lining(Object.fromEntries(lined.slice(0, n)));
  for (const n of [lined.length, lined.length / 2]) {
    expect(some(n).weight).toBe(1);
    expect(some(n).caution).toBeUndefined();
  }
  const few = lined.length / 2 - 1;
  expect(some(few)).toMatchObject({ weight: few / all.length, caution: expect.stringMatching(/^Only/) });
});

test('hot steels under sound linings are dragging; any other pattern is none, and a fact of its own', () => {
  const dragged = facts(faces('sound', 'blue'));
  expect(dragged.find((f) => f.point === 'dragged:high')).toMatchObject({ level: 'yes', weight: 1 });
  expect(dragged.map((f) => f.point)).not.toContain('pattern:high');
  const burnt = facts(faces('charred', 'blue'));
  expect(burnt.find((f) => f.point === 'dragged:high')).toMatchObject({ level: 'no', weight: 0.5 });
  const pattern = burnt.find((f) => f.point === 'pattern:high')!;
  expect(pattern).toMatchObject({ level: 'all-alike', weight: 1 });
  expect(pattern.slots).toHaveLength(Object.keys(faces('charred', 'blue')).length);
  expect(said(faces('sound', 'bright')).join()).not.toMatch(/dragged|pattern/);
});

test('packs and bands are told apart', () =>
  expect(
    said({ 'face.high.2.a.heat': { is: 'charred' }, 'element.band-2-4.lining': { is: 'sound' } }),
  ).toEqual(['lining:high=burnt', 'fused:high=no', 'lining:band-2-4=sound', 'fused:band-2-4=no']));
