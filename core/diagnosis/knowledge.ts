import type { FactKnowledge } from '@/core/facts';
import type { BehaviourTable } from '@/core/suspects';

/** Probability of an effect: a number, or computed from torque margins, times a number. */
export type EffectStrength = number | 'by-pressure' | 'by-torque' | 'by-rivals';

/**
 * What a mechanism is there for each of: `$e` stands for an element with a lining (`friction`), one that oil applies (`fed`)
 * or any element, `$g` for a planetary set or gear pair, `$x` for a way the power path can open, `$s` for a solenoid.
 */
export type MechanismScope = 'friction' | 'fed' | 'element' | 'gearset' | 'path' | 'solenoid';

/**
 * How something shows in the gears: computed from the unit, never stated per gear. `lost` carries nothing; `slip` lets go
 * first where the element's share is largest; `stuck` carries always; `drag` fights a little where `stuck` would fight;
 * `break` opens the path; `short` slips what has the least margin; `none` leaves no pressure at all; `overload` slips what
 * has the least margin against torque; `shudder` and `stall` are lock-up's; `late` bites late where a gear starts from rest;
 * `wind-up` binds in tight turns, where the element drives a second axle;
 * `off` and `on` are a shift solenoid's two ends; `limp` is the electronics' fallback; `astray` gives the wrong range;
 * `rough` is felt in every gear; `any` may be anything.
 */
export type ShowKind =
  | 'lost'
  | 'slip'
  | 'stuck'
  | 'drag'
  | 'break'
  | 'short'
  | 'none'
  | 'overload'
  | 'shudder'
  | 'stall'
  | 'late'
  | 'wind-up'
  | 'off'
  | 'on'
  | 'limp'
  | 'astray'
  | 'rough'
  | 'any';

export interface Shows {
  as: ShowKind;
  /** P(it shows | it is there), where the unit shows it at all. */
  with: number;
  /** At this heat only; absent: at any. */
  when?: 'hot' | 'cold';
}

/** What mechanisms and causes have in common. */
export interface Behaving {
  shows?: Shows[];
  /** P(heard | it is there), in the gears in which its part, set or bearing works. */
  noise?: number;
}

export interface MechanismTemplate extends Behaving {
  id: string;
  each?: MechanismScope;
  /** Never seen itself: a chain passes through it without naming it. */
  silent?: true;
  /** P(present) when nothing causes it. */
  leak: number;
  /** Why it is held to be so. */
  why: string;
  words: string;
  /** The same for a customer, in the past tense; `{e}` takes one element or a list of them. */
  plain: string;
  /**
   * Mechanism → P(this | that). `burnt:*` stands for all of that name, `burnt:@neighbours` for the elements in the same
   * drum.
   */
  parents: Record<string, EffectStrength>;
  /** What lets go, as a group over its causes: words for the group; `{x}` takes the parts of a path. */
  group?: string;
}

export type RootScope =
  | 'once'
  | 'part'
  | 'element-part'
  | 'feed-part'
  | 'split-part'
  | 'bearing'
  | 'solenoid'
  | 'one-way'
  | 'friction'
  | 'band'
  | 'gearset';

/**
 * What a way of curing a cause takes: a part (`$p`: the cause's own), the parts of a role or group, an operation, fluid, or
 * something outside the unit. `action` is the least that must be done with a part; replacing where none is said.
 */
export interface CureLine {
  part?: string;
  role?: string;
  group?: string;
  operation?: string;
  supply?: 'fluid';
  outside?: string;
  name?: string;
  action?: 'clean' | 'measure' | 'machine' | 'reline' | 'replace' | 'upgrade';
}

/** One way to cure a cause: it works when all its lines are done. */
export interface CureWay {
  by: CureLine[];
  /** P(it does not come back within the warranty | done). */
  works: number;
  /** Facts under which it is the usual way: `point=level|level`. */
  when?: string[];
}

export interface RootTemplate extends Behaving {
  mode: string;
  each: RootScope;
  id?: string;
  /** One way among several of the same mode: it stands in the id instead, and observations may name it. */
  variant?: string;
  /** For `part`: the roles it strikes. */
  roles?: string[];
  /** For parts: the kinds it strikes. */
  kinds?: string[];
  role?: 'shift' | 'pressure' | 'lock-up';
  /** For `feed-part`: feeds more elements than this, or at most this. */
  feeds?: 'few' | 'many';
  /** For `solenoid`: it sets one element by itself, or shifts by a pattern. */
  sets?: 'element' | 'pattern';
  /** Relative frequency, before anything is known. */
  prior: number;
  effects: Record<string, EffectStrength>;
  /** It names what is wrong without saying why: never called determined. */
  open?: true;
  /** Ways to cure it, the usual one first. */
  curedBy: CureWay[];
  /** The damage it names, which something else must have set off: a mechanism. */
  behind?: string;
  /** Why it is held to be so. */
  why: string;
  words: string;
}

export interface ObservationTemplate {
  point: string;
  /**
   * A mechanism; or causes: `root-part[:MODE]`, `root-solenoid[:MODE]`, `root-mode:M`, `root:ID`, `root-feeder:KIND|KIND`
   * (what feeds the element). `$p` and its like as in the point.
   */
  on: string;
  /** Level → [P(level | absent), P(level | present)]. */
  levels: Record<string, [number, number]>;
  /** Why it speaks of that, and how far. */
  why: string;
}

export interface CheckTemplate {
  id: string;
  point: string;
  minutes: number;
  words: string;
  /** It needs the unit in the vehicle, and whole. */
  onVehicle?: true;
}

/** `data/knowledge/causal.json`. */
export interface CausalKnowledge {
  format: 'pelvik-causal/2';
  /** Expected number of first causes in a unit that comes in; how rare a second one is. */
  rate: number;
  mechanisms: MechanismTemplate[];
  roots: RootTemplate[];
  observations: ObservationTemplate[];
  checks: CheckTemplate[];
  failureWords: Record<string, string>;
}

export interface Knowledge extends FactKnowledge {
  causal: CausalKnowledge;
  behaviour: BehaviourTable;
}
