import type { ObservationTemplate } from './knowledge';
import type { Model } from './model';

/** What an observation point hangs on: nodes of the network, each with its own likelihood. */
export interface Link {
  nodes: number[];
  /** It looks straight at causes, not at a mechanism. */
  direct: boolean;
  levels: ObservationTemplate['levels'];
}

/** Finds the links of concrete points (`lining:high`); each is searched once. */
export function linker(model: Model): (point: string) => Link | null {
  const known = new Map<string, Link | null>();
  const exact = new Map<string, ObservationTemplate>();
  const generic = new Map<string, ObservationTemplate>();
  for (const template of model.knowledge.causal.observations) {
    const hole = /^([\w.-]+):\$[epsgt]$/.exec(template.point);
    (hole ? generic : exact).set(hole ? hole[1]! : template.point, template);
  }
  return (point) => {
    let link = known.get(point);
    if (link === undefined) {
      const at = point.indexOf(':');
      const template = exact.get(point) ?? (at < 0 ? undefined : generic.get(point.slice(0, at)));
      link = template ? linkTo(model, template, point.slice(at + 1)) : null;
      known.set(point, link);
    }
    return link;
  };
}

function linkTo(model: Model, template: ObservationTemplate, target: string): Link | null {
  const on = template.on.replaceAll(/\$[epsgt]/g, target);
  const nodes = on.startsWith('root') ? rootsOn(model, on, target) : mechanismOn(model, on);
  return nodes.length ? { nodes, direct: on.startsWith('root'), levels: template.levels } : null;
}

function mechanismOn({ nodeOf }: Model, id: string): number[] {
  const node = nodeOf.get(id);
  return node === undefined ? [] : [node];
}

const way = ({ template, mode }: Model['roots'][number]) => template.variant ?? mode;

/** `root-part[:MODE|MODE]`, `root-solenoid[:MODE]`, `root-mode:M`, `root:ID`, `root-feeder:KIND|KIND`. */
function rootsOn(model: Model, on: string, target: string): number[] {
  const at = on.indexOf(':');
  const [head, rest] = at < 0 ? [on, null] : [on.slice(0, at), on.slice(at + 1)];
  const bad = head === 'root-part' && rest === null ? model.badPart.get(target) : undefined;
  if (bad !== undefined) return [bad];
  const wanted = rest?.split('|');
  const fits = (root: Model['roots'][number]) => {
    switch (head) {
      case 'root':
        return root.id === rest;
      case 'root-mode':
        return wanted!.includes(way(root));
      case 'root-part':
        return root.parts.includes(target) && (wanted?.includes(way(root)) ?? true);
      case 'root-solenoid':
        return root.solenoid === target && (wanted?.includes(way(root)) ?? true);
      default:
        return model.feeders(target, wanted!).includes(root);
    }
  };
  return model.roots.flatMap((root, r) => (fits(root) ? [r] : []));
}
