import {
  array,
  conditions,
  either,
  literal,
  map,
  number,
  numberWithin,
  oneOf,
  optional,
  pair,
  plainName,
  said,
  shape,
  string,
  text,
} from '@/core/format';
import type { Of } from '@/core/format';

const name = string({ pattern: '^[a-z][\\w.:$*-]{0,79}$' });
/** More than never, at most always. */
const share = numberWithin({ exclusiveMinimum: 0, maximum: 1 });
/** Why it is held to be so, for whoever reads the knowledge. */
const why = said(
  'why it is held to be so, for whoever reads the knowledge',
  string({ minLength: 12, maxLength: 240 }),
);

/** Probability of an effect: a number, or computed from torque margins, times a number. */
const effectStrength = either(number(0, 1), oneOf(['by-pressure', 'by-torque', 'by-rivals']));
export type EffectStrength = Of<typeof effectStrength>;

/**
 * What a mechanism is there for each of: `$e` stands for an element with a lining (`friction`), one that oil applies (`fed`)
 * or any element, `$g` for a planetary set or gear pair, `$x` for a way the power path can open, `$s` for a solenoid.
 */
const MECHANISM_SCOPES = ['friction', 'fed', 'element', 'gearset', 'path', 'solenoid'] as const;
export type MechanismScope = (typeof MECHANISM_SCOPES)[number];

/**
 * How something shows in the gears: computed from the unit, never stated per gear. `lost` carries nothing; `slip` lets go
 * first where the element's share is largest; `stuck` carries always; `drag` fights a little where `stuck` would fight;
 * `break` opens the path; `short` slips what has the least margin; `none` leaves no pressure at all; `overload` slips what
 * has the least margin against torque; `shudder` and `stall` are lock-up's; `late` bites late where a gear starts from rest;
 * `wind-up` binds in tight turns, where the element drives a second axle;
 * `off` and `on` are a shift solenoid's two ends; `limp` is the electronics' fallback; `astray` gives the wrong range;
 * `rough` is felt in every gear; `any` may be anything.
 */
const SHOW_KINDS = [
  'lost',
  'slip',
  'stuck',
  'drag',
  'break',
  'short',
  'none',
  'overload',
  'shudder',
  'stall',
  'late',
  'wind-up',
  'off',
  'on',
  'limp',
  'astray',
  'rough',
  'any',
] as const;
export type ShowKind = (typeof SHOW_KINDS)[number];

const shows = shape({
  as: oneOf(SHOW_KINDS),
  with: said('P(it shows | it is there), where the unit shows it at all', share),
  when: optional(said('At this heat only; absent: at any', oneOf(['hot', 'cold']))),
});
export type Shows = Of<typeof shows>;

/** What mechanisms and causes have in common. */
const behaving = {
  shows: optional(array(shows, { minItems: 1 })),
  noise: optional(
    said('P(heard | it is there), in the gears in which its part, set or bearing works', share),
  ),
};
export type Behaving = Pick<MechanismTemplate, 'shows' | 'noise'>;

const mechanism = shape({
  id: name,
  each: optional(oneOf(MECHANISM_SCOPES)),
  silent: optional(said('Never seen itself: a chain passes through it without naming it', literal(true))),
  leak: said('P(present) when nothing causes it', number(0, 1)),
  words: text(200),
  plain: said(
    'The same for a customer, in the past tense; {e} takes one element or a list of them',
    text(200),
  ),
  parents: said(
    'Mechanism → P(this | that); burnt:* stands for all of that name, burnt:@neighbours for the elements in the same drum',
    map(effectStrength),
  ),
  ...behaving,
  group: optional(
    said('What lets go, as a group over its causes: words for it; {x} takes the parts of a path', text(200)),
  ),
  why,
});
export type MechanismTemplate = Of<typeof mechanism>;

const ROOT_SCOPES = [
  'once',
  'part',
  'element-part',
  'feed-part',
  'split-part',
  'bearing',
  'solenoid',
  'one-way',
  'friction',
  'band',
  'gearset',
] as const;

