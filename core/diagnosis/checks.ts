import type { SubjectHead } from '@/core/case';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { frictionElements, midSentence } from '@/core/unit';
import type { CheckTemplate } from './knowledge';
import { linkOf } from './model';
import type { Model } from './model';
import type { Posterior } from './posterior';

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
  /** It looks straight at the leading cause. */
  confirms: boolean;
}

/**
 * Worth of looking at the leading cause itself, bits times its probability. The model may be wrong in ways it cannot
 * know, so a cause nobody has looked at is not proven however sure the sums are.
 */
const CONFIRMATION_BITS = 1;

/** Checks not yet made, the most telling per minute first. */
export function nextChecks(model: Model, post: Posterior): NextCheck[] {
  const leader = post.probability.indexOf(Math.max(...post.probability));
  const worth = (c: NextCheck) =>
    (c.gain + (c.confirms ? CONFIRMATION_BITS * post.probability[leader]! : 0)) /
    (c.minutes + REACHING_MINUTES);
  return openChecks(model, post)
    .map((check) => ({
      ...check,
      gain: informationGain(model, post, check.point),
      confirms: looksAt(model, check.point, leader),
    }))
    .filter((c) => c.gain > 1e-4 || c.confirms)
    .sort((a, b) => worth(b) - worth(a));
}

/** Every check the unit allows and nobody has made; those on the vehicle only as long as nothing is out. */
export function openChecks(model: Model, post: Posterior): Check[] {
  const seen = new Set(post.bearings.map((b) => b.fact.point));
  return model.knowledge.causal.checks
    .flatMap((template) => pointsOf(model, template).map((p) => ({ template, ...p })))
    .filter(({ point, template }) => !seen.has(point) && !(template.onVehicle && post.opened))
    .map(({ template, point, words }) => ({ check: template.id, point, words, minutes: template.minutes }));
}

/** Added to every check for getting to it, so that a strong check is not beaten by a quick empty one. */
const REACHING_MINUTES = 10;

/** True when the check looks straight at a root, or at the mechanism it is seen by. */
export function looksAt(model: Model, point: string, r: number): boolean {
  const link = linkOf(model, point);
  const root = model.roots[r]!;
  if (!link || root.mode === 'other') return false;
  if (link.kind === 'root') return link.matches(root);
  return link.index === root.presentAs || link.index === root.behind;
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
  $s: { mark: '{s}', head: 'solenoid', all: ({ unit }) => unit.solenoids },
  $p: {
    mark: '{p}',
    head: 'part',
    all: ({ unit }) => unit.parts.map((p) => ({ id: p.id, name: `the ${midSentence(p.name)}` })),
  },
};

/** Every place a check can be made in this unit: where its point is looked at, or what its causes strike. */
function pointsOf(model: Model, template: CheckTemplate): { point: string; words: string }[] {
  const hole = /:(\$[epsg])$/.exec(template.point)?.[1];
  if (!hole) return [{ point: template.point, words: template.words }];
  const { mark, head, all } = ABOUT[hole]!;
  const inspection = inspectionOf(model.unit, catalogueOf(model.knowledge.inspection));
  const known = inspection.catalogue.point(template.point.slice(0, -hole.length - 1));
  const asked = (id: string) => {
    if (!known) return head !== 'part' || isStruck(model, id);
    const subject = inspection.subject(head, [id]);
    return subject !== null && inspection.points(subject).get(known.point.id) === known;
  };
  return all(model)
    .filter(({ id }) => asked(id))
    .map(({ id, name }) => ({
      point: template.point.replace(hole, id),
      words: template.words.replaceAll(mark, name),
    }));
}

/** A cause strikes the part itself, and none of them has a mechanism of its own to look at instead. */
function isStruck({ roots }: Model, part: string): boolean {
  const own = roots.filter((r) => r.part === part && !r.solenoid);
  return own.length > 0 && own.every((r) => r.presentAs === null);
}

/** Mutual information between the check's result and the first cause: Σ P(l) Σ P(r|l) log2 P(r|l)/P(r). */
function informationGain(model: Model, post: Posterior, point: string): number {
  const link = linkOf(model, point);
  if (!link) return 0;
  let gain = 0;
  for (const [absent, present] of Object.values(link.levels)) {
    const given = model.roots.map((root, r) => {
      const on = link.kind === 'root' ? (link.matches(root) ? 1 : 0) : post.given[r]![link.index]!;
      return on * present + (1 - on) * absent;
    });
    const total = given.reduce((sum, p, r) => sum + p * post.probability[r]!, 0);
    given.forEach((p, r) => {
      const prior = post.probability[r]!;
      if (p > 0 && prior > 0 && total > 0) gain += prior * p * Math.log2(p / total);
    });
  }
  return Math.max(0, gain);
}
