import { below } from '@/core/case';
import type { Complaint, JobState } from '@/core/case';
import { factsOf, partFact } from '@/core/facts';
import type { Fact } from '@/core/facts';
import { noFindings, noisyOr } from '@/core/inference';
import type { Likelihoods, Node, NoisyOr } from '@/core/inference';
import { reportsOf } from '@/core/roadtest';
import { gearEvidence } from './complaint';
import type { GearCode } from './complaint';
import type { Link } from './link';
import type { Model } from './model';
import { stationsReached } from './reach';

/** A fact with what it hangs on and its likelihoods, the weight applied: P^weight. */
export interface Bearing {
  fact: Fact;
  link: Link;
  absent: number;
  present: number;
}

/** What is known of a job, put to the network. */
export interface Known {
  /** A station is out: the vehicle can no longer be driven or measured. */
  opened: boolean;
  /** Stations that are out. */
  out: ReadonlySet<string>;
  complaints: Complaint[];
  codes: GearCode[];
  facts: Fact[];
  bearings: Bearing[];
  network: NoisyOr;
  likelihoods: Likelihoods;
  /** What the likelihoods were scaled by, natural log: to be added to a log of evidence. */
  logScale: number;
}

/** Networks by what the complaint adds to them: findings change numbers only, not the network. */
export type Networks = (extra: readonly Node[]) => NoisyOr;

/** `largest`: table entries a network may need. It throws TooLarge, soon, beyond. */
export function networksOf(model: Model, largest?: number): Networks {
  const compiled = new Map<string, NoisyOr>();
  return (extra) => {
    const key = JSON.stringify(extra);
    let network = compiled.get(key);
    if (!network) {
      network = noisyOr([...model.nodes, ...extra], largest);
      // The complaint seldom changes; the last few are enough.
      if (compiled.size >= 4) compiled.delete(compiled.keys().next().value!);
      compiled.set(key, network);
    }
    return network;
  };
}

/** Reads a job's record as evidence. */
export function knownOf(
  model: Model,
  link: (point: string) => Link | null,
  networks: Networks,
  state: JobState,
): Known {
  const facts = factsOf(model.unit, state, model.knowledge);
  const bearings = bearingsOf(model, link, facts);
  const complaints = reportsOf(model.unit, state);
  const codes = gearCodes(model, state);
  const out = stationsReached(model.unit, state);
  return {
    opened: out.size > 0,
    out,
    complaints,
    codes,
    facts,
    bearings,
    ...put(model, networks, bearings, complaints, codes),
  };
}

/** The network for what is told of the gears, and the likelihoods of everything that is known. */
export function put(
  model: Model,
  networks: Networks,
  bearings: readonly Bearing[],
  complaints: readonly Complaint[],
  codes: readonly GearCode[],
): Pick<Known, 'network' | 'likelihoods' | 'logScale'> {
  const gears = gearEvidence(model, complaints, codes);
  const network = networks(gears.nodes);
  const likelihoods = noFindings(network.nodes);
  let logScale = 0;
  for (const [node, absent, present] of gears.said) logScale += times(likelihoods, node, absent, present);
  for (const { link, absent, present } of bearings)
    for (const node of link.nodes) logScale += times(likelihoods, node, absent, present);
  return { network, likelihoods, logScale };
}

/** Multiplies what is said of a node into the likelihoods, keeps the larger at 1, and returns the log of what was taken out. */
function times(likelihoods: Likelihoods, node: number, absent: number, present: number): number {
  const zero = likelihoods[2 * node]! * absent;
  const one = likelihoods[2 * node + 1]! * present;
  const most = Math.max(zero, one);
  likelihoods[2 * node] = most > 0 ? zero / most : 0;
  likelihoods[2 * node + 1] = most > 0 ? one / most : 0;
  return Math.log(most);
}

/** A mechanism set off by a cause so surely shows the cause itself: a lock-up lining that is off, a filter that is blocked. */
const ALL_BUT_ITSELF = 0.94;

/**
 * The facts as evidence. The state of a part is made of everything that was read of it; what bears on the part's own
 * failing already by a point of its own is left out of it, and the rest counts only where it tells more: a lock-up lining
 * that is gone is not a failed converter besides.
 */
function bearingsOf(model: Model, link: (point: string) => Link | null, facts: readonly Fact[]): Bearing[] {
  const whole = facts.filter((f) => f.readings !== undefined);
  const bearings = facts.filter((f) => f.readings === undefined).flatMap((f) => bearingOf(link, f));
  const nodesOf = new Map<string, number[]>();
  for (const { fact, link: found } of bearings)
    for (const slot of fact.slots) nodesOf.set(slot, [...(nodesOf.get(slot) ?? []), ...found.nodes]);
  for (const fact of whole) {
    const id = fact.point.slice(fact.point.indexOf(':') + 1);
    const shows = (node: number): boolean =>
      node < model.roots.length
        ? model.roots[node]!.parts.includes(id)
        : model.nodes[node]!.parents.some((p) => p.strength > ALL_BUT_ITSELF && shows(p.index));
    const said = fact.readings!.filter((r) => nodesOf.get(r.slot)?.some(shows));
    const rest = fact.readings!.filter((r) => !said.includes(r));
    const worst = Math.max(0, ...said.map((r) => r.severity));
    if (rest.length && (worst === 0 || rest.some((r) => r.severity > worst)))
      bearings.push(...bearingOf(link, partFact(id, rest)));
  }
  return bearings;
}

function bearingOf(link: (point: string) => Link | null, fact: Fact): Bearing[] {
  const found = link(fact.point);
  const level = found?.levels[fact.level];
  if (!found || !level) return [];
  const [absent, present] = level.map((p) => Math.min(1 - 1e-4, Math.max(1e-4, p)) ** fact.weight) as [
    number,
    number,
  ];
  return [{ fact, link: found, absent, present }];
}

/** Codes about a gear's ratio that stand, each gear once. */
function gearCodes({ unit }: Model, state: JobState): GearCode[] {
  const byGear = new Map<string, GearCode>();
  for (const [id, { kind, gear }] of below(state, 'codes.list.'))
    if (kind === 'rationality' && gear && unit.gears.some((g) => g.key === gear) && !byGear.has(gear))
      byGear.set(gear, { gear, slot: `codes.list.${id}` });
  return [...byGear.values()];
}
