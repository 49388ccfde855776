import type { EffectStrength, Knowledge } from '@/core/diagnosis';
import { catalogueOf } from '@/core/inspection';

/** How strongly one thing leads to another. */
export interface Leads {
  words: string;
  /** P(that | this alone); null where it follows from the unit's construction. */
  strength: number | null;
  computed: string | null;
}

export interface CauseEntry {
  id: string;
  words: string;
  why: string;
  /** Share among all causes of a unit that has each once. */
  weight: number;
  leadsTo: Leads[];
  shows: string[];
}

export interface MechanismEntry {
  id: string;
  words: string;
  why: string;
  /** P(it is there with nothing that sets it off). */
  leak: number;
  from: Leads[];
  shows: string[];
}

export interface ObservationEntry {
  id: string;
  words: string;
  on: string;
  why: string;
  /** Per answer: how often where it is not there, how often where it is. */
  answers: { words: string; absent: number; present: number }[];
}

export interface KnowledgeView {
  causes: CauseEntry[];
  mechanisms: MechanismEntry[];
  observations: ObservationEntry[];
}

/** What stands in for the thing a template is about. */
const HOLES: readonly [RegExp, string][] = [
  [/\{e\}/g, 'element'],
  [/\{g\}/g, 'gearset'],
  [/\{p\}/g, 'the part'],
  [/\{s\}/g, 'the solenoid'],
  [/\{failure\}/g, 'failed'],
];

const COMPUTED: Record<Exclude<EffectStrength, number>, string> = {
  'by-pressure': 'by its margin as pressure falls',
  'by-torque': 'by its margin as torque rises',
  'by-rivals': 'by who fights whom, and who gives way',
};

const SHOWS: Record<string, string> = {
  lost: 'gears it carries are gone',
  slip: 'slips, first where its share is largest',
  stuck: 'fights where it should be open',
  drag: 'fights a little where it should be open',
  break: 'gears behind it are gone',
  short: 'slips in each gear by its least margin of pressure',
  none: 'nothing is applied',
  overload: 'slips in each gear by its least margin of torque',
  shudder: 'shudders in the gears that lock up',
  stall: 'stalls at stops',
  late: 'bites late where it starts from rest',
  'wind-up': 'binds in tight turns',
  off: 'the gears of a solenoid that never works',
  on: 'the gears of a solenoid that always works',
  limp: 'the gears of the fallback',
  astray: 'another range than the one selected',
  rough: 'rough in every gear',
  any: 'may be anything',
};

const MEASURED: Record<string, string> = {
  in: 'within limits',
  under: 'under its limit',
  over: 'over its limit',
};

/** Records that no point of the catalogue stands for. */
const RECORDS: Record<string, string> = {
  lining: 'Lining of an element',
  fused: 'Plates fused together',
  pattern: 'How the damage of a pack lies',
  dragged: 'Steels hot under sound linings',
  'stays-on': 'Does not let go in the air test',
  'code-coil': 'Code: circuit of a solenoid',
  'code-shift': 'Code: the shift of a solenoid is not seen',
  'code-lock-up': 'Code: lock-up slips',
  'code-lock-up-on': 'Code: lock-up stays on',
  'code-pressure': 'Code: pressure does not follow',
  'code-range': 'Code: range sensor',
  'code-hot': 'Code: oil too hot',
  part: 'State of a part',
  replaced: 'Part renewed before, and what that changed',
  'stall-low': 'Stall speed too low',
  waded: 'Driven through water',
  grey: 'Grey fluid',
  cloudy: 'Cloudy fluid',
  milky: 'Milky fluid',
  codes: 'Codes of the computer',
};

const filled = (words: string) => {
  const said = HOLES.reduce((w, [hole, name]) => w.replace(hole, name), words);
  return said.charAt(0).toUpperCase() + said.slice(1);
};

