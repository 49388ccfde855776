import { FIRST_STATIONS } from './blank';
import { CASE } from './lookup';
import type { Element, UnitDefinition } from './schema';

/** Takes an element out, with its own parts and its station, and out of every gear. */
export function removeElement(unit: UnitDefinition, id: string): UnitDefinition {
  const element = unit.elements.find((e) => e.id === id);
  if (!element) return unit;
  const rest = unit.elements.filter((e) => e.id !== id);
  const needed = new Set([...rest.flatMap(partsNamedBy), ...partsNamedElsewhere(unit)]);
  const belonging = unit.parts.filter((p) => p.element === id).map((p) => p.id);
  const own = [...partsNamedBy(element), ...belonging].filter((p) => !needed.has(p));
  return tidy({
    ...unit,
    elements: rest,
    gears: unit.gears.map((g) => ({ ...g, apply: g.apply.filter((e) => e !== id) })),
    solenoids: unit.solenoids.map(({ element: sets, ...s }) =>
      sets && sets !== id ? { ...s, element: sets } : s,
    ),
    parts: unit.parts.filter((p) => !own.includes(p.id)),
  });
}

function partsNamedBy(e: Element): string[] {
  const single = [e.drumPart, e.part].filter((p) => p !== undefined);
  return [...e.feedPath, ...e.powerPath, ...(e.liningParts ?? []), ...single];
}

/** Parts that solenoids, bearings, limits, variants and the common feed name. */
function partsNamedElsewhere(unit: UnitDefinition): string[] {
  const named = [...unit.solenoids, ...unit.bearings, ...unit.specs, ...unit.variants, unit.converter];
  return [...unit.commonFeed, ...named.flatMap((x) => (x.part ? [x.part] : []))];
}

/** Takes a gearset out, with what only it needed. */
export function removeGearset(unit: UnitDefinition, id: string): UnitDefinition {
  const needed = new Set([...unit.elements.flatMap(partsNamedBy), ...partsNamedElsewhere(unit)]);
  return tidy({
    ...unit,
    parts: unit.parts.filter((p) => p.gearset !== id || needed.has(p.id)),
    gearsets: unit.gearsets.filter((g) => g.id !== id),
    specs: unit.specs.map(({ gearset, ...s }) => (gearset && gearset !== id ? { ...s, gearset } : s)),
  });
}

/** Drops what nothing refers to any more: members without a gear or element, stations of their own left empty. */
export function tidy(unit: UnitDefinition): UnitDefinition {
  const used = new Set([
    unit.input,
    unit.output,
    ...unit.elements.flatMap((e) => [e.a, e.b]),
    ...unit.gearsets.flatMap((s) =>
      s.kind === 'mesh' ? [s.first.member, s.second.member] : [s.sun.member, s.ring.member, s.carrier],
    ),
  ]);
  const partIds = new Set(unit.parts.map((p) => p.id));
  const elementIds = new Set(unit.elements.map((e) => e.id));
  const gearsetIds = new Set(unit.gearsets.map((g) => g.id));
  const parts = unit.parts.map((part) => {
    const { splits, ...plain } = part;
    if (plain.takesAlong) plain.takesAlong = plain.takesAlong.filter((id) => partIds.has(id));
    const likes = plain.mistakenFor?.filter((id) => partIds.has(id));
    if (likes?.length) plain.mistakenFor = likes;
    else delete plain.mistakenFor;
    if (!partIds.has(plain.soldAs ?? '')) delete plain.soldAs;
    if (!elementIds.has(plain.element ?? '')) delete plain.element;
    if (!gearsetIds.has(plain.gearset ?? '')) delete plain.gearset;
    const away = splits?.away.filter((a) =>
      'element' in a ? elementIds.has(a.element) : 'gearset' in a ? gearsetIds.has(a.gearset) : true,
    );
    return splits && used.has(splits.member) && away!.length
      ? { ...plain, splits: { ...splits, away: away! } }
      : plain;
  });
  const bearings = unit.bearings.filter((b) => [b.a, b.b].every((id) => id === CASE || used.has(id)));
  const filled = new Set(
    [...parts, ...unit.elements, ...unit.gearsets, ...bearings, ...unit.sensors, ...unit.specs].map(
      (x) => x.station,
    ),
  );
  const stations = unit.stations.filter((s) => FIRST_STATIONS.has(s.id) || filled.has(s.id));
  const stationIds = new Set(stations.map((s) => s.id));
  return {
    ...unit,
    members: unit.members.filter((m) => used.has(m.id)),
    bearings,
    specs: unit.specs.map(({ element, ...s }) =>
      element && elementIds.has(element) ? { ...s, element } : s,
    ),
    sensors: unit.sensors.map(({ member, ...s }) => (member && used.has(member) ? { ...s, member } : s)),
    parts,
    stations: stations.map((s, k) => ({
      ...s,
      order: k + 1,
      blockedBy: s.blockedBy.filter((id) => stationIds.has(id)),
    })),
  };
}
