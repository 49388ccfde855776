import {
  burningOrder,
  explainTieUp,
  margins,
  meshTorques,
  sidesOf,
  solveGear,
  turning,
} from '@/core/powerflow';
import type { Fault, GearSolution, Margin } from '@/core/powerflow';
import type { Attachment, UnitDefinition } from '@/core/unit';
import { unitWarnings } from '@/core/validation';
import { unitKnowledge } from '@/data/knowledge';

/** Nine places: more than the tolerance of the solver, few enough to read. */
const places = (v: number | null, n = 9) => (v === null ? null : Number(v.toFixed(n)));
const placesOf = (record: Record<string, number | null>) =>
  Object.fromEntries(Object.entries(record).map(([id, v]) => [id, places(v)]));

/** Everything the unit does with the faults, as JSON. Margins and burning order are those of the sound unit. */
export function unitJson(unit: UnitDefinition, faults: Fault[], torque: number | undefined): object {
  return {
    ok: true,
    unit: unit.id,
    gears: unit.gears.map((g) => gearJson(unit, solveGear(unit, g.key, faults, torque), faults)),
    ...(faults.length
      ? {
          broken: faults.flatMap((f) =>
            f.kind === 'break' ? [{ part: f.part, ...sidesOf(unit, f.part) }] : [],
          ),
        }
      : {
          margins: margins(unit).map(marginJson),
          burningOrder: {
            lowPressure: burningOrder(unit, 'low-pressure').map((m) => m.element),
            overload: burningOrder(unit, 'overload').map((m) => m.element),
          },
          warnings: unitWarnings(unit, unitKnowledge),
        }),
  };
}

function gearJson(unit: UnitDefinition, s: GearSolution, faults: Fault[]) {
  const turns = s.outcome === 'tie-up' ? [] : turning(unit, s.key, faults);
  return {
    key: s.key,
    outcome: s.outcome,
    ratio: places(s.ratio),
    elements: placesOf(s.elements),
    holding: s.holding,
    ...(s.split.length ? { split: s.split } : {}),
    coast: s.coast,
    parkPawl: s.parkPawl,
    ...(s.slipping
      ? {
          slipping: s.slipping,
          fallsTo: s.fallsTo && { outcome: s.fallsTo.outcome, ratio: places(s.fallsTo.ratio) },
        }
      : {}),
    ...(s.outcome === 'tie-up' || s.outcome === 'output-held'
      ? { fight: fightJson(unit, s.key, faults) }
      : {}),
    speeds: placesOf(s.speeds),
    turning: placesOf(Object.fromEntries(turns.map((t) => [t.id, t.speed]))),
    mesh: placesOf(meshTorques(unit, s.key, faults)),
  };
}

function fightJson(unit: UnitDefinition, key: string, faults: Fault[]) {
  const { fighting, weakest, feel, dragNm, thenDoes } = explainTieUp(
    unit,
    unit.gears.find((g) => g.key === key)!,
    faults,
  );
  return {
    fighting,
    weakest,
    feel,
    dragNm: places(dragNm, 1),
    thenDoes: thenDoes && { outcome: thenDoes.outcome, ratio: places(thenDoes.ratio) },
  };
}

function marginJson(m: Margin) {
  return {
    element: m.element,
    gear: m.gear,
    share: places(m.share),
    loadNm: places(m.loadNm, 3),
    capacityNm: places(m.capacityNm, 3),
    margin: places(m.margin, 4),
    letsGoPa: places(m.letsGoPa, 0),
    letsGoEngineNm: places(m.letsGoNm, 2),
  };
}

/** The same for people to read. */
export function unitText(unit: UnitDefinition, faults: Fault[], torque: number | undefined): string {
  const lines = [`${unit.name}: ${unit.layout}`];
  for (const fault of faults) if (fault.kind === 'break') lines.push(...sidesText(unit, fault.part));
  for (const gear of unit.gears)
    lines.push(gearText(unit, solveGear(unit, gear.key, faults, torque), faults));
  if (faults.length === 0) {
    const order = (cause: 'low-pressure' | 'overload') =>
      burningOrder(unit, cause)
        .map((m) => `${m.element} (${m.gear})`)
        .join(', ');
    lines.push('', 'Worst margins at full pressure and stock torque:');
    for (const m of burningOrder(unit, 'overload'))
      lines.push(
        `${m.element.padEnd(14)} ${m.gear.padEnd(3)} ${m.margin.toFixed(2).padStart(6)}  carries ${Math.round(m.capacityNm)} of ${Math.round(m.loadNm)} N·m; lets go below ${(m.letsGoPa / 1e5).toFixed(2)} bar or above ${Math.round(m.letsGoNm)} N·m of the engine`,
      );
    lines.push(`Burn in this order when pressure falls: ${order('low-pressure')}`);
    lines.push(`Burn in this order when torque rises: ${order('overload')}`);
    for (const w of unitWarnings(unit, unitKnowledge))
      lines.push(`Note ${w.pointer}: ${w.message}. ${w.remedy}`);
  }
  return `${lines.join('\n')}\n`;
}

function gearText(unit: UnitDefinition, s: GearSolution, faults: Fault[]): string {
  const torques = Object.entries(s.elements).map(
    ([id, t]) => `${id} ${t === null ? 'indeterminate' : t.toFixed(4)}`,
  );
  const fight = s.outcome === 'tie-up' || s.outcome === 'output-held' ? fightJson(unit, s.key, faults) : null;
  const notes = [
    s.slipping && `${s.slipping} slips`,
    fight &&
      `${fight.fighting.join(' against ')}: ${fight.feel === 'slips' ? `${fight.weakest} slips` : fight.feel}`,
    s.coast && (s.coast === 'brakes' ? 'brakes on coast' : 'freewheels'),
    s.split.length > 0 && `split not determined: ${s.split.join(', ')}`,
    s.parkPawl !== 'free' && `pawl ${s.parkPawl}`,
  ].filter(Boolean);
  const ratio = s.ratio === null ? '' : s.ratio.toFixed(6).padStart(10);
  return `${s.key.padEnd(3)} ${s.outcome.padEnd(11)} ${ratio}  ${[torques.join(', '), notes.join(', ')].filter(Boolean).join('; ')}`;
}

function sidesText(unit: UnitDefinition, part: string): string[] {
  const { member, near, away } = sidesOf(unit, part);
  const say = (list: Attachment[]) =>
    list
      .map((a) =>
        'element' in a ? a.element : 'terminal' in a ? `the ${a.terminal} end` : `${a.gear} of ${a.gearset}`,
      )
      .join(', ');
  return [`${part} divides ${member}: ${say(near)} on the near side, ${say(away)} on the far side`];
}