/** All that is held to be so, in words and figures, for whoever wants to check it. */
export function knowledgeView({ causal, inspection }: Knowledge): KnowledgeView {
  const catalogue = catalogueOf(inspection);
  const mechanismWords = (name: string): string => {
    const [head, hole] = name.split(':') as [string, string?];
    const found = causal.mechanisms.find((m) => m.id.split(':')[0] === head);
    const words = filled(found?.words ?? name);
    return hole === '@neighbours'
      ? `${words} (beside it in the drum)`
      : hole === '*'
        ? `${words} (any)`
        : words;
  };
  const leads = (effects: Record<string, EffectStrength>): Leads[] =>
    Object.entries(effects)
      .map(([name, value]) => ({
        words: mechanismWords(name),
        strength: typeof value === 'number' ? value : null,
        computed: typeof value === 'number' ? null : COMPUTED[value],
      }))
      .sort((a, b) => (b.strength ?? 1) - (a.strength ?? 1));
  const shows = (list: { as: string; with: number; when?: string }[] = []) =>
    list.map(
      (s) => `${SHOWS[s.as] ?? s.as}${s.when ? `, ${s.when} only` : ''}: ${Math.round(s.with * 100)} %`,
    );
  const total = causal.roots.reduce((sum, r) => sum + r.prior, 0);
  const pointWords = (point: string) => {
    const key = point.split(':')[0]!;
    if (key.startsWith('bubbled.'))
      return `Air test bubbles at the ${key.slice('bubbled.'.length).replaceAll('-', ' ')}`;
    if (key.startsWith('filter.by.')) return `Filter held back: ${key.slice('filter.by.'.length)}`;
    if (key.startsWith('history-')) return `History: ${key.slice('history-'.length).replaceAll('-', ' ')}`;
    const known = catalogue.point(key);
    return RECORDS[key] ?? (known ? `${known.file.words}: ${known.point.words.toLowerCase()}` : key);
  };
  return {
    causes: causal.roots
      .map((r, k) => ({
        id: `cause-${k}`,
        words: filled(r.words),
        why: r.why,
        weight: r.prior / total,
        leadsTo: leads(r.effects),
        shows: shows(r.shows),
      }))
      .sort((a, b) => b.weight - a.weight),
    mechanisms: causal.mechanisms.map((m) => ({
      id: m.id,
      words: filled(m.words),
      why: m.why,
      leak: m.leak,
      from: leads(m.parents),
      shows: shows(m.shows),
    })),
    observations: causal.observations.map((o) => {
      const known = catalogue.point(o.point.split(':')[0]!);
      return {
        id: o.point,
        words: pointWords(o.point),
        on: onWords(
          o.on,
          mechanismWords,
          (mode) => causal.roots.find((r) => (r.variant ?? r.mode) === mode)?.words,
        ),
        why: o.why,
        answers: Object.entries(o.levels).map(([level, [absent, present]]) => ({
          words:
            MEASURED[level] ?? known?.levels.get(level)?.words.toLowerCase() ?? level.replaceAll('-', ' '),
          absent,
          present,
        })),
      };
    }),
  };
}

/** What an observation tells of. */
function onWords(
  on: string,
  mechanism: (name: string) => string,
  ofMode: (mode: string) => string | undefined,
): string {
  if (!on.startsWith('root')) return mechanism(on);
  const at = on.indexOf(':');
  const head = at < 0 ? on : on.slice(0, at);
  const rest = at < 0 ? [] : on.slice(at + 1).split('|');
  if (head === 'root-feeder')
    return `What feeds the element: ${rest.map((k) => k.replaceAll('-', ' ')).join(', ')}`;
  if (head === 'root-part' && rest.length === 0) return 'Every cause that lies in the part';
  const modes = rest.map((m) => m.split(':').at(-1)!);
  return modes.map((m) => filled(ofMode(m) ?? m.replaceAll('-', ' '))).join('; ');
}
