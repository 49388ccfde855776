/**
 * How a shop works where builders differ: the main schools, each named by what it does, the usual one first. Slots of a job,
 * the shop's settings, what rules ask and the words on every page come from here: another policy is one entry.
 */
export const POLICIES = {
  overhaul: {
    label: 'When it is apart',
    /** Full overhaul whenever it is apart, or what the evidence names where nothing has spread. */
    choices: { targeted: 'Repair what failed', full: 'Overhaul it' },
  },
  converter: {
    label: 'Converter after metal',
    /** After metal: a replacement always or on evidence, cut open and relined in house, or kept with proof. */
    choices: {
      'on-evidence': 'Replace on evidence',
      always: 'Always replace',
      reline: 'Cut open, reline',
      keep: 'Keep with proof',
    },
  },
  solenoids: {
    label: 'Solenoids after metal',
    /** After metal: cleaned and tested, or the set renewed. */
    choices: { test: 'Clean and test', set: 'Renew the set' },
  },
  plates: {
    label: 'Plate count',
    /** Stock plate count, or frictions added in the dynamic packs. */
    choices: { stock: 'As built', added: 'One more where it fits' },
  },
  cooler: {
    label: 'Cooler after debris',
    /** Hot-flushed to a measured flow, or replaced with an in-line filter. */
    choices: { flush: 'Flush hot', replace: 'Replace, with filter' },
  },
} as const satisfies Record<string, { label: string; choices: Record<string, string> }>;

export type PolicyName = keyof typeof POLICIES;
export type Policies = { [P in PolicyName]: keyof (typeof POLICIES)[P]['choices'] };
export const POLICY_NAMES = Object.keys(POLICIES) as PolicyName[];

export const choicesOf = <P extends PolicyName>(name: P) =>
  Object.keys(POLICIES[name].choices) as Policies[P][];

/** What a choice is called. */
export const policyWords = (name: PolicyName, choice: string): string =>
  (POLICIES[name].choices as Record<string, string>)[choice] ?? choice;

/** What a shop does that has said nothing. */
export const USUAL_POLICIES = Object.fromEntries(
  POLICY_NAMES.map((name) => [name, choicesOf(name)[0]]),
) as Policies;
