import type { SubjectHead } from '@/core/case';
import { endMark } from '@/core/facts';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { frictionElements, midSentence } from '@/core/unit';
import { judge } from './first';
import type { Judgement } from './judgement';
import type { CheckTemplate } from './schema';
import type { Link } from './link';
import type { Model } from './model';
import type { Known } from './posterior';
import { reachOf } from './reach';

/** Something still to be looked at. */
export interface Check {
  check: string;
  point: string;
  words: string;
  minutes: number;
}

/** A check with what it would tell. */
export interface NextCheck extends Check {
  /** Expected information about the first cause, bits. */
  gain: number;
  /** Minutes of taking apart before it can be made. */
  reach: number;
  /** It looks straight at the leading cause. */
  confirms: boolean;
  /** What may come out, the likeliest first. */
  results: CheckResult[];
}

/** What a check may show, and what would then be thought. */
export interface CheckResult {
  level: string;
  /** P(it comes out so | findings). */
  chance: number;
  /** The causes then likeliest to have been first, and those that are now. */
  then: { id: string; probability: number }[];
}

type FindLink = (point: string) => Link | null;

/**
 * Worth of looking at the leading cause itself, bits times its probability. The model may be wrong in ways it cannot
 * know, so a cause nobody has looked at is not proven however sure the sums are.
 */
const CONFIRMATION_BITS = 1;
/** Added to every check for getting started, so that a strong check is not beaten by a quick empty one. */
const STARTING_MINUTES = 10;
/** A check made under conditions that let it say less than this share is worth making again. */
const WEAK = 0.6;
/** So many are sure to be the best; a check that can tell less at best is not worth proposing. */
const SHOWN = 5;
const LEAST_BITS = 1e-3;
/** A check on the vehicle that tells at least so much comes before any that needs the unit out. */
const BEFORE_REMOVAL_BITS = 0.02;

/** A search that may be left off after each check it weighed; what it found is its return value. */
export type CheckSearch = Generator<void, NextCheck[]>;

/** The search in one go. */
export function searched(search: CheckSearch): NextCheck[] {
  let step = search.next();
  while (!step.done) step = search.next();
  return step.value;
}

/**
 * Checks not yet made, the most telling per minute first; with the unit in the vehicle those that can be made there, as
 * long as one of them tells something.
 */
export function* nextChecks(model: Model, link: FindLink, judgement: Judgement): CheckSearch {
  const leader = judgement.first.indexOf(Math.max(...judgement.first));
  const reach = reachOf(model.unit, judgement.known);
  const worth = (c: NextCheck) =>
    (c.gain + (c.confirms ? CONFIRMATION_BITS * judgement.first[leader]! : 0)) /
    (c.minutes + c.reach + STARTING_MINUTES);
  const bounds = openChecks(model, link, judgement.known)
    .map((check) => {
      const confirms = looksAt(model, link, check.point, leader);
      const gain = mostInformation(judgement, link(check.point)!);
      return { ...check, reach: reach(check).minutes, confirms, gain, results: [] };
    })
    .filter((c) => c.gain > LEAST_BITS || c.confirms);
  const most = (candidates: readonly NextCheck[]) => mostTelling(model, link, judgement, candidates, worth);
  if (judgement.known.opened) return yield* most(bounds);
  const before = yield* most(bounds.filter((c) => reach(c).onVehicle));
  return before.some((c) => c.gain >= BEFORE_REMOVAL_BITS) ? before : yield* most(bounds);
}

/**
 * The first few of the candidates. No check tells more about the causes than about what it looks at, so they are worked out
 * in the order of that bound, which is their `gain` here, until no other can come among the first few.
 */
function* mostTelling(
  model: Model,
  link: FindLink,
  judgement: Judgement,
  candidates: readonly NextCheck[],
  worth: (check: NextCheck) => number,
): CheckSearch {
  const checks: NextCheck[] = [];
  for (const check of [...candidates].sort((a, b) => worth(b) - worth(a))) {
    const shown = checks[SHOWN - 1];
    if (shown && worth(check) < worth(shown)) break;
    const outcomes = outcomesOf(model, judgement, link(check.point)!);
    const gain = information(judgement, outcomes);
    yield;
    if (gain <= LEAST_BITS && !check.confirms) continue;
    checks.push({ ...check, gain, results: resultsOf(model, judgement, outcomes) });
    checks.sort((a, b) => worth(b) - worth(a));
  }
  return checks;
}

/** Every check the unit allows that nobody has made, or only weakly; those on the vehicle only as long as it is whole. */
export function openChecks(model: Model, link: FindLink, known: Known): Check[] {
  const made = new Set(known.bearings.filter((b) => b.fact.weight >= WEAK).map((b) => b.fact.point));
  return model.knowledge.causal.checks
    .flatMap((template) => pointsOf(model, template).map((p) => ({ template, ...p })))
    .filter(({ point, template }) => !made.has(point) && !(template.onVehicle && known.opened) && link(point))
    .map(({ template, point, words }) => ({ check: template.id, point, words, minutes: template.minutes }));
}

/** True when the check looks straight at a cause, or at the damage it names. */
export function looksAt(model: Model, link: FindLink, point: string, r: number): boolean {
  const found = link(point);
  const root = model.roots[r]!;
  if (!found || root.mode === 'other') return false;
  if (found.nodes.includes(r)) return true;
  // A mechanism that the cause all but equals: a lock-up lining that is off, plates that are fused.
  return model.nodes[found.nodes[0]!]?.parents.some((p) => p.index === r && p.strength > 0.94) ?? false;
}

/** What a check's point can be about, by the mark it ends with. */
const ABOUT: Record<
  string,
  { mark: string; head: SubjectHead; all: (model: Model) => { id: string; name: string }[] }
