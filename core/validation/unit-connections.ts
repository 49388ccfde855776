import { attachmentsOf, gearOutcome } from '@/core/powerflow';
import { CASE } from '@/core/unit';
import type { Element, UnitDefinition } from '@/core/unit';
import type { Problem } from './problem';
import { Report } from './report';

/** With more than this many, what holds and what freewheels takes too long to try. */
const MOST_ONE_WAYS = 8;

/** Whether what is joined makes sense: members, elements, split parts, pistons, solenoids, blockers. */
export function connectionProblems(unit: UnitDefinition): Problem[] {
  const report = new Report();
  members(unit, report);
  gearsets(unit, report);
  unit.elements.forEach((element, k) => elementProblems(unit, element, `/elements/${k}`, report));
  splits(unit, report);
  chart(unit, report);
  blockers(unit, report);
  if (report.problems.length === 0) circles(unit, report);
  return report.problems;
}

function members(unit: UnitDefinition, report: Report): void {
  if (unit.input === unit.output)
    report.add('/output', 'input and output are one member', 'Name two members.');
  unit.members.forEach((m, k) => {
    if (attachmentsOf(unit, m.id).length === 0)
      report.add(
        `/members/${k}`,
        `"${m.id}" is connected to nothing`,
        'Name it in a gearset or an element, or remove it.',
      );
  });
  if (!reached(unit).has(unit.output))
    report.add(
      '/output',
      'nothing leads from the input to the output',
      'Connect them through gearsets and elements.',
    );
}

/** Members that gearsets and elements join to the input, however they are applied. */
function reached(unit: UnitDefinition): Set<string> {
  const groups = [
    ...unit.gearsets.map((s) =>
      s.kind === 'mesh' ? [s.first.member, s.second.member] : [s.sun.member, s.ring.member, s.carrier],
    ),
    ...unit.elements.map((e) => [e.a, e.b]),
  ].map((ids) => ids.filter((id) => id !== CASE));
  const seen = new Set([unit.input]);
  for (let grown = true; grown; ) {
    grown = false;
    for (const group of groups) {
      if (!group.some((id) => seen.has(id))) continue;
      for (const id of group) grown = !seen.has(id) || grown;
      group.forEach((id) => seen.add(id));
    }
  }
  return seen;
}

function gearsets(unit: UnitDefinition, report: Report): void {
  unit.gearsets.forEach((set, k) => {
    const at = `/gearsets/${k}`;
    const ids =
      set.kind === 'mesh'
        ? [set.first.member, set.second.member]
        : [set.sun.member, set.ring.member, set.carrier];
    if (new Set(ids).size < ids.length)
      report.add(
        at,
        'has one member in two places: it would turn as one piece',
        'Name a member of its own for each.',
      );
    if (set.kind === 'mesh') {
      if (set.idlerTeeth && set.mesh !== 'idler')
        report.add(
          `${at}/idlerTeeth`,
          'stands in a pair without an idler',
          'Set "mesh" to "idler" or leave the idler out.',
        );
      return;
    }
    if (set.carrier === CASE)
      report.add(`${at}/carrier`, 'a carrier fixed to the case is a pair of gears', 'Enter a mesh instead.');
    if (set.ring.teeth <= set.sun.teeth)
      report.add(`${at}/ring/teeth`, 'the ring has no more teeth than the sun', 'Check the tooth counts.');
    const needed = set.planets === 'single' ? 1 : 2;
    if (set.pinions?.teeth && set.pinions.teeth.length !== needed)
      report.add(
        `${at}/pinions/teeth`,
        `a ${set.planets} set has ${needed} tooth count${needed > 1 ? 's' : ''} here`,
        'Give inner and outer for a pair, one otherwise.',
      );
  });
}

function elementProblems(unit: UnitDefinition, element: Element, at: string, report: Report): void {
  const { a, b, kind, pack, band } = element;
  if (a === b) report.add(`${at}/b`, 'joins a member to itself', 'Name two members, or the case.');
  if (a === CASE) report.add(`${at}/a`, 'the case stands second', 'Exchange a and b.');
  if ((kind === 'brake' || kind === 'band') !== (b === CASE) && kind !== 'one-way' && kind !== 'dog')
    report.add(
      `${at}/kind`,
      b === CASE ? 'a clutch to the case is a brake' : `a ${kind} holds a member to the case`,
      b === CASE ? 'Make it a brake.' : 'Make it a clutch, or name the case as b.',
    );
  if (band && kind !== 'band')
    report.add(`${at}/band`, `a ${kind} has no band`, 'Make it a band, or remove this.');
  if (pack && kind !== 'clutch' && kind !== 'brake')
    report.add(`${at}/pack`, `a ${kind} has no plates`, 'Make it a clutch or brake, or remove this.');
  if ((pack || band) && element.feedPath.length === 0)
    report.add(
      `${at}/feedPath`,
      'is applied by oil, yet nothing feeds it',
      'List the parts its oil passes, from its valve to its piston seals.',
    );
  if (!pack) return;
  if (pack.order.filter((p) => p === 'friction').length !== pack.frictions)
    report.add(
      `${at}/pack/order`,
      'the order does not hold as many frictions as stated',
      'Make `order` and `frictions` agree.',
    );
  if (pack.outerDiameter <= pack.innerDiameter)
    report.add(
      `${at}/pack/outerDiameter`,
      'is not larger than the inner diameter',
      'Check the two diameters.',
    );
  const turning = pack.centrifugal;
  if (turning && !(turning.outerRadius > turning.innerRadius && turning.innerRadius >= turning.feedRadius))
    report.add(
      `${at}/pack/centrifugal`,
      'the radii are not in order',
      'Outer, inner and feed radius get smaller in this order.',
    );
  pack.secondArea?.gears.forEach((key, k) => {
    if (!unit.gears.find((g) => g.key === key)?.apply.includes(element.id))
      report.add(
        `${at}/pack/secondArea/gears/${k}`,
        `${key} does not apply this element`,
        'Name gears of its own chart.',
      );
  });
}

