import { about, endMark } from '@/core/facts';
import type { ObservationTemplate } from './schema';
import type { Model } from './model';

/** What an observation point hangs on: nodes of the network, each with its own likelihood. */
export interface Link {
  nodes: number[];
  /** It looks straight at causes, not at a mechanism. */
  direct: boolean;
  /** A person told it: nothing has to explain it. */
  told?: true;
  levels: ObservationTemplate['levels'];
}

/** Finds the links of concrete points (`lining:high`); each is searched once. */
export function linker(model: Model): (point: string) => Link | null {
  const rootsOn = rootFinder(model);
  const known = new Map<string, Link | null>();
  const exact = new Map<string, ObservationTemplate>();
  const generic = new Map<string, ObservationTemplate>();
  for (const template of model.knowledge.causal.observations) {
    const end = endMark(template.point);
    if (end) generic.set(end.head.slice(0, -1), template);
    else exact.set(template.point, template);
  }
  return (point) => {
    let link = known.get(point);
    if (link === undefined) {
      const at = point.indexOf(':');
      const template = exact.get(point) ?? (at < 0 ? undefined : generic.get(point.slice(0, at)));
      link = template ? linkTo(model, rootsOn, template, point.slice(at + 1)) : null;
      known.set(point, link);
    }
    return link;
  };
}

function linkTo(
  model: Model,
  rootsOn: ReturnType<typeof rootFinder>,
  template: ObservationTemplate,
  target: string,
): Link | null {
  const on = about(template.on, target);
  const direct = on.startsWith('root');
  const found = direct ? rootsOn(on, target) : mechanismOn(model, on);
  const any = model.anyOf.get(found.join());
  const nodes = any === undefined ? found : [any];
  return nodes.length
    ? {
        nodes,
        direct,
        ...(template.told ? { told: true as const } : {}),
        levels: levelsOf(model, template, found, target),
      }
    : null;
}

/**
 * A set fails when one of its members does: one that is looked at by itself shows it with its share only, and one that is
 * sound leaves the others.
 */
function levelsOf(
  { roots }: Model,
  { levels }: ObservationTemplate,
  found: readonly number[],
  target: string,
): Link['levels'] {
  const members = found.map((r) => roots[r]?.parts ?? []).find((parts) => parts.indexOf(target) > 0);
  if (!members) return levels;
  const share = 1 / (members.length - 1);
  return Object.fromEntries(
    Object.entries(levels).map(([level, [absent, present]]) => [
      level,
      [absent, share * present + (1 - share) * absent],
    ]),
  );
}

/** Causes more than this are too far apart to be one thing looked at. */
const ONE_THING = 6;

/**
 * Sets of causes that one look at one thing cannot tell apart (a cracked drum leaks or parts): it shows that any of them is
 * there. What speaks of causes all over the unit (codes, a rebuild) is left to speak of each by itself.
 */
export function lookedAtTogether(model: Omit<Model, 'anyOf'>): number[][] {
  const rootsOn = rootFinder(model);
  const { parts, solenoids, elements } = model.unit;
  const targets: Record<string, readonly { id: string }[]> = { $p: parts, $s: solenoids, $e: elements };
  const looks = model.knowledge.causal.observations.flatMap(({ on, point }) => {
    const there = targets[endMark(point)?.mark ?? ''] ?? [];
    return on.startsWith('root') ? there.map(({ id }) => [about(on, id), id]) : [];
  });
  // Many points look at the same causes.
  return [...new Map(looks.map((look) => [look.join(' '), look] as const)).values()]
    .map(([on, id]) => rootsOn(on!, id!))
    .filter((nodes) => nodes.length > 1 && nodes.length <= ONE_THING);
}

function mechanismOn({ nodeOf }: Model, id: string): number[] {
  const node = nodeOf.get(id);
  return node === undefined ? [] : [node];
}

const way = ({ template, mode }: Model['roots'][number]) => template.variant ?? mode;

/**
 * Which causes are meant by `root-part[:MODE|MODE]`, `root-solenoid[:MODE]`, `root-mode:M`, `root:ID`,
 * `root-feeder:KIND|KIND` of a target.
 */
function rootFinder({ roots, feeders }: Omit<Model, 'anyOf'>): (on: string, target: string) => number[] {
  const ofPart = new Map<string, number[]>();
  const ofSolenoid = new Map<string, number[]>();
  const add = (at: Map<string, number[]>, id: string, r: number) => {
    const there = at.get(id);
    if (there) there.push(r);
    else at.set(id, [r]);
  };
  roots.forEach((root, r) => {
    for (const part of new Set(root.parts)) add(ofPart, part, r);
    if (root.solenoid) add(ofSolenoid, root.solenoid, r);
  });
  const all = [...roots.keys()];
  return (on, target) => {
    const at = on.indexOf(':');
    const [head, rest] = at < 0 ? [on, null] : [on.slice(0, at), on.slice(at + 1)];
    const wanted = rest?.split('|');
    const inWay = (r: number) => wanted?.includes(way(roots[r]!)) ?? true;
    switch (head) {
      case 'root':
        return all.filter((r) => roots[r]!.id === rest);
      case 'root-mode':
        return all.filter(inWay);
      case 'root-part':
        return (ofPart.get(target) ?? []).filter(inWay);
      case 'root-solenoid':
        return (ofSolenoid.get(target) ?? []).filter(inWay);
      default: {
        const fed = new Set(feeders(target, wanted!));
        return all.filter((r) => fed.has(roots[r]!));
      }
    }
  };
}
