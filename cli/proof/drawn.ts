import type { Behaviour } from '@/core/case';
import { buildModel, linker } from '@/core/diagnosis';
import type { Knowledge, Model, Sign } from '@/core/diagnosis';
import type { PredictionKind } from '@/core/suspects';
import type { UnitDefinition } from '@/core/unit';
import type { Dice } from '../dice';
import { weighted } from '../dice';
import type { Told, World } from './world';

/** P(a fault of one heat is told with it), P(the other heat is told as well). */
const HEAT_TOLD = 0.5;
const BOTH_TOLD = 0.6;
/** Words told of a gear when they are made up. */
const STRAY = 0.03;

/** Draws failures of a unit from the network itself: what it says of them can be held against what is so. */
export function drawing(unit: UnitDefinition, knowledge: Knowledge): (dice: Dice) => World {
  const model = buildModel(unit, knowledge);
  const link = linker(model);
  return (dice) => {
    const on = drawNodes(model, dice);
    const causes = model.roots.filter((_, r) => on[r]);
    const behaves = new Map<string, { shown: Sign | null }>();
    const looked = new Map<string, string | null>();
    return {
      unit,
      first: dice.pick(causes).id,
      present: causes.map((r) => r.id),
      tells: (gear) => {
        const known = behaves.get(gear) ?? { shown: shownIn(model, on, gear, dice) };
        behaves.set(gear, known);
        return tellOf(knowledge, known.shown, dice);
      },
      look: (point) => {
        const known = looked.get(point);
        if (known !== undefined) return known;
        const found = link(point);
        const there = found?.nodes.some((node) => on[node]) ?? false;
        const level = found ? drawLevel(found.levels, there, dice) : null;
        looked.set(point, level);
        return level;
      },
      noticed: () => 0.5,
    };
  };
}

/** A world with something wrong in it: worlds without are thrown away. */
function drawNodes(model: Model, dice: Dice): boolean[] {
  const causes = model.roots.length;
  let drawn: boolean[];
  do drawn = model.roots.map((r) => dice.chance(r.prior));
  while (!drawn.includes(true));
  const on: (boolean | undefined)[] = drawn;
  const draw = (node: number): boolean =>
    (on[node] ??=
      dice.chance(model.nodes[node]!.leak) ||
      model.nodes[node]!.parents.map((p) => draw(p.index) && dice.chance(p.strength)).includes(true));
  for (let node = causes; node < model.nodes.length; node++) draw(node);
  return on as boolean[];
}

/** What the gear does: of several things that show, one is told. */
function shownIn(model: Model, on: readonly boolean[], gear: string, dice: Dice): Sign | null {
  const shown = model.complaintParents
    .filter((b) => on[b.node])
    .flatMap(({ signs }) => signs.filter((s) => s.gear === gear && dice.chance(s.strength)));
  return shown.length ? dice.pick(shown) : null;
}

function tellOf({ behaviour }: Knowledge, sign: Sign | null, dice: Dice): Told {
  const cell = (kind: PredictionKind, actsLike: string | null) => {
    const words = Object.entries(behaviour[kind]) as [Behaviour, number][];
    const said = dice.chance(STRAY) ? dice.pick(words)[0] : weighted(words, dice);
    const names = actsLike !== null && (kind === 'lower' || kind === 'higher') && dice.chance(0.4);
    return { behaviours: [said], ...(names ? { actsLike } : {}) };
  };
  if (!sign) return { any: cell('normal', null) };
  const { kind, actsLike, when } = sign;
  if (when === null) return { any: cell(kind, actsLike) };
  if (!dice.chance(HEAT_TOLD)) return { any: cell(kind, actsLike) };
  const other = when === 'hot' ? 'cold' : 'hot';
  return {
    [when]: cell(kind, actsLike),
    ...(dice.chance(BOTH_TOLD) ? { [other]: cell('normal', null) } : {}),
  };
}

function drawLevel(levels: Record<string, [number, number]>, there: boolean, dice: Dice): string | null {
  const list = Object.entries(levels).map(([level, p]): [string, number] => [level, p[there ? 1 : 0]]);
  // What is stated of a level only ("yes") leaves the rest to nothing being seen.
  const total = list.reduce((sum, [, p]) => sum + p, 0);
  if (total < 0.999 && !dice.chance(total)) return null;
  return weighted(list, dice);
}
