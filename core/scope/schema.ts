import { SCOPE_ACTIONS } from '@/core/case';
import {
  array,
  conditions,
  literal,
  map,
  oneOf,
  optional,
  plainName,
  said,
  shape,
  string,
  text,
} from '@/core/format';
import type { Of } from '@/core/format';

export type ScopeAction = (typeof SCOPE_ACTIONS)[number];

/** How a transmission can be put right, or not: each makes an option of the quote. */
export const REPAIRS = ['targeted', 'full', 'upgrade', 'exchange', 'none'] as const;
export type Repair = (typeof REPAIRS)[number];

const name = plainName;
/** A name that may hold a mark (`$p`). */
const marked = string({ pattern: '^[a-z][\\w:$*-]{0,79}$' });
const when = array(conditions, { minItems: 1 });
const action = oneOf(SCOPE_ACTIONS);
const group = string({
  pattern:
    '^(always|all-linings|bonded-pistons|dynamic-linings|(lining|steels|drum|seals):\\$e|with:\\$p|solenoid:\\$s|(set|bushings-at):\\$g|kind:[a-z-]{1,40})$',
});

/** What a rule puts into the scope: a part, a group of parts, an operation, or something outside the unit. */
const ruleLine = shape(
  {
    part: optional(said('$p: the part the rule is about', text(80))),
    role: optional(said('Every part of a role', text(80))),
    group: optional(group),
    operation: optional(said('The operation of a role', marked)),
    outside: optional(marked),
    name: optional(text(200)),
    action: optional(action),
    onTheShop: optional(literal(true)),
    supply: optional(literal('fluid')),
    done: optional(said('Only what of the operation is done already', literal(true))),
  },
  { minProperties: 1 },
);
export type RuleLine = Of<typeof ruleLine>;

const scopeRule = shape({
  id: marked,
  firm: optional(said('No policy switches it off', literal(true))),
  custom: optional(said('It asks for the same in every repair: it calls for none', literal(true))),
  repairs: optional(
    said(
      'What it is for; the repairs of what is inside where none is said',
      array(oneOf(REPAIRS), { minItems: 1, uniqueItems: true }),
    ),
  ),
  when,
  lines: array(ruleLine, { minItems: 1 }),
  reason: text(200),
});
export type ScopeRule = Of<typeof scopeRule>;

/** Work that follows from what is done with parts. */
const workRule = shape({
  id: name,
  kinds: optional(
    said('Parts of any of these kinds or roles; of any where neither is said', array(name, { minItems: 1 })),
  ),
  roles: optional(array(name, { minItems: 1 })),
  actions: array(action, { minItems: 1 }),
  operation: said('The operation of a role', name),
  each: optional(said('Once for every part, not once in all', literal(true))),
  reason: text(200),
});

const because = array(shape({ when, reason: text(200) }), { minItems: 1 });
/** When a repair is offered. */
const repairRule = shape({
  repair: oneOf(REPAIRS),
  unless: optional(said('Any of these bars it: all patterns of one hold', because)),
  onlyFor: optional(said('It is offered for one of these only', because)),
});
export type RepairRule = Of<typeof repairRule>;

const point = string({ pattern: '^[a-z][a-z.-]{0,79}$' });
const shown = shape({ point, levels: array(name, { minItems: 1 }) });
const proof = shape({ point, levels: array(name, { minItems: 1 }), words: text(80) });

/** `data/policies/scope-rules.json`. */
export const scopeRulesSchema = shape({
  format: literal('pelvik-scope-rules/2'),
  note: optional(text(2000)),
  rules: array(scopeRule),
  work: array(workRule, { minItems: 1 }),
  repairs: array(repairRule, { minItems: 5 }),
  spread: said(
    'What can go through the whole unit: the point and its levels that show it in a lining',
    map(shown),
  ),
  proof: said(
    'What has to be shown before a converter is kept although something went through it',
    array(proof, { minItems: 1 }),
  ),
  outsideUnit: said(
    'Parts that an exchange unit does not bring along',
    shape({ kinds: array(name), roles: array(name) }),
  ),
  opened: said(
    'What is not used twice where a place was opened, and what is chosen by size when a pack is set',
    shape({ renewed: array(name), selective: array(name), reason: text(200), chosen: text(200) }),
  ),
  shelf: said(
    'Kinds of parts that are worth keeping of a donor core',
    shape({ kinds: array(text(60), { minItems: 1, uniqueItems: true }), reason: text(300) }),
  ),
});
export type ScopeRules = Of<typeof scopeRulesSchema>;
