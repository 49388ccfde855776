import { below } from '@/core/case';
import type { JobState } from '@/core/case';
import type { Root } from '@/core/diagnosis';
import { knowledge } from '@/data/knowledge';
import { factsOf } from '@/core/facts';
import type { Fact } from '@/core/facts';
import { reportsOf } from '@/core/roadtest';
import { healthyTable, predict } from '@/core/suspects';
import { burningOrder } from '@/core/powerflow';
import { frictionElements } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { Answer } from './score';

/** A way to judge a failure without a model. */
export type Rule = (state: JobState) => Answer;
type Pick = (fits: (root: Root) => boolean) => Answer;

/** Plain ways of judging, as they are met at benches: each names causes of the same list the model has. */
export function plainRules(unit: UnitDefinition, roots: readonly Root[]): Record<string, Rule> {
  const among: Pick = (fits) => {
    const found = roots.filter(fits);
    return new Map(found.map((r) => [r.id, 1 / found.length]));
  };
  return {
    'the worst-looking part': (state) => worstLooking(unit, state, among),
    'what the code names': (state) => codeNames(unit, state, among),
    'rules of thumb': thumbs(unit, roots),
  };
}

function worstLooking(unit: UnitDefinition, state: JobState, among: Pick): Answer {
  const worst = factsOf(unit, state, knowledge)
    .filter((f) => (f.severity ?? 0) > 0 && f.point.includes(':'))
    .sort((a, b) => b.severity! - a.severity!)[0];
  if (!worst) return new Map();
  const target = worst.point.slice(worst.point.indexOf(':') + 1);
  return among(
    (r) =>
      r.parts.includes(target) ||
      r.gearset === target ||
      r.solenoid === target ||
      (r.element === target &&
        r.template.each === 'friction' &&
        (r.mode === 'worn-out' || r.mode === 'welded')),
  );
}

function codeNames(unit: UnitDefinition, state: JobState, among: Pick): Answer {
  const codes = below(state, 'codes.list.');
  const [first] = codes;
  if (!first) return new Map();
  const gear = unit.gears.find((g) => g.key === first[1].gear);
  return among(
    (r) =>
      r.solenoid !== null &&
      r.mode === 'electrical' &&
      (!gear || r.element === null || gear.apply.includes(r.element)),
  );
}

/** What must be at least so bad to be blamed. */
const BAD = 2;

