import type { Json, SubjectHead } from '@/core/case';
import { catalogueOf, IN_SI, inspectionOf, limitOf } from '@/core/inspection';
import type { CataloguePoint, Inspection, Subject } from '@/core/inspection';
import { elementOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { knowledge } from '@/data/knowledge';

export type Values = Record<string, Json>;

/** Writes a level of a point of the knowledge as a technician's entry; null where the record has no place for it. */
export type Recorder = (point: string, level: string) => Values | null;

/** Written as the slot they are read from. */
const HISTORY: Record<string, (level: string) => Values> = {
  'history-power': (level) => ({ 'history.powerFactor': level === 'raised' ? 1.4 : 1 }),
  'history-towing': (level) => ({ 'history.towing': level }),
  'history-tyres': (level) => ({ 'history.tyres': level }),
  'history-mud': (level) => ({ 'history.mud': level }),
  'history-park': (level) => ({ 'history.parkRolling': level }),
  'history-converter': (level) => ({ 'history.converter': level }),
  'history-rebuilt': (level): Values =>
    level === 'never'
      ? { 'history.rebuilt': { by: 'never' } }
      : { 'history.rebuilt': { by: 'elsewhere', monthsAgo: level === 'recent' ? 8 : 60 } },
  milky: (level): Values => (level === 'yes' ? { 'unit.fluid.colour': { is: 'milky' } } : {}),
  grey: () => ({ 'unit.fluid.colour': { is: 'grey' } }),
};

const HEADS: readonly SubjectHead[] = ['part', 'element', 'gearset', 'solenoid', 'sensor'];
/** Face points: what they are asked of, as the kind of plate. */
const FACES: Record<string, string> = { 'friction-face': 'friction', 'steel-face': 'steel' };

/** Everything a bench can write of a unit. */
export function recorder(unit: UnitDefinition): Recorder {
  const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));
  return (point, level) => {
    const history = HISTORY[point];
    if (history) return history(level);
    if (point === 'codes') return null;
    const [key, target] = split(point);
    if (key === 'lining') return faces(unit, target, level);
    const [file, own] = key === 'part' ? ['part', 'condition'] : (key.split('.', 2) as [string, string]);
    if (own === undefined || key.split('.').length > 2) return null;
    const kind = FACES[file];
    const subjects: [SubjectHead, string[]][] = target
      ? kind
        ? [
            [
              'face',
              [target, String(elementOf(unit, target).pack?.order.indexOf(kind as 'steel') ?? -1), 'a'],
            ],
          ]
        : HEADS.map((head) => [head, [target]])
      : [['unit', [file]]];
    for (const [head, ids] of subjects) {
      const subject = inspection.subject(head, ids);
      const asked = subject && inspection.points(subject).get(own);
      if (asked && asked.file.id === file) return entry(inspection, subject, asked, level);
    }
    return null;
  };
}

function split(point: string): [key: string, target: string] {
  const at = point.indexOf(':');
  return at < 0 ? [point, ''] : [point.slice(0, at), point.slice(at + 1)];
}

function entry(
  { unit }: Inspection,
  subject: Subject,
  { point, levels }: CataloguePoint,
  level: string,
): Values | null {
  const slot = `${subject.slot}.${point.id}`;
  const { field } = point;
  if (field.kind !== 'measure') {
    if (!levels.has(level)) return null;
    return { [slot]: { is: field.kind === 'amounts' ? { [field.places[0]!.id]: level } : level } };
  }
  const limit = field.limit && limitOf(unit, subject, field.limit);
  if (!limit) return null;
  const { min = limit.max! / 2, max = limit.min! * 2 } = limit;
  const value = level === 'in' ? (min + max) / 2 : level === 'under' ? min * 0.8 : max * 1.25;
  const shown = field.unit === '' ? Math.round(value) : value / IN_SI[field.unit];
  return { [slot]: { is: shown, ...(field.limit === 'resistance' ? { temperatureC: 20 } : {}) } };
}

/** Face grades for a state of the lining. */
const GRADES: Record<string, { lining: string; steel: string; band: string }> = {
  sound: { lining: 'sound', steel: 'bright', band: 'sound' },
  'heat-marked': { lining: 'darkened', steel: 'tinted', band: 'worn' },
  burnt: { lining: 'flaking', steel: 'blue', band: 'charred' },
  welded: { lining: 'welded', steel: 'welded', band: 'torn' },
};

/** A whole pack or band at one state. */
function faces(unit: UnitDefinition, element: string, level: string): Values | null {
  const grade = GRADES[level];
  const { pack, band } = elementOf(unit, element);
  if (!grade) return null;
  if (band) return { [`element.${element}.lining`]: { is: grade.band } };
  if (!pack) return null;
  return Object.fromEntries(
    pack.order.flatMap((kind, k) =>
      kind === 'friction' || kind === 'steel'
        ? ['a', 'b'].map((side) => [
            `face.${element}.${k}.${side}.heat`,
            { is: kind === 'friction' ? grade.lining : grade.steel },
          ])
        : [],
    ),
  );
}
