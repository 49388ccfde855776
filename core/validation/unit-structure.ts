import { CASE } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { Problem } from './problem';
import { Report } from './report';

const LISTS = [
  'members',
  'gearsets',
  'elements',
  'bearings',
  'solenoids',
  'sensors',
  'stations',
  'parts',
  'labour',
  'variants',
  'specs',
] as const;

/** Ids that stand twice, names that lead nowhere, limits the wrong way round. */
export function structureProblems(unit: UnitDefinition): Problem[] {
  const report = new Report();
  for (const list of LISTS)
    twice(
      report,
      `/${list}`,
      'id',
      unit[list].map((item) => item.id),
    );
  twice(
    report,
    '/gears',
    'key',
    unit.gears.map((g) => g.key),
  );
  references(unit, report);
  limits(unit, '', report);
  if (unit.pressure.idlePa > unit.pressure.fullPa)
    report.add('/pressure/idlePa', 'is above full pressure', 'Give the pressure at idle and the full one.');
  return report.problems;
}

function twice(report: Report, list: string, field: string, ids: string[]): void {
  const seen = new Set<string>();
  ids.forEach((id, k) => {
    if (seen.has(id)) report.add(`${list}/${k}/${field}`, `"${id}" stands twice`, 'Give every one its own.');
    seen.add(id);
  });
}

function references(unit: UnitDefinition, report: Report): void {
  const ids = (list: { id: string }[]) => new Set(list.map((x) => x.id));
  const known = {
    member: new Set([...unit.members.map((m) => m.id), CASE]),
    element: ids(unit.elements),
    part: ids(unit.parts),
    station: ids(unit.stations),
    gearset: ids(unit.gearsets),
    gear: new Set(unit.gears.map((g) => g.key)),
    operation: ids(unit.labour),
  };
  const need = (kind: keyof typeof known, id: string | undefined, pointer: string) => {
    if (id === undefined || known[kind].has(id)) return;
    const some = [...known[kind]].slice(0, 20).join(', ');
    report.add(
      pointer,
      `there is no ${kind} "${id}"`,
      some ? `Use one of: ${some}.` : `Add the ${kind} first.`,
    );
  };
  const needAll = (kind: keyof typeof known, list: string[] | undefined, pointer: string) =>
    list?.forEach((id, k) => need(kind, id, `${pointer}/${k}`));

  if (unit.members.some((m) => m.id === CASE))
    report.add('/members', `"${CASE}" is the fixed one and reserved`, 'Leave the case out of the members.');
  need('member', unit.input, '/input');
  need('member', unit.output, '/output');
  need('part', unit.converter.part, '/converter/part');
  needAll('gear', unit.converter.lockUpGears, '/converter/lockUpGears');
  needAll('part', unit.commonFeed, '/commonFeed');
  unit.gearsets.forEach((set, k) => {
    const at = `/gearsets/${k}`;
    need('station', set.station, `${at}/station`);
    if (set.kind === 'mesh') {
      need('member', set.first.member, `${at}/first/member`);
      need('member', set.second.member, `${at}/second/member`);
      return;
    }
    need('member', set.sun.member, `${at}/sun/member`);
    need('member', set.ring.member, `${at}/ring/member`);
    need('member', set.carrier, `${at}/carrier`);
  });
  unit.elements.forEach((element, k) => {
    const at = `/elements/${k}`;
    need('station', element.station, `${at}/station`);
    need('member', element.a, `${at}/a`);
    need('member', element.b, `${at}/b`);
    for (const path of ['feedPath', 'powerPath', 'liningParts'] as const)
      needAll('part', element[path], `${at}/${path}`);
    need('part', element.drumPart, `${at}/drumPart`);
    need('part', element.part, `${at}/part`);
    needAll('gear', element.pack?.secondArea?.gears, `${at}/pack/secondArea/gears`);
  });
  unit.gears.forEach((gear, k) => needAll('element', gear.apply, `/gears/${k}/apply`));
  unit.bearings.forEach((b, k) => {
    need('member', b.a, `/bearings/${k}/a`);
    need('member', b.b, `/bearings/${k}/b`);
    need('station', b.station, `/bearings/${k}/station`);
    need('part', b.part, `/bearings/${k}/part`);
  });
  unit.solenoids.forEach((s, k) => {
    need('part', s.part, `/solenoids/${k}/part`);
    need('element', s.element, `/solenoids/${k}/element`);
  });
  unit.sensors.forEach((s, k) => {
    need('member', s.member, `/sensors/${k}/member`);
    need('station', s.station, `/sensors/${k}/station`);
  });
  unit.stations.forEach((s, k) => needAll('station', s.blockedBy, `/stations/${k}/blockedBy`));
  unit.parts.forEach((part, k) => {
    const at = `/parts/${k}`;
    need('station', part.station, `${at}/station`);
    needAll('part', part.takesAlong, `${at}/takesAlong`);
    needAll('part', part.mistakenFor, `${at}/mistakenFor`);
    need('part', part.soldAs, `${at}/soldAs`);
    need('element', part.element, `${at}/element`);
    need('gearset', part.gearset, `${at}/gearset`);
    need('member', part.splits?.member, `${at}/splits/member`);
    part.splits?.away.forEach((a, i) => {
      if ('element' in a) need('element', a.element, `${at}/splits/away/${i}/element`);
      if ('gearset' in a) need('gearset', a.gearset, `${at}/splits/away/${i}/gearset`);
    });
  });
  unit.labour.forEach((l, k) =>
    l.overlaps?.forEach((o, i) => need('operation', o.with, `/labour/${k}/overlaps/${i}/with`)),
  );
  unit.variants.forEach((v, k) => need('part', v.part, `/variants/${k}/part`));
  unit.specs.forEach((s, k) => {
    need('station', s.station, `/specs/${k}/station`);
    need('gearset', s.gearset, `/specs/${k}/gearset`);
    need('part', s.part, `/specs/${k}/part`);
    need('element', s.element, `/specs/${k}/element`);
    if (s.min === undefined && s.max === undefined)
      report.add(`/specs/${k}`, 'has no limit', 'Give min, max or both.');
  });
}

/** Every pair of limits anywhere: the lower one must not be above the upper one. */
function limits(value: unknown, pointer: string, report: Report): void {
  if (typeof value !== 'object' || value === null) return;
  const { min, max } = value as { min?: unknown; max?: unknown };
  if (typeof min === 'number' && typeof max === 'number' && min > max)
    report.add(
      `${pointer}/min`,
      `${min} is above the upper limit ${max}`,
      'Exchange the limits or correct one.',
    );
  for (const [key, inner] of Object.entries(value)) limits(inner, `${pointer}/${key}`, report);
}
