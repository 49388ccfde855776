import type { Node } from '@/core/inference';
import type { UnitDefinition } from '@/core/unit';
import { NO_EXPERIENCE } from './experience';
import type { Experience } from './experience';
import type { Knowledge } from './knowledge';
import { lookedAtTogether } from './link';
import { buildMechanisms, standsFor } from './mechanisms';
import type { Mechanism } from './mechanisms';
import { buildRoots } from './roots';
import type { Root } from './roots';
import { heardIn, signsOf } from './shows';
import type { Sign } from './shows';
import { structureOf } from './structure';
import type { Structure } from './structure';

/** Something that can be there and shows in the gears: a first cause or a mechanism. */
export interface ComplaintParent {
  node: number;
  signs: Sign[];
  heard: { strength: number; gears: Set<string> } | null;
}

/**
 * A unit's causal network. Nodes are numbered causes first, then mechanisms; any number of causes may be present, each with
 * its own prior, and every mechanism is a noisy-OR of what sets it off.
 */
export interface Model {
  unit: UnitDefinition;
  knowledge: Knowledge;
  structure: Structure;
  roots: Root[];
  mechanisms: Mechanism[];
  /** The network without the complaint. */
  nodes: Node[];
  complaintParents: ComplaintParent[];
  /** Node by mechanism id. */
  nodeOf: ReadonlyMap<string, number>;
  /** Causes one look cannot tell apart, by their numbers joined: the node of any of them being there. */
  anyOf: ReadonlyMap<string, number>;
  /** Who feeds an element, as roots. */
  feeders(element: string, kinds: readonly string[]): Root[];
}

/** Generates the network. Throws a RangeError when a template names a mechanism there is not. */
export function buildModel(
  unit: UnitDefinition,
  knowledge: Knowledge,
  experience: Experience = NO_EXPERIENCE,
): Model {
  const { causal } = knowledge;
  const structure = structureOf(unit);
  const roots = buildRoots(unit, causal, experience);
  const mechanisms = buildMechanisms(structure, causal);
  const ids = mechanisms.map((m) => m.id);
  const heads = new Set(causal.mechanisms.map((m) => m.id.split(':')[0]));
  const nodeOf = new Map(ids.map((id, k) => [id, roots.length + k]));
  const parents = mechanisms.map((): Map<number, number> => new Map());
  const join = (child: number, parent: number, strength: number) => {
    const known = parents[child]!.get(parent) ?? 0;
    parents[child]!.set(parent, 1 - (1 - known) * (1 - strength));
  };
  const checked = (name: string, of: string) => {
    if (!heads.has(name.split(':')[0])) throw new RangeError(`"${of}" names an unknown mechanism "${name}".`);
  };
  roots.forEach((root, r) => {
    for (const [name, value] of Object.entries(root.template.effects)) {
      checked(name, root.id);
      for (const id of standsFor(structure, ids, name, root.aim)) {
        const node = nodeOf.get(id);
        if (node === undefined) continue;
        const k = node - roots.length;
        join(k, r, structure.strength(value, mechanisms[k]!.element));
      }
    }
  });
  mechanisms.forEach((m, k) => {
    for (const [name, value] of Object.entries(m.template.parents)) {
      checked(name, m.id);
      for (const id of standsFor(structure, ids, name, m.aim)) {
        const node = nodeOf.get(id);
        if (node !== undefined) join(k, node, structure.strength(value, m.element));
      }
    }
  });
  const nodes: Node[] = [
    ...roots.map((r) => ({ leak: r.prior, parents: [] })),
    ...mechanisms.map((m, k) => ({
      leak: m.leak,
      parents: [...parents[k]!].map(([index, strength]) => ({ index, strength })),
    })),
  ];
  const complaintParents = [
    ...roots.map((r, node) => ({ node, template: r.template, aim: r.aim })),
    ...mechanisms.map((m, k) => ({ node: roots.length + k, template: m.template, aim: m.aim })),
  ]
    .map(({ node, template, aim }) => ({
      node,
      signs: signsOf(structure, template, aim),
      heard: heardIn(structure, template, aim),
    }))
    .filter((b) => b.signs.length > 0 || b.heard !== null);
  const kindOf = new Map(unit.parts.map((p) => [p.id, p.kind ?? '']));
  const model = {
    unit,
    knowledge,
    structure,
    roots,
    mechanisms,
    nodes,
    complaintParents,
    nodeOf,
    feeders: (element: string, kinds: readonly string[]) =>
      roots.filter(
        (r) => r.aim.elements.includes(element) && r.part !== null && kinds.includes(kindOf.get(r.part)!),
      ),
  };
  // The state of a part that can fail in more than one way is one finding, not one per way.
  const anyOf = new Map<string, number>();
  for (const together of lookedAtTogether(model))
    if (!anyOf.has(together.join()))
      anyOf.set(
        together.join(),
        nodes.push({ leak: 0, parents: together.map((index) => ({ index, strength: 1 })) }) - 1,
      );
  return { ...model, anyOf };
}