/** A page of what builders go by, in the order they ask. */
function thumbs(unit: UnitDefinition, roots: readonly Root[]): Rule {
  const healthy = healthyTable(unit);
  const packs = frictionElements(unit).map((e) => e.id);
  const pattern = (kind: 'lost' | 'stuck', element: string) =>
    predict(unit, healthy, [{ kind, element }])
      .filter((p) => p.kind !== 'normal' && p.kind !== 'no-braking')
      .map((p) => p.gear);
  const lost = new Map(unit.elements.map((e) => [e.id, pattern('lost', e.id)]));
  const stuck = new Map(unit.elements.map((e) => [e.id, pattern('stuck', e.id)]));
  const breaks = new Map(
    unit.parts
      .filter((p) => p.splits)
      .map((p) => [
        p.id,
        predict(unit, healthy, [{ kind: 'break', part: p.id }])
          .filter((x) => x.kind !== 'normal')
          .map((x) => x.gear),
      ]),
  );
  const weakestFirst = burningOrder(unit, 'low-pressure');
  return (state) => {
    const facts = factsOf(unit, state, knowledge);
    const is = (point: string, ...levels: string[]) =>
      facts.some((f: Fact) => f.point === point && levels.includes(f.level));
    const told = reportsOf(unit, state);
    const says = (...words: string[]) =>
      new Set(told.filter((c) => c.cell.behaviours.some((b) => words.includes(b))).map((c) => c.gear));
    const wrong = says('no-drive', 'slips', 'flares', 'wrong-gear', 'skipped');
    const holding = says('binds', 'bogs', 'moves');
    const normal = new Set(
      told
        .filter((c) => c.cell.behaviours.every((b) => b === 'normal'))
        .map((c) => c.gear)
        .filter((g) => !wrong.has(g)),
    );
    /** Gears a pattern explains, less those it would spoil that are well. */
    const fit = (gears: readonly string[], seen: Set<string>) =>
      gears.filter((g) => seen.has(g)).length -
      gears.filter((g) => normal.has(g)).length -
      [...seen].filter((g) => !gears.includes(g)).length;
    const best = (table: Map<string, string[]>, seen: Set<string>) =>
      [...table].map(([id, gears]) => ({ id, fit: fit(gears, seen) })).sort((a, b) => b.fit - a.fit)[0];
    const burnt = packs.filter((e) => is(`lining:${e}`, 'burnt'));
    const bad = (id: string) => facts.some((f) => f.point === `part:${id}` && (f.severity ?? 0) >= BAD);
    const ranked: ((r: Root) => boolean)[] = [];
    const say = (fits: (r: Root) => boolean) => ranked.push(fits);
    if (is('milky', 'yes') || is('debris.water', 'some', 'heavy')) say((r) => r.id === 'water');
    if (is('converter.face:converter', 'smooth')) say((r) => r.id === 'converter:lining-unbonded');
    if (is('cloudy', 'yes') || is('converter.lining:converter', 'gone'))
      say((r) => r.part === 'converter' && r.mode === 'lining-lost');
    for (const s of unit.solenoids)
      if (is(`solenoid.resistance:${s.id}`, 'under', 'over'))
        say((r) => r.solenoid === s.id && r.mode === 'electrical');
    if (is('codes', 'electrical')) say((r) => r.mode === 'electrical' || r.mode === 'electrical-outside');
    if (is('fluid.level', 'low', 'empty')) say((r) => r.id === 'fluid-low');
    if (holding.size) {
      const on = best(stuck, holding);
      if (on && on.fit > 0) {
        const fused = is(`fused:${on.id}`, 'yes');
        say(
          (r) =>
            r.element === on.id &&
            (fused ? r.mode === 'welded' : ['held-on', 'locked', 'drags'].includes(r.mode)),
        );
      }
    }
    const system = (r: Root) =>
      'short' in r.template.effects ||
      'short-hot' in r.template.effects ||
      'filter-blocked' in r.template.effects;
    const inOrder = burnt.length > 1 && burnt.includes(weakestFirst[0]?.element ?? '');
    if (inOrder || wrong.size > unit.speeds - 1 || is('pressure.full', 'under')) {
      say((r) => system(r) && r.part !== null && bad(r.part));
      if (is('debris.fibre', 'heavy')) say((r) => r.part === 'converter' && r.mode === 'lining-lost');
      say((r) => system(r) && r.part !== 'converter');
    }
    if (wrong.size) {
      const gone = best(lost, wrong);
      const broken = best(breaks, wrong);
      if (gone && gone.fit > 0) {
        const plates = burnt.includes(gone.id) || !is(`lining:${gone.id}`, 'sound');
        const feeds = (r: Root) =>
          r.element === gone.id && ('leak:$e' in r.template.effects || 'unfed:$e' in r.template.effects);
        const path = (r: Root) => r.mode === 'path-broken' && broken?.id === r.part;
        say((r) => feeds(r) && r.part !== null && bad(r.part));
        if (broken && broken.fit > gone.fit) say(path);
        if (plates) say(feeds);
        else if (broken && broken.fit >= gone.fit) say(path);
        say(
          (r) =>
            r.element === gone.id &&
            (r.mode === 'slips' || r.mode === 'worn-out' || r.mode === 'misadjusted'),
        );
        say(feeds);
      }
    }
    for (const g of unit.gearsets)
      if (is(`planetary.pins:${g.id}`, 'blue'))
        say((r) => r.gearset === g.id && r.mode.startsWith('lubrication'));
    if (is('debris.grey-paste', 'heavy') || is('converter.paste:converter', 'heavy'))
      say((r) => r.part === 'converter' && r.mode === 'grinding');
    if (is('debris.bright-flakes', 'some', 'heavy'))
      say((r) => (r.mode === 'worn' || r.mode === 'gears-worn') && (r.part === null || bad(r.part)));
    if (says('shudder').size) say((r) => r.part === 'converter' && r.mode === 'lining-lost');
    if (says('delayed').size) say((r) => r.id === 'fluid-low' || r.mode === 'unseated');
    if (wrong.size + holding.size === 0) say((r) => r.id === 'nothing' || r.id === 'outside');
    return inTurn(roots, ranked);
  };
}

/** The first rule that names anything takes most, the next half of what is left, and so on. */
function inTurn(roots: readonly Root[], ranked: readonly ((r: Root) => boolean)[]): Answer {
  const answer = new Map<string, number>();
  let left = 1;
  for (const fits of ranked) {
    const found = roots.filter((r) => fits(r) && !answer.has(r.id));
    if (found.length === 0) continue;
    const most = left * 0.7;
    for (const r of found) answer.set(r.id, most / found.length);
    left -= most;
  }
  return answer;
}