> = {
  $e: {
    mark: '{e}',
    head: 'element',
    all: ({ unit }) => frictionElements(unit).map((e) => ({ id: e.id, name: midSentence(e.name) })),
  },
  $g: {
    mark: '{g}',
    head: 'gearset',
    all: ({ unit }) => unit.gearsets.map((g) => ({ id: g.id, name: midSentence(g.name) })),
  },
  $s: {
    mark: '{s}',
    head: 'solenoid',
    all: ({ unit }) => unit.solenoids.map((s) => ({ id: s.id, name: `the ${midSentence(s.name)}` })),
  },
  $p: {
    mark: '{p}',
    head: 'part',
    all: ({ unit }) => unit.parts.map((p) => ({ id: p.id, name: `the ${midSentence(p.name)}` })),
  },
};

/** `lining` of `lining:`. */
const kindOf = (head: string) => head.replace(/:$/, '');

/** Every place a check can be made in this unit: where its point is looked at, or what its causes strike. */
function pointsOf(model: Model, template: CheckTemplate): { point: string; words: string }[] {
  const end = endMark(template.point);
  if (!end) return [{ point: template.point, words: template.words }];
  const { mark, head, all } = ABOUT[end.mark]!;
  const inspection = inspectionOf(model.unit, catalogueOf(model.knowledge.inspection));
  const known = inspection.catalogue.point(kindOf(end.head));
  // A filter is cut, a converter opened: they are not just looked at.
  const ownCheck = (id: string) =>
    model.knowledge.causal.checks.some((c) => {
      const own =
        endMark(c.point)?.mark === '$p' ? inspection.catalogue.point(kindOf(endMark(c.point)!.head)) : null;
      const subject = own && inspection.subject('part', [id]);
      return own && subject && inspection.points(subject).get(own.point.id) === own;
    });
  const asked = (id: string) => {
    if (!known)
      return head !== 'part' || (model.roots.some((r) => r.part === id && !r.solenoid) && !ownCheck(id));
    const subject = inspection.subject(head, [id]);
    return subject !== null && inspection.points(subject).get(known.point.id) === known;
  };
  return all(model)
    .filter(({ id }) => asked(id))
    .map(({ id, name }) => ({
      point: end.head + id,
      words: template.words.replaceAll(mark, name),
    }));
}

const xlog = (p: number, q: number) => (p > 0 ? p * Math.log2(q) : 0);

/** No check tells more about the causes than about what it looks at: I(result; node), bits. */
function mostInformation({ marginals }: Judgement, link: Link): number {
  return link.nodes.reduce((sum, node) => {
    const on = marginals[node]!;
    return (
      sum +
      Object.values(link.levels).reduce((bits, [absent, present]) => {
        const total = on * present + (1 - on) * absent;
        return bits + xlog(on * present, present / total) + xlog((1 - on) * absent, absent / total);
      }, 0)
    );
  }, 0);
}

/** One way a check may come out: P(it does), and P(first) then. */
interface Outcome {
  level: string;
  chance: number;
  then: Float64Array;
}

/** Every way a check may come out. Exact. */
function outcomesOf(
  model: Model,
  { first, marginals, known, assuming, logEvidence }: Judgement,
  link: Link,
): Outcome[] {
  const [node] = link.nodes;
  if (link.nodes.length > 1) {
    // A result that bears on several causes at once: each level is tried.
    const outcomes = Object.entries(link.levels).map(([level, [absent, present]]) => {
      const said = Float64Array.from(known.likelihoods);
      for (const k of link.nodes) {
        said[2 * k] = said[2 * k]! * absent;
        said[2 * k + 1] = said[2 * k + 1]! * present;
      }
      const judged = judge(known.network, said, model.roots.length);
      return { level, then: judged.first, chance: Math.exp(judged.logEvidence - logEvidence) };
    });
    const total = outcomes.reduce((sum, l) => sum + l.chance, 0);
    return outcomes.map((o) => ({ ...o, chance: o.chance / total }));
  }
  const on = marginals[node!]!;
  if (on <= 0 || on >= 1) return [];
  const there = assuming(node!);
  const gone = first.map((p, r) => Math.max(0, (p - on * there[r]!) / (1 - on)));
  return Object.entries(link.levels).map(([level, [absent, present]]) => {
    const [a, b] = [on * present, (1 - on) * absent];
    return { level, chance: a + b, then: first.map((_, r) => (a * there[r]! + b * gone[r]!) / (a + b)) };
  });
}

/** Mutual information between the check's result and the first cause: Σ P(l) Σ P(r|l) log2 P(r|l)/P(r). */
function information({ first }: Judgement, outcomes: readonly Outcome[]): number {
  return outcomes.reduce((bits, { then, chance }) => bits + chance * divergence(then, first), 0);
}

/** So many causes are named of what would then be thought, and of what is thought now. */
const NAMED = 4;

function resultsOf({ roots }: Model, { first }: Judgement, outcomes: readonly Outcome[]): CheckResult[] {
  const leading = (p: Float64Array) =>
    roots
      .map((_, r) => r)
      .sort((a, b) => p[b]! - p[a]!)
      .slice(0, NAMED);
  const now = leading(first);
  const total = outcomes.reduce((sum, o) => sum + o.chance, 0);
  return outcomes
    .map(({ level, chance, then }) => ({
      level,
      chance: chance / total,
      then: [...new Set([...leading(then), ...now])]
        .map((r) => ({ id: roots[r]!.id, probability: then[r]! }))
        .sort((a, b) => b.probability - a.probability),
    }))
    .sort((a, b) => b.chance - a.chance);
}

function divergence(then: Float64Array, before: Float64Array): number {
  return Math.max(
    0,
    then.reduce((sum, p, r) => sum + xlog(p, p / before[r]!), 0),
  );
}
