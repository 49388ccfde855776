import { stateFromValues } from '@/core/case';
import type { JobState } from '@/core/case';
import { catalogueOf, inspectionOf, limitOf } from '@/core/inspection';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { subjectsOf } from '@/tests/fixtures/findings';
import { diagnoser } from './diagnose';
import { judgementOf } from './judgement';
import { linker } from './link';
import { buildModel } from './model';
import { knownOf, networksOf } from './posterior';

/** What is measured and judged by a limit of the unit: passing it says something of what failed. */
const TELLING = [
  'friction-plate.thickness',
  'steel-plate.thickness',
  'band.travel',
  'pack.clearance',
  'signs.end-play',
  'mesh.play',
  'converter.end-play',
  'planetary.pinion-play',
  'pump.face',
  'pump.tip',
  'solenoid.resistance',
  'pressure.idle',
  'pressure.full',
  'pressure.reverse',
];

const seen = new Set<string>();

test.each(shippedUnits.map((u) => [u.id, u] as const))('%s: a limit passed is evidence', (_, unit) => {
  const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));
  const model = buildModel(unit, knowledge);
  const [link, networks] = [linker(model), networksOf(model)];
  const judge = (state: JobState) => judgementOf(model, knownOf(model, link, networks, state)).first;
  const before = judge({});
  const moves = (slot: string, is: number) =>
    judge(stateFromValues({ [slot]: { is, temperatureC: 20 } })).some(
      (p, r) => Math.abs(p - before[r]!) > 1e-6,
    );
  const still: string[] = [];
  const asked = new Set<string>();
  for (const subject of subjectsOf(inspection))
    for (const { key, point } of inspection.points(subject).values()) {
      const { field } = point;
      if (asked.has(key) || field.kind !== 'measure' || !field.limit) continue;
      if (!TELLING.includes(key) || !limitOf(unit, subject, field.limit)) continue;
      asked.add(key);
      seen.add(key);
      const slot = `${subject.slot}.${point.id}`;
      if (!moves(slot, field.min) && !moves(slot, field.max)) still.push(slot);
    }
  expect(still).toEqual([]);
});

test('each of them is measured on some unit', () => {
  expect(TELLING.filter((key) => !seen.has(key))).toEqual([]);
});

test('a thin, dished plate speaks against its own pack, not for it', () => {
  const unit = shippedUnits.find((u) => u.id === 'ostrel-four')!;
  const diagnose = diagnoser(unit, knowledge);
  const share = (values: Parameters<typeof stateFromValues>[0]) =>
    diagnose(stateFromValues(values))
      .causes.filter((c) => c.element === 'high')
      .reduce((sum, c) => sum + c.probability, 0);
  const sound = share({ 'plate.high.1.flat': { is: 'flat' }, 'plate.high.2.thickness': { is: 1.65 } });
  const worn = share({ 'plate.high.1.flat': { is: 'coned' }, 'plate.high.2.thickness': { is: 1.2 } });
  expect(worn).toBeGreaterThan(1.3 * sound);
});
