import { measureOf, subjectOf } from '@/core/inspection';
import type { Catalogue, LimitKind } from '@/core/inspection';
import type { Spec, UnitDefinition } from '@/core/unit';
import type { Problem } from './problem';
import { Report } from './report';

/** What a definition is held against, beside itself. */
export interface UnitKnowledge {
  catalogue: Catalogue;
  /** Roles and kinds of parts that some cause strikes by them. */
  struckRoles: readonly string[];
  struckKinds: readonly string[];
}

/** How often a part may start trouble without being called a weak point. */
const WEAK = 1.3;

/** Gaps between a definition and what can be looked at and reasoned about. */
export function inspectionWarnings(unit: UnitDefinition, knowledge: UnitKnowledge): Problem[] {
  const report = new Report();
  kinds(unit, knowledge, report);
  failures(unit, report);
  weakPoints(unit, knowledge, report);
  limits(unit, knowledge, report);
  variants(unit, report);
  oneWays(unit, report);
  return report.problems;
}

function kinds(unit: UnitDefinition, { catalogue }: UnitKnowledge, report: Report): void {
  unit.parts.forEach((part, k) => {
    if (part.kind && catalogue.partKinds.includes(part.kind)) return;
    report.add(
      `/parts/${k}${part.kind ? '/kind' : ''}`,
      part.kind
        ? `there is no kind "${part.kind}"`
        : `"${part.id}" has no kind: nobody knows what to look at on it`,
      `Use one of: ${catalogue.partKinds.join(', ')}.`,
    );
  });
}

/** A part of a path that cannot fail can never be suspected. */
function failures(unit: UnitDefinition, report: Report): void {
  const onPath = new Set(unit.elements.flatMap((e) => [...e.feedPath, ...e.powerPath]));
  unit.parts.forEach((part, k) => {
    if (onPath.has(part.id) && !part.failure)
      report.add(
        `/parts/${k}`,
        `"${part.id}" lies in a path and has no way to fail`,
        'Say how it fails (torn, cracked, sheared …), so that it can be suspected.',
      );
  });
}

function weakPoints(unit: UnitDefinition, { struckRoles, struckKinds }: UnitKnowledge, report: Report): void {
  const reached = new Set([
    ...unit.elements.flatMap((e) => [...e.feedPath, ...(e.part ? [e.part] : [])]),
    ...unit.solenoids.map((s) => s.part),
    ...unit.parts
      .filter(
        (p) => p.splits || (p.role && struckRoles.includes(p.role)) || struckKinds.includes(p.kind ?? ''),
      )
      .map((p) => p.id),
  ]);
  unit.parts.forEach((part, k) => {
    if ((part.weakness ?? 0) > WEAK && !reached.has(part.id))
      report.add(
        `/parts/${k}/weakness`,
        `"${part.id}" is a weak point no cause can reach`,
        'Put it into a feed path, or say what hangs on its far side.',
      );
  });
}

/** Limits that are kept while building, not found on the bench. */
const SET_AT_ASSEMBLY = new Set<Spec['kind']>(['torque', 'pump-clearance']);
/** Asked of the running unit, by range and load. */
const ON_THE_CAR = new Set<Spec['kind']>(['pressure']);

function limits(unit: UnitDefinition, { catalogue }: UnitKnowledge, report: Report): void {
  const measured = new Set<string>();
  for (const { of, points } of catalogue.files)
    for (const point of points) {
      const against = measureOf(point)?.limit;
      if (against && of.unit) measured.add(against);
    }
  unit.specs.forEach((spec, k) => {
    if (SET_AT_ASSEMBLY.has(spec.kind)) return;
    if (ON_THE_CAR.has(spec.kind) && measured.has(`pressure-${spec.load ?? ''}`)) return;
    const [head, id] = spec.part
      ? (['part', spec.part] as const)
      : spec.gearset
        ? (['gearset', spec.gearset] as const)
        : spec.element
          ? (['element', spec.element] as const)
          : (['station', spec.station] as const);
    const subject = subjectOf(unit, head, [id]);
    const points = subject ? [...catalogue.pointsFor(subject.head, subject.selectors).values()] : [];
    const limit: LimitKind | string = spec.kind;
    if (!points.some(({ point }) => measureOf(point)?.limit === limit))
      report.add(
        `/specs/${k}`,
        `nobody can measure "${spec.id}": ${spec.kind} is not looked at on ${subject?.name ?? id}`,
        'Say which part, gearset or element it belongs to.',
      );
  });
}

function variants(unit: UnitDefinition, report: Report): void {
  unit.parts.forEach((part, k) => {
    if (part.variantMeasurement && !unit.variants.some((v) => v.part === part.id))
      report.add(
        `/parts/${k}/variantMeasurement`,
        `"${part.id}" has variants without what each of them measures`,
        'Add it to the variants, with a reading for each.',
      );
  });
}

/** A one-way clutch is one thing: the element, and the part that is ordered for it. */
function oneWays(unit: UnitDefinition, report: Report): void {
  const linked = new Set(unit.elements.map((e) => e.part));
  unit.elements.forEach((e, k) => {
    if (e.kind !== 'one-way' || e.part) return;
    const twin = unit.parts.find(
      (p) => p.kind === 'one-way-clutch' && !linked.has(p.id) && p.station === e.station,
    );
    if (twin)
      report.add(
        `/elements/${k}`,
        `"${e.id}" stands twice, as element and as part "${twin.id}"`,
        `Give the element the part: "part": "${twin.id}".`,
      );
  });
}
