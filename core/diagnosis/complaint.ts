import type { Complaint } from '@/core/case';
import type { Node } from '@/core/inference';
import { cellLogLikelihood, tellsOfGears } from '@/core/suspects';
import type { PredictionKind } from '@/core/suspects';
import type { Model } from './model';
import type { Sign } from './shows';

/** A code that names a gear whose ratio was not seen. */
export interface GearCode {
  gear: string;
  slot: string;
}

/** What is told of the gears, as part of the network: nodes that hang on it, and what is said of nodes. */
export interface GearEvidence {
  /** Appended to the model's nodes. */
  nodes: Node[];
  /** Node, likelihood [absent, present]. */
  said: [node: number, absent: number, present: number][];
}

/** A fault that is there at any heat, told with a heat all the same. */
const TOLD_WITH_HEAT = 0.55;
/** A fault that is there at one heat, met when nobody said how warm it was. */
const MET = 0.5;
/** P(a gear that does not hold its ratio sets a code for it), and P(such a code without one). */
const CODE = { set: 0.6, stray: 0.03 };
/** P(noise is told | it is there), and P(some noise is told of a gear that has none). */
const NOISE = { told: 0.9, stray: 0.03 };
/** P(what is told | what makes it likeliest): nothing ever makes a report certain. */
const CERTAIN = 0.95;
const LEAST = 0.0005;
/** Below this a fault explains nothing worth an edge. */
const EXPLAINS = 0.02;
/** Gear findings weighed apart. */
const APART = 4;
const RATIO: ReadonlySet<PredictionKind> = new Set(['neutral', 'lower', 'higher', 'slip', 'tie-up']);
/** What is felt in every gear alike: told of several, it is still one thing. */
const EVERYWHERE: ReadonlySet<string> = new Set(['shudder', 'delayed', 'stalls-at-stops', 'binds-in-turns']);

/** Everything told of one gear at one heat: grid, measured speeds and code are witnesses of one behaviour. */
interface Place {
  gear: string;
  heat: Complaint['heat'];
  cells: Complaint[];
  code: boolean;
}

/**
 * The complaint as evidence. All that is told of a gear at one heat is one finding: its likelihood for each way the gear
 * may behave is the product of its witnesses', and it is a noisy-OR of whatever makes the gear behave so. A gear told to be
 * normal speaks against everything that would show there and needs no node. A gear nobody described is no evidence.
 */
export function gearEvidence(
  model: Model,
  complaints: readonly Complaint[],
  codes: readonly GearCode[],
): GearEvidence {
  const found: GearEvidence = { nodes: [], said: [] };
  const reports: Report[] = [];
  const everywhere: Report[] = [];
  for (const place of placesOf(model, complaints, codes)) {
    const wrong = place.code || place.cells.some(complains);
    const ratios = ratiosOf(model, place, wrong);
    if (!wrong) for (const [node, ratio] of ratios) found.said.push([node, 1, Math.max(LEAST, ratio)]);
    else if (!place.code && place.cells.every(isEverywhere)) everywhere.push({ words: '', ratios });
    else reports.push({ words: wordsOf(place), ratios });
  }
  if (everywhere.length) reports.push(strongest(everywhere));
  for (const report of fewer(reports)) tells(report, found);
  noiseEvidence(model, complaints, found);
  return found;
}

/** One finding about the gears: P(told | a thing is there) ÷ P(told | all is as built), by node. */
interface Report {
  words: string;
  ratios: Map<number, number>;
}

/** What is felt in every gear alike is one thing, however many gears it is told of. */
function strongest(reports: readonly Report[]): Report {
  const ratios = new Map<number, number>();
  for (const { ratios: own } of reports)
    for (const [node, ratio] of own) {
      const known = ratios.get(node);
      if (known === undefined || Math.abs(Math.log(ratio)) > Math.abs(Math.log(known)))
        ratios.set(node, ratio);
    }
  return { words: '', ratios };
}

/**
 * Gears told in the same words are put together, the most alike first, where there are more than can be weighed apart: what
 * two faults explain only between them then counts for less. Every finding more doubles the work.
 */
function fewer(reports: readonly Report[]): Report[] {
  const list = [...reports];
  while (list.length > APART) {
    let [i, j, most] = [0, 1, -Infinity];
    list.forEach((one, a) =>
      list.slice(0, a).forEach((other, b) => {
        // Other words are put together last.
        const alike = (one.words === other.words ? 1 : 0) + alikeness(one.ratios, other.ratios);
        if (alike > most) [i, j, most] = [b, a, alike];
      }),
    );
    const ratios = new Map(list[i]!.ratios);
    for (const [node, ratio] of list[j]!.ratios) ratios.set(node, (ratios.get(node) ?? 1) * ratio);
    list.splice(j, 1);
    list.splice(i, 1, { words: list[i]!.words, ratios });
  }
  return list;
}

/** Cosine of the log-ratios: 1 where the same things explain both. */
function alikeness(a: Map<number, number>, b: Map<number, number>): number {
  const length = (m: Map<number, number>) => Math.hypot(...[...m.values()].map(Math.log));
  const dot = [...a].reduce((sum, [node, ratio]) => sum + Math.log(ratio) * Math.log(b.get(node) ?? 1), 0);
  return dot / (length(a) * length(b) || 1);
}

