import type { ValidateFunction } from 'ajv';
import { findingName } from '@/core/case';
import type { FindingName, Json } from '@/core/case';
import { findingSchema, kindOf } from '@/core/inspection';
import type { CataloguePoint, Inspection } from '@/core/inspection';
import type { UnitDefinition } from '@/core/unit';
import { problemsOf, strictAjv, validator } from './problem';
import type { Problem } from './problem';

const validators = new WeakMap<CataloguePoint, () => ValidateFunction>();

/**
 * Problems of a finding: what it is about must be there, the point must be asked of it, and the value be one of the
 * point's. Null clears, and is allowed wherever the name is good. Null when the slot names no finding at all.
 */
export function checkFinding(inspection: Inspection, slot: string, value: Json): Problem[] | null {
  const name = findingName(slot);
  if (!name) return null;
  const subject = inspection.subject(name.head, name.ids);
  if (!subject) return [noSubject(inspection.unit, name)];
  const point = inspection.points(subject).get(name.point);
  if (!point)
    return [
      {
        pointer: '',
        message: `"${name.point}" is not looked at on ${subject.name}`,
        remedy: oneOf([...inspection.points(subject).keys()]),
      },
    ];
  if (value === null) return [];
  let validate = validators.get(point);
  if (!validate) validators.set(point, (validate = validator(findingSchema(point), strictAjv)));
  return problemsOf(validate, value).map((p) => valueProblem(p, point));
}

/** A value that is none of the point's is answered with the point's own words. */
function valueProblem(problem: Problem, { point, levels }: CataloguePoint): Problem {
  if (!problem.pointer.startsWith('/is')) return problem;
  const { field } = point;
  const remedy = kindOf(field).remedy(field, levels);
  return { ...problem, message: `is not said of "${point.words}"`, remedy };
}

function noSubject(unit: UnitDefinition, { head, ids }: FindingName): Problem {
  const ids_ = (list: readonly { id: string }[]) => list.map((x) => x.id);
  const packs = unit.elements.filter((e) => e.pack);
  const pack = packs.find((e) => e.id === ids[0]);
  const wrong = (what: string, known: readonly string[]): Problem => ({
    pointer: '',
    message: `${unit.name} has no ${what} "${ids[0]}"`,
    remedy: known.length ? oneOf(known) : `This unit has no ${what} at all.`,
  });
  switch (head) {
    case 'part':
      return wrong('part', ids_(unit.parts));
    case 'element':
      return wrong('element', ids_(unit.elements));
    case 'gearset':
      return wrong('gearset', ids_(unit.gearsets));
    case 'solenoid':
      return wrong('solenoid', ids_(unit.solenoids));
    case 'sensor':
      return wrong('sensor', ids_(unit.sensors));
    case 'station':
      return wrong('station', ids_(unit.stations));
    case 'unit':
      return {
        pointer: '',
        message: `there is no subject "${ids[0]}"`,
        remedy: 'See docs/formats/inspection.md.',
      };
    case 'plate':
    case 'face':
      return pack ? noPlate(pack.name, pack.pack!.order, ids) : wrong('clutch or brake pack', ids_(packs));
  }
}

function noPlate(name: string, order: readonly string[], [, index, side]: readonly string[]): Problem {
  const kind = order[Number(index)];
  if (!kind || String(Number(index)) !== index)
    return {
      pointer: '',
      message: `${name} has no plate ${index}`,
      remedy: `Its plates are numbered 0 to ${order.length - 1}, from the piston.`,
    };
  return kind === 'wave'
    ? { pointer: '', message: 'a wave spring has no face to grade', remedy: 'Leave it out.' }
    : {
        pointer: '',
        message: `there is no face "${side}"`,
        remedy: 'Use a (piston side) or b (backing side).',
      };
}

function oneOf(known: readonly string[]): string {
  return `Use one of: ${known.slice(0, 24).join(', ')}${known.length > 24 ? ', …' : ''}.`;
}
