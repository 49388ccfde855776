import type { Complaint } from '@/core/case';
import { gridLogLikelihood, healthyTable, logSum, predict, tellsOfGears, thermalsOf } from '@/core/suspects';
import type { Prediction } from '@/core/suspects';
import type { UnitDefinition } from '@/core/unit';
import type { Knowledge, ObservationTemplate } from './knowledge';
import { buildMechanisms } from './mechanisms';
import type { Mechanism } from './mechanisms';
import { buildNetwork } from './network';
import type { Network } from './network';
import { buildRoots } from './roots';
import type { Root } from './roots';
import type { GridSignature } from './signature';

/** A unit's causal model: one first cause out of `roots`, mechanisms as noisy-OR of causes and each other. */
export interface Model {
  unit: UnitDefinition;
  knowledge: Knowledge;
  mechanisms: Mechanism[];
  roots: Root[];
  network: Network;
  /** What every gear of the sound unit does. */
  sound: Prediction[];
  /** Links found so far, by point. */
  links: Map<string, Link | null>;
  /** Log prior of each root, normalised. */
  logPrior: number[];
}

export function buildModel(unit: UnitDefinition, knowledge: Knowledge): Model {
  const healthy = healthyTable(unit);
  const mechanisms = buildMechanisms(unit, knowledge.causal);
  const roots = buildRoots(unit, knowledge.causal, mechanisms, healthy);
  const total = roots.reduce((sum, r) => sum + r.prior, 0);
  return {
    unit,
    knowledge,
    mechanisms,
    roots,
    network: buildNetwork(mechanisms),
    sound: predict(unit, healthy, []),
    links: new Map(),
    logPrior: roots.map((r) => Math.log(r.prior / total)),
  };
}

/** Log P(grid | root, the mechanism it hangs on absent or present), each a mixture over the ways it may show. */
export function gridGivenRoot(model: Model, root: Root, complaints: Complaint[]): [number, number] {
  if (complaints.length === 0) return [0, 0];
  const present = mixture(model, root.grid.present, complaints);
  return [root.gridOn === null ? present : mixture(model, root.grid.absent, complaints), present];
}

function mixture(model: Model, signatures: GridSignature[], complaints: Complaint[]): number {
  const table = model.knowledge.behaviour;
  return logSum(
    signatures.map((s) => {
      const fit = s.predictions
        ? gridLogLikelihood(table, complaints, s.predictions, model.sound, thermalsOf(s.grip ?? false))
        : anything(model, complaints);
      return Math.log(s.weight) + fit;
    }),
  );
}

/** A cause that is not modelled may leave a gear as it was or change it in any way: half and half. */
function anything(model: Model, complaints: Complaint[]): number {
  const table = model.knowledge.behaviour;
  const kinds = Object.values(table).filter((row) => typeof row === 'object');
  return tellsOfGears(complaints).reduce((sum, { cell }) => {
    const logs = cell.behaviours.map((b) => {
      const mean = kinds.reduce((s, row) => s + row[b], 0) / kinds.length;
      return Math.log(0.5 * table.normal[b] + 0.5 * mean);
    });
    return sum + logs.reduce((a, b) => a + b, 0) / logs.length;
  }, 0);
}

/** What an observation point hangs on, for one root: a mechanism, or whether this root is the cause. */
export type Link =
  | { kind: 'mechanism'; index: number; levels: ObservationTemplate['levels'] }
  | { kind: 'root'; matches: (root: Root) => boolean; levels: ObservationTemplate['levels'] };

/** Finds the template of a concrete point (`lining:high`) and what it hangs on; null when no template knows it. */
export function linkOf(model: Model, point: string): Link | null {
  let link = model.links.get(point);
  if (link === undefined) model.links.set(point, (link = findLink(model, point)));
  return link;
}

function findLink(model: Model, point: string): Link | null {
  const [head, target] = [point.split(':')[0]!, point.slice(point.indexOf(':') + 1)];
  for (const template of model.knowledge.causal.observations) {
    const generic = template.point.match(/^([\w.-]+):\$([epsgt])$/);
    if (generic ? generic[1] !== head || !point.includes(':') : template.point !== point) continue;
    const { levels } = template;
    const on = generic ? template.on.replaceAll(`$${generic[2]}`, target) : template.on;
    if (on === 'root-part') return { kind: 'root', matches: (r) => r.part === target, levels };
    if (on === 'root-solenoid') return { kind: 'root', matches: (r) => r.solenoid === target, levels };
    if (on.startsWith('root-mode:')) return { kind: 'root', matches: (r) => r.mode === on.slice(10), levels };
    if (on.startsWith('root:')) return { kind: 'root', matches: (r) => r.id === on.slice(5), levels };
    const index = model.mechanisms.findIndex((m) => m.id === on);
    return index < 0 ? null : { kind: 'mechanism', index, levels };
  }
  return null;
}
