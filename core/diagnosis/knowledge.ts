import type { FactKnowledge } from '@/core/facts';
import type { BehaviourTable } from '@/core/suspects';

/** Probability of an effect: a number, or computed from torque margins. */
export type EffectStrength = number | 'by-pressure' | 'by-torque';

/** One for each of these: `$e` in an id stands for an element with a lining, `$g` for a planetary set. */
export type MechanismScope = 'friction' | 'gearset';

export interface MechanismTemplate {
  id: string;
  each?: MechanismScope;
  /** Never seen itself: a chain passes through it without naming it. */
  silent?: true;
  /** P(present) when nothing causes it. */
  leak: number;
  words: string;
  /** The same for a customer, in the past tense; `{e}` takes one element or a list of them. */
  plain: string;
  /** Mechanism → P(this | that). `burnt:*` stands for all of that name. */
  parents: Record<string, EffectStrength>;
}

export type RootScope =
  'once' | 'part' | 'feed-part' | 'split-part' | 'solenoid' | 'one-way' | 'friction' | 'gearset';
export type SignatureKind =
  'pressure' | 'torque' | 'weak' | 'break' | 'lost' | 'stuck' | 'converter' | 'solenoid' | 'none' | 'unknown';

export interface RootTemplate {
  mode: string;
  each: RootScope;
  id?: string;
  /** For `part`: the roles it strikes. */
  roles?: string[];
  /** For `part`: the kinds it strikes. */
  kinds?: string[];
  role?: 'shift' | 'pressure' | 'lock-up';
  /** Relative frequency, before anything is known. */
  prior: number;
  effects: Record<string, EffectStrength>;
  /** The mechanism that shows this cause is there, first or not. */
  presentAs?: string;
  /** It names what is wrong without saying why: never called determined. */
  open?: true;
  /** The damage it names, which something else must have set off: a mechanism. */
  behind?: string;
  signature: SignatureKind;
  words: string;
}

export interface ObservationTemplate {
  point: string;
  /** A mechanism, or `root-part`, `root-solenoid`, `root-mode:M`, `root:ID`; `$p` and its like as in the point. */
  on: string;
  /** Level → [P(level | absent), P(level | present)]. */
  levels: Record<string, [number, number]>;
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
  format: 'pelvik-causal/1';
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