function splits(unit: UnitDefinition, report: Report): void {
  unit.parts.forEach((part, k) => {
    if (!part.splits) return;
    const at = `/parts/${k}/splits/away`;
    const here = attachmentsOf(unit, part.splits.member).map((a) => JSON.stringify(a));
    const away = part.splits.away.map((a) =>
      JSON.stringify('gearset' in a ? { gearset: a.gearset, gear: a.gear } : a),
    );
    away.forEach((a, i) => {
      if (!here.includes(a))
        report.add(
          `${at}/${i}`,
          `does not hang on "${part.splits!.member}"`,
          'List elements, gears and shaft ends of that member.',
        );
    });
    if (new Set(away).size >= here.length)
      report.add(at, 'everything would hang on the far side', 'Leave out what stays on the near side.');
  });
}

function chart(unit: UnitDefinition, report: Report): void {
  const oneWays = unit.elements.filter((e) => e.kind === 'one-way').length;
  if (oneWays > MOST_ONE_WAYS)
    report.add(
      '/elements',
      `holds ${oneWays} one-way clutches, more than ${MOST_ONE_WAYS}`,
      'Leave out those outside the ratio path.',
    );
  const indexes = unit.solenoids.flatMap((s) => (s.shiftIndex === undefined ? [] : [s.shiftIndex]));
  const wanted = indexes.length ? Math.max(...indexes) + 1 : 0;
  unit.gears.forEach((gear, k) => {
    const at = `/gears/${k}`;
    if (gear.range !== gear.key[0])
      report.add(`${at}/range`, `is not the first letter of "${gear.key}"`, 'Key D2 belongs to range D.');
    if (new Set(gear.apply).size < gear.apply.length)
      report.add(`${at}/apply`, 'names an element twice', 'Name each element once.');
    gear.apply.forEach((id, i) => {
      if (unit.elements.find((e) => e.id === id)?.kind === 'one-way')
        report.add(
          `${at}/apply/${i}`,
          `"${id}" is a one-way clutch: nothing applies it`,
          'Leave it out; it holds by itself.',
        );
    });
    if (gear.solenoids && gear.solenoids.length !== wanted)
      report.add(
        `${at}/solenoids`,
        `has ${gear.solenoids.length} states for ${wanted} shift solenoids`,
        'Give one state for each shiftIndex.',
      );
  });
}

/** Gears in a circle whose ratios do not agree lock each other before any element is applied. */
function circles(unit: UnitDefinition, report: Report): void {
  const bare: UnitDefinition = { ...unit, elements: [] };
  if (gearOutcome(bare, unit.gears[0]!.key).outcome !== 'tie-up') return;
  // The set without which the rest turns closes the circle.
  const at = unit.gearsets.findIndex((_, k) => {
    const gearsets = unit.gearsets.filter((_, i) => i !== k);
    return gearOutcome({ ...bare, gearsets }, unit.gears[0]!.key).outcome !== 'tie-up';
  });
  report.add(
    at < 0 ? '/gearsets' : `/gearsets/${at}`,
    'the gearsets lock each other: a circle of gears whose ratios do not agree, with nothing applied',
    'Free one of the gears by giving it a member of its own, or correct the tooth counts.',
  );
}

function blockers(unit: UnitDefinition, report: Report): void {
  const stations = new Map(unit.stations.map((s) => [s.id, s]));
  const reaches = (from: string, target: string, seen: Set<string>): boolean =>
    (stations.get(from)?.blockedBy ?? []).some(
      (next) => next === target || (!seen.has(next) && reaches(next, target, seen.add(next))),
    );
  unit.stations.forEach((s, k) => {
    const at = `/stations/${k}/blockedBy`;
    if (reaches(s.id, s.id, new Set()))
      report.add(at, `"${s.id}" waits for itself`, 'Break the circle of blockers.');
    else
      s.blockedBy.forEach((id, i) => {
        if (stations.get(id)!.order > s.order)
          report.add(
            `${at}/${i}`,
            `"${id}" comes out later than "${s.id}"`,
            'Change the order, or the blocker.',
          );
      });
  });
}
