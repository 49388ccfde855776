import schema from '@/docs/formats/unit.schema.json';
import { CASE } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { gearOutcome } from '@/core/powerflow';
import { ajv, problemsOf } from './problem';
import type { Problem } from './problem';

const validate = ajv.compile(schema);

/** Every problem of a unit definition; none means it can be used. Shape first, then what the shape cannot say. */
export function checkUnit(value: unknown): Problem[] {
  const shape = problemsOf(validate, value);
  return shape.length ? shape : meaningOf(value as UnitDefinition);
}

function meaningOf(unit: UnitDefinition): Problem[] {
  const problems: Problem[] = [];
  const report = (pointer: string, message: string, remedy: string) =>
    problems.push({ pointer, message, remedy });
  const lists = [
    'members',
    'gearsets',
    'elements',
    'solenoids',
    'stations',
    'parts',
    'labour',
    'variants',
  ] as const;
  for (const list of lists) {
    const seen = new Set<string>();
    unit[list].forEach((item, k) => {
      if (seen.has(item.id))
        report(`/${list}/${k}/id`, `"${item.id}" stands twice`, 'Give every one its own id.');
      seen.add(item.id);
    });
  }
  const known = {
    member: new Set([...unit.members.map((m) => m.id), CASE]),
    element: new Set(unit.elements.map((e) => e.id)),
    part: new Set(unit.parts.map((p) => p.id)),
    station: new Set(unit.stations.map((s) => s.id)),
    gearset: new Set(unit.gearsets.map((g) => g.id)),
  };
  const need = (kind: keyof typeof known, id: string, pointer: string) => {
    if (!known[kind].has(id))
      report(pointer, `there is no ${kind} "${id}"`, `Use one of: ${[...known[kind]].join(', ')}.`);
  };
  if (known.member.size !== unit.members.length + 1)
    report('/members', `"${CASE}" is reserved`, 'Leave the case out of the members.');
  need('member', unit.input, '/input');
  need('member', unit.output, '/output');
  if (unit.input === unit.output) report('/output', 'input and output are one member', 'Name two members.');
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
    if (set.ring.teeth <= set.sun.teeth)
      report(`${at}/ring/teeth`, 'the ring has no more teeth than the sun', 'Check the tooth counts.');
  });
  unit.elements.forEach((element, k) => {
    const at = `/elements/${k}`;
    need('station', element.station, `${at}/station`);
    need('member', element.a, `${at}/a`);
    need('member', element.b, `${at}/b`);
    if (element.a === element.b)
      report(`${at}/b`, 'joins a member to itself', 'Name two members, or the case.');
    if (
      element.pack &&
      element.pack.order.filter((p) => p === 'friction').length !== element.pack.frictions
    ) {
      report(
        `${at}/pack/order`,
        'the order does not hold as many frictions as stated',
        'Make `order` and `frictions` agree.',
      );
    }
    if (element.pack && element.pack.outerDiameter <= element.pack.innerDiameter) {
      report(`${at}/pack/outerDiameter`, 'is not larger than the inner diameter', 'Check the two diameters.');
    }
    for (const path of ['feedPath', 'powerPath', 'liningParts'] as const) {
      element[path]?.forEach((id, i) => need('part', id, `${at}/${path}/${i}`));
    }
    if (element.drumPart) need('part', element.drumPart, `${at}/drumPart`);
  });
  const keys = new Set<string>();
  unit.gears.forEach((gear, k) => {
    if (keys.has(gear.key))
      report(`/gears/${k}/key`, `"${gear.key}" stands twice`, 'Give every gear its own key.');
    keys.add(gear.key);
    gear.apply.forEach((id, i) => need('element', id, `/gears/${k}/apply/${i}`));
  });
  unit.parts.forEach((part, k) => {
    need('station', part.station, `/parts/${k}/station`);
    part.takesAlong?.forEach((id, i) => need('part', id, `/parts/${k}/takesAlong/${i}`));
    if (!part.splits) return;
    need('member', part.splits.member, `/parts/${k}/splits/member`);
    part.splits.away.forEach((a, i) => {
      const at = `/parts/${k}/splits/away/${i}`;
      if ('element' in a) need('element', a.element, `${at}/element`);
      if ('gearset' in a) need('gearset', a.gearset, `${at}/gearset`);
    });
  });
  unit.stations.forEach((s, k) =>
    s.blockedBy.forEach((id, i) => need('station', id, `/stations/${k}/blockedBy/${i}`)),
  );
  unit.solenoids.forEach((s, k) => need('part', s.part, `/solenoids/${k}/part`));
  unit.commonFeed.forEach((id, k) => need('part', id, `/commonFeed/${k}`));
  unit.variants.forEach((v, k) => need('part', v.part, `/variants/${k}/part`));
  blockerCycles(unit).forEach((id) =>
    report(
      `/stations/${unit.stations.findIndex((s) => s.id === id)}/blockedBy`,
      `"${id}" waits for itself`,
      'Break the circle of blockers.',
    ),
  );
  return problems.length ? problems : gearsThatFail(unit);
}

function blockerCycles(unit: UnitDefinition): string[] {
  const waits = new Map(unit.stations.map((s) => [s.id, s.blockedBy]));
  const reaches = (from: string, target: string, seen: Set<string>): boolean =>
    (waits.get(from) ?? []).some(
      (next) => next === target || (!seen.has(next) && reaches(next, target, seen.add(next))),
    );
  return unit.stations.filter((s) => reaches(s.id, s.id, new Set())).map((s) => s.id);
}

/** A healthy unit drives in every gear and in no position that has none. */
function gearsThatFail(unit: UnitDefinition): Problem[] {
  return unit.gears.flatMap((gear, k) => {
    const { outcome, ratio } = gearOutcome(unit, gear.key);
    const pointer = `/gears/${k}/apply`;
    const remedy = 'Check the elements applied, the connections and the tooth counts.';
    const drives = gear.gear !== null || gear.range === 'R';
    if (drives && outcome !== 'drive')
      return [{ pointer, message: `${gear.key} does not drive: ${outcome}`, remedy }];
    if (!drives && outcome === 'drive') return [{ pointer, message: `${gear.key} drives`, remedy }];
    const forward = ratio !== null && Math.sign(ratio) === unit.forwardSign;
    if (drives && forward === (gear.range === 'R'))
      return [{ pointer, message: `${gear.key} turns the output the wrong way`, remedy }];
    return [];
  });
}
