import type { JobState } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { chainOf } from './chain';
import type { ChainStep } from './chain';
import { nextChecks, searched } from './checks';
import type { CheckSearch, NextCheck } from './checks';
import { CONTRADICTS, conflictsOf } from './conflict';
import { NO_EXPERIENCE } from './experience';
import type { Experience } from './experience';
import { groupsOf } from './groups';
import type { Group } from './groups';
import { judgementOf } from './judgement';
import type { Judgement } from './judgement';
import type { Knowledge } from './knowledge';
import type { CureWay } from './schema';
import { ledgerOf, sayBearing } from './ledger';
import type { Evidence, Ledger } from './ledger';
import { linker } from './link';
import { buildModel } from './model';
import type { Model } from './model';
import { knownOf, networksOf } from './posterior';
import type { Networks } from './posterior';
import { whoIsBehind } from './upstream';
import type { Behind, Upstream } from './upstream';

export interface Cause {
  id: string;
  mode: string;
  part: string | null;
  element: string | null;
  gearset: string | null;
  /** Ways to cure it, the usual one first. */
  curedBy: CureWay[];
  /** P(this is what failed first). */
  probability: number;
  /** P(this is there at all, first or not). */
  present: number;
  words: string;
  chain: ChainStep[];
  evidence: Evidence[];
}

/** What is thought of the causes, without what to look at next. */
export interface Ranking {
  /** What lets go, or does not let go, whatever the reason. */
  groups: Group[];
  causes: Cause[];
  mechanisms: { id: string; words: string; probability: number }[];
  /** No cause stands out enough to be named as the first, or the leading one only names damage. */
  undetermined: boolean;
  /** Complaint and findings cannot both be right, by anything the model knows. */
  contradictory: boolean;
  /** The findings the rest speaks against. */
  contradictions: Evidence[];
  /** Who may have done the damage the leading cause names; empty when it is a cause of its own. */
  upstream: Upstream[];
  /** Findings the leading cause does not explain. */
  unexplained: Evidence[];
}

export interface Diagnosis extends Ranking {
  nextChecks: NextCheck[];
}

/** Below this a leading cause is not called determined, nor when it is less than `AHEAD` times the second. */
export const DETERMINED_AT = 0.6;
const AHEAD = 2;
/** So many causes carry their chain and evidence. */
const EXPLAINED = 6;

/** A diagnosis in two steps: which checks tell most takes as long as all the rest, and is searched when there is time. */
export interface Ranked {
  ranking: Ranking;
  nextChecks: () => CheckSearch;
}

/** Compiles the unit's model once; each call is exact and takes milliseconds. */
export function diagnoser(
  unit: UnitDefinition,
  knowledge: Knowledge,
  experience: Experience = NO_EXPERIENCE,
  largest?: number,
): (state: JobState) => Diagnosis {
  const rank = causeRanker(unit, knowledge, experience, largest);
  return (state) => whole(rank(state));
}

/** Both steps as one: the checks are worked out when somebody reads them first. */
export function whole({ ranking, nextChecks }: Ranked): Diagnosis {
  let checks: NextCheck[] | null = null;
  return {
    ...ranking,
    get nextChecks() {
      checks ??= searched(nextChecks());
      return checks;
    },
  };
}

/** As `diagnoser`, with the next checks left for later. */
export function causeRanker(
  unit: UnitDefinition,
  knowledge: Knowledge,
  experience: Experience = NO_EXPERIENCE,
  largest?: number,
): (state: JobState) => Ranked {
  const model = buildModel(unit, knowledge, experience);
  const link = linker(model);
  const networks = networksOf(model, largest);
  const conflicts = conflictsOf(model, networks);
  return (state) => {
    const judgement = judgementOf(model, knownOf(model, link, networks, state));
    const { first } = judgement;
    const order = model.roots.map((_, r) => r).sort((a, b) => first[b]! - first[a]!);
    const [leader] = order as [number];
    const ledger = ledgerOf(model, networks, judgement);
    const ranked = order.map((r, rank) => toCause(model, judgement, r, rank < EXPLAINED ? ledger : null));
    const behind = whoIsBehind(model, networks, link, judgement, leader);
    const causes = behind?.seen ? settled(model, networks, ranked, behind) : ranked;
    const [top, next] = causes as [Cause, Cause];
    const conflict = conflicts(judgement);
    const contradictory = conflict.between > CONTRADICTS;
    const ranking = {
      groups: groupsOf(model, judgement),
      causes,
      mechanisms: model.mechanisms
        .map((m, k) => ({
          id: m.id,
          words: m.words,
          probability: judgement.marginals[model.roots.length + k]!,
        }))
        .sort((a, b) => b.probability - a.probability),
      undetermined:
        contradictory ||
        top.probability < DETERMINED_AT ||
        top.probability < AHEAD * next.probability ||
        model.roots.find((r) => r.id === top.id)!.open,
      contradictory,
      contradictions: conflict.findings,
      upstream: behind?.candidates ?? [],
      unexplained: unexplained(model, judgement, leader),
    };
    const now = behind?.seen ? behind.judgement : judgement;
    return { ranking, nextChecks: () => nextChecks(model, link, now) };
  };
}

/**
 * The leading cause names damage that was seen. Where one cause behind it stands out, that is what failed first: it takes
 * over the damage's probability in proportion, and the damage stays present as its consequence.
 */
function settled(model: Model, networks: Networks, ranked: Cause[], { judgement, damage }: Behind): Cause[] {
  const share = Math.max(...judgement.first);
  const r = judgement.first.indexOf(share);
  const [named, ...others] = ranked as [Cause, ...Cause[]];
  if (share < DETERMINED_AT || model.roots[r]!.open) return ranked;
  const first = toCause(model, judgement, r, ledgerOf(model, networks, judgement));
  const moved = named.probability * share;
  const own = others.find((c) => c.id === first.id)!;
  return [
    {
      ...first,
      probability: own.probability + moved,
      present: Math.max(own.present, own.probability + moved),
    },
    { ...named, probability: named.probability - moved, present: Math.max(named.present, damage) },
    ...others.filter((c) => c.id !== first.id),
  ].sort((a, b) => b.probability - a.probability);
}

/** With a ledger come the chain and the evidence. */
function toCause(model: Model, judgement: Judgement, r: number, ledger: Ledger | null): Cause {
  const { id, mode, part, element, gearset, words, template } = model.roots[r]!;
  return {
    id,
    mode,
    part,
    element,
    gearset,
    curedBy: template.curedBy,
    probability: judgement.first[r]!,
    present: Math.max(judgement.first[r]!, judgement.present[r]!),
    words,
    chain: ledger ? chainOf(model, judgement, r) : [],
    evidence: ledger ? ledger(r) : [],
  };
}

/** Findings far likelier when what they hang on is there, while the leading cause leaves that unlikely. */
const SPEAKS = 4;
const HELPED = 0.2;
function unexplained(model: Model, judgement: Judgement, r: number): Evidence[] {
  const marginals = judgement.given(r);
  const helped = (node: number) =>
    node === r ||
    model.nodes[node]!.parents.some(
      (p) =>
        p.strength > HELPED &&
        (p.index === r || (p.index >= model.roots.length && marginals[p.index]! > 0.4)),
    );
  return judgement.known.bearings
    .filter((b) => !b.link.told && b.present / b.absent > SPEAKS && !b.link.nodes.some(helped))
    .map((b) => ({ ...sayBearing(b), weight: Math.log(b.present / b.absent) }));
}