/**
 * What a way of curing a cause takes: a part (`$p`: the cause's own), the parts of a role or group, an operation, fluid, or
 * something outside the unit. `action` is the least that must be done with a part; replacing where none is said.
 */
const cureLine = shape(
  {
    part: optional(said('$p: the cause’s own', string({ pattern: '^\\$p$' }))),
    role: optional(text(80)),
    group: optional(string({ pattern: '^[a-z-]+(:(\\$[epg]|[a-z-]+))?$' })),
    operation: optional(text(80)),
    supply: optional(literal('fluid')),
    outside: optional(string({ pattern: '^outside-[a-z-]{1,60}$' })),
    name: optional(text(200)),
    action: optional(oneOf(['clean', 'measure', 'machine', 'reline', 'replace', 'upgrade'])),
  },
  { minProperties: 1 },
);
export type CureLine = Of<typeof cureLine>;

/** One way to cure a cause: it works when all its lines are done. */
const cureWay = shape({
  by: array(cureLine, { maxItems: 8 }),
  works: said(
    'P(it does not come back within the warranty | done)',
    numberWithin({ exclusiveMinimum: 0, exclusiveMaximum: 1 }),
  ),
  when: optional(
    said('Facts under which it is the usual way: point=level|level', array(conditions, { minItems: 1 })),
  ),
});
export type CureWay = Of<typeof cureWay>;

const root = shape({
  mode: name,
  each: oneOf(ROOT_SCOPES),
  id: optional(name),
  variant: optional(
    said(
      'One way among several of the same mode: it stands in the id instead, and observations may name it',
      name,
    ),
  ),
  roles: optional(said('For a part: the roles it strikes', array(name, { minItems: 1 }))),
  kinds: optional(said('For parts: the kinds it strikes', array(plainName, { minItems: 1 }))),
  role: optional(oneOf(['shift', 'pressure', 'lock-up'])),
  feeds: optional(said('For a feed: of more elements than this, or at most this', oneOf(['few', 'many']))),
  sets: optional(
    said(
      'For a solenoid: it sets one element by itself, or shifts by a pattern',
      oneOf(['element', 'pattern']),
    ),
  ),
  prior: said(
    'Relative frequency, before anything is known',
    numberWithin({ exclusiveMinimum: 0, maximum: 10 }),
  ),
  effects: map(effectStrength),
  ...behaving,
  open: optional(said('It names what is wrong without saying why: never called determined', literal(true))),
  behind: optional(said('The damage it names, which something else must have set off: a mechanism', name)),
  words: text(200),
  curedBy: said(
    'Ways to cure it; the first whose facts hold is the usual one',
    array(cureWay, { minItems: 1, maxItems: 6 }),
  ),
  why,
});
export type RootTemplate = Of<typeof root>;

const observation = shape({
  point: name,
  on: said(
    'A mechanism; or causes: root-part[:MODE], root-solenoid[:MODE], root-mode:M, root:ID, root-feeder:KIND|KIND (what feeds the element); $p and its like as in the point',
    text(80),
  ),
  levels: said('Level → [P(level | absent), P(level | present)]', map(pair(share), { minProperties: 1 })),
  told: optional(said('A person told it: no cause is wrong for leaving it unexplained', literal(true))),
  why: said('Why it speaks of that, and how far', text(400)),
});
export type ObservationTemplate = Of<typeof observation>;

const check = shape({
  id: name,
  point: name,
  minutes: numberWithin({ exclusiveMinimum: 0, maximum: 600 }),
  words: text(200),
  onVehicle: optional(said('It needs the unit in the vehicle, and whole', literal(true))),
});
export type CheckTemplate = Of<typeof check>;

/** `data/knowledge/causal.json`. */
export const causalSchema = shape({
  format: literal('pelvik-causal/2'),
  note: optional(text(2000)),
  rate: said('Expected number of first causes in a unit that comes in: how rare a second one is', share),
  mechanisms: array(mechanism, { minItems: 1 }),
  roots: array(root, { minItems: 1 }),
  observations: array(observation),
  checks: array(check),
  failureWords: map(text(60)),
});
export type CausalKnowledge = Of<typeof causalSchema>;