function placesOf(model: Model, complaints: readonly Complaint[], codes: readonly GearCode[]): Place[] {
  const places = new Map<string, Place>();
  const place = (gear: string, heat: Complaint['heat']) => {
    const key = `${gear} ${heat}`;
    const known = places.get(key) ?? { gear, heat, cells: [], code: false };
    places.set(key, known);
    return known;
  };
  for (const c of tellsOfGears(complaints))
    if (model.unit.gears.some((g) => g.key === c.gear)) place(c.gear, c.heat).cells.push(c);
  for (const { gear } of codes) {
    const told = (['any', 'hot', 'cold'] as const).find((heat) =>
      places.get(`${gear} ${heat}`)?.cells.some(complains),
    );
    place(gear, told ?? 'any').code = true;
  }
  return [...places.values()];
}

const complains = ({ cell }: Complaint) => !cell.behaviours.every((b) => b === 'normal');
const isEverywhere = ({ cell }: Complaint) => cell.behaviours.every((b) => EVERYWHERE.has(b));

const wordsOf = ({ heat, cells, code }: Place) =>
  `${heat} ${code} ${cells.map((c) => [...c.cell.behaviours].sort().join('+')).join(' ')}`;

type Fit = (kind: PredictionKind, actsLike: string | null) => number;

/** P(all that is told of the place | the gear behaves so), up to a factor that is the same for every behaviour. */
function likelihoodOf({ knowledge: { behaviour } }: Model, { gear, cells, code }: Place): Fit {
  const known = new Map<string, number>();
  return (kind, actsLike) => {
    const key = `${kind} ${actsLike ?? ''}`;
    let fit = known.get(key);
    if (fit === undefined) {
      const log = cells.reduce(
        (sum, cell) =>
          sum + cellLogLikelihood(behaviour, cell, { gear, kind, actsLike, outcome: 'drive', ratio: null }),
        0,
      );
      fit = Math.exp(log) * (code ? (RATIO.has(kind) ? CODE.set : CODE.stray) : 1);
      known.set(key, fit);
    }
    return fit;
  };
}

/** The ratios of everything that shows in the place. */
function ratiosOf(model: Model, place: Place, wrong: boolean): Map<number, number> {
  const fit = likelihoodOf(model, place);
  const normal = fit('normal', null);
  return new Map(
    showing(model, place, wrong)
      .map(({ node, ways }): [number, number] => [node, whenThere(ways, fit, normal)])
      .filter(([, ratio]) => Math.abs(ratio - 1) > 0.001),
  );
}

/** What makes the gear misbehave at this heat, and how it behaves then; a thing may show in more than one way. */
function showing(model: Model, { gear, heat }: Place, wrong: boolean): { node: number; ways: Sign[] }[] {
  const met = ({ when }: Sign) => {
    if (when === null) return heat === 'any' || !wrong ? 1 : TOLD_WITH_HEAT;
    if (heat === 'any') return MET;
    return heat === when ? 1 : 0;
  };
  return model.complaintParents.flatMap(({ node, signs }) => {
    const ways = signs
      .filter((s) => s.gear === gear)
      .map((s) => ({ ...s, strength: s.strength * met(s) }))
      .filter((s) => s.strength > 0);
    return ways.length ? [{ node, ways }] : [];
  });
}

/** Gears that misbehave: one finding that hangs on whatever would make them. */
function tells({ ratios }: Report, found: GearEvidence): void {
  // However many witnesses, a report never is more than so telling; what is less likely stays so in proportion.
  const most = Math.max(2, ...ratios.values());
  const exponent = Math.min(1, Math.log(CERTAIN / LEAST) / Math.log(most));
  const leak = CERTAIN / most ** exponent;
  const parents = [...ratios]
    .map(([index, ratio]) => ({ index, strength: (leak * (ratio ** exponent - 1)) / (1 - leak) }))
    .filter((p) => p.strength > Math.max(EXPLAINS, leak));
  if (parents.length) found.nodes.push({ leak, parents, found: true });
  // What makes the report less likely than a sound unit would stands by itself.
  for (const [node, ratio] of ratios) if (ratio < 0.98) found.said.push([node, 1, Math.max(LEAST, ratio)]);
}

/** P(told | it is there) ÷ P(told | the gear is as built): it shows in its likeliest way, or not at all. */
function whenThere(ways: readonly Sign[], fit: Fit, normal: number): number {
  const total = ways.reduce((sum, w) => sum + w.strength, 0);
  const shows = 1 - ways.reduce((spared, w) => spared * (1 - w.strength), 1);
  const told = ways.reduce((sum, w) => sum + (w.strength / total) * fit(w.kind, w.actsLike), 0);
  return 1 - shows + (shows * told) / normal;
}

/** Noise gear by gear: heard where its source works. Only where some noise was told does silence elsewhere count. */
function noiseEvidence(model: Model, complaints: readonly Complaint[], found: GearEvidence): void {
  const told = complaints.filter((c) => !c.cell.limp);
  const noisy = new Set(told.filter((c) => c.cell.noises?.length).map((c) => c.gear));
  if (noisy.size === 0) return;
  // Gears in which the same things are heard say the same thing once.
  const kinds = new Map<string, { heard: boolean; sources: { index: number; strength: number }[] }>();
  for (const gear of new Set(told.map((c) => c.gear))) {
    const sources = model.complaintParents.flatMap(({ node, heard }) =>
      heard?.gears.has(gear) ? [{ index: node, strength: heard.strength * NOISE.told }] : [],
    );
    kinds.set(`${noisy.has(gear)} ${sources.map((s) => s.index).join()}`, {
      heard: noisy.has(gear),
      sources,
    });
  }
  for (const { heard, sources } of kinds.values()) {
    if (heard) found.nodes.push({ leak: NOISE.stray, parents: sources, found: true });
    else for (const { index, strength } of sources) found.said.push([index, 1, 1 - strength]);
  }
}
