import { buildModel, diagnoser, posteriors } from '@/core/diagnosis';
import type { Diagnosis, Knowledge, Root } from '@/core/diagnosis';
import type { UnitDefinition } from '@/core/unit';
import type { Dice } from '../dice';
import { plainRules } from './rules';
import { scoring } from './score';
import type { Answer, Score } from './score';
import { stateOf, stories } from './story';
import type { Story } from './story';
import type { World } from './world';

/** The same failures judged by the model and by plain rules, with the unit in the vehicle and with it taken apart. */
export interface Proof {
  before: Record<string, Score>;
  after: Record<string, Score>;
  /** Checks made, one after the other as proposed, until a cause was determined; and how often one was, and rightly. */
  checks: { mean: number; determined: number; right: number };
}

export const MODEL = 'the model';
/** More checks than this are not made. */
const MOST_CHECKS = 12;

/** `followed`: in so many stories of each unit the proposed checks are made. Throws what the core throws. */
export function prove(
  units: readonly UnitDefinition[],
  knowledge: Knowledge,
  worlds: (unit: UnitDefinition) => (dice: Dice) => World,
  perUnit: number,
  dice: Dice,
  followed = perUnit,
): Proof {
  const stages = { before: new Map<string, Scoring>(), after: new Map<string, Scoring>() };
  const checks = { stories: 0, made: 0, determined: 0, right: 0 };
  for (const unit of units) {
    const { roots } = buildModel(unit, knowledge);
    const diagnose = diagnoser(unit, knowledge);
    const { of: posterior } = posteriors(unit, knowledge);
    const family = familyOf(roots);
    const judges: Record<string, (state: ReturnType<typeof stateOf>) => Answer> = {
      // The verdict's own figures, without the checks it would work out besides.
      [MODEL]: (state) => {
        const { first } = posterior(state);
        return new Map(roots.map((root, k) => [root.id, first[k]!]));
      },
      ...plainRules(unit, roots),
    };
    const draw = worlds(unit);
    const tell = stories(unit, knowledge.causal);
    for (let k = 0; k < perUnit; k++) {
      const story = tell(draw(dice), dice);
      for (const stage of ['before', 'after'] as const) {
        const state = stateOf(story[stage]);
        for (const [name, judge] of Object.entries(judges)) {
          const known = stages[stage].get(name) ?? scoring();
          known.add(judge(state), story.world.first, family, name !== MODEL);
          stages[stage].set(name, known);
        }
      }
      if (k >= followed) continue;
      const end = untilCertain(diagnose, story);
      checks.stories++;
      checks.made += end.made;
      if (end.named === null) continue;
      checks.determined++;
      if (story.world.present.includes(end.named)) checks.right++;
    }
  }
  const scores = (stage: Map<string, Scoring>) =>
    Object.fromEntries([...stage].map(([name, s]) => [name, s.score()]));
  return {
    before: scores(stages.before),
    after: scores(stages.after),
    checks: {
      mean: checks.made / Math.max(1, checks.stories),
      determined: checks.determined / Math.max(1, checks.stories),
      right: checks.right / Math.max(1, checks.determined),
    },
  };
}

type Scoring = ReturnType<typeof scoring>;

/** From what was told on, the proposed check is made each time, until a cause is determined or nothing is proposed. */
function untilCertain(
  diagnose: (state: ReturnType<typeof stateOf>) => Diagnosis,
  story: Story,
): { made: number; named: string | null } {
  let values = story.before;
  const made = new Set<string>();
  for (;;) {
    const said = diagnose(stateOf(values));
    const [leader] = said.causes;
    const open = said.nextChecks.filter((c) => !made.has(c.point));
    if (!said.undetermined && !open.some((c) => c.confirms)) return { made: made.size, named: leader!.id };
    const [next] = open;
    if (!next || made.size >= MOST_CHECKS)
      return { made: made.size, named: said.undetermined ? null : leader!.id };
    made.add(next.point);
    values = { ...values, ...(story.answer(next.point) ?? {}) };
  }
}

/** What lets go, over all its reasons: an element, the pressure, the converter, a set, a bearing. */
function familyOf(roots: readonly Root[]): (cause: string) => string {
  const known = new Map(roots.map((r) => [r.id, `${familyName(r)}`]));
  return (cause) => known.get(cause) ?? cause;
}

const PRESSURE = ['short', 'short-hot', 'no-pressure', 'filter-blocked'];

function familyName(root: Root): string {
  const { effects } = root.template;
  if (root.mode === 'path-broken') return `path ${root.part}`;
  if (root.element !== null && root.aim.elements.length === 1) return root.element;
  if (root.part === 'converter') return 'converter';
  if (root.mode !== 'other' && PRESSURE.some((p) => p in effects)) return 'pressure';
  return root.gearset ?? root.part ?? root.solenoid ?? root.id;
}
