import type { Danger, JobState } from '@/core/case';
import { below, dangersOf, valueOf } from '@/core/case';
import type { Cause, ChainStep, Diagnosis, Ranking } from '@/core/diagnosis';
import { elementOf, midSentence } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { standingCause } from './standing-causes';

/** The finding in plain words for the customer: the technician's own where written, else drafted from the chain. */
export function findingWords(unit: UnitDefinition, state: JobState, diagnosis: Ranking): string {
  const own = valueOf(state, 'cause.words');
  if (own) return own;
  const cause = standingCause(state, diagnosis);
  if (!cause) return openWords(unit, diagnosis);
  const [first, ...rest] = cause.chain;
  // A step nobody has seen is a guess, and is said as one.
  const seen = inOneBreath(
    unit,
    rest.filter((step) => step.slots.length > 0),
  );
  const guessed = inOneBreath(
    unit,
    rest.filter((step) => step.slots.length === 0),
  );
  const failed = midSentence(first?.words ?? cause.words);
  const sentences = [
    first?.slots.length ? `What failed first: ${failed}.` : `What probably failed first: ${failed}.`,
  ];
  if (seen.length) sentences.push(`As a result ${listed(seen)}.`);
  if (guessed.length) sentences.push(`Probably ${listed(guessed)} as well; nobody has seen that yet.`);
  sentences.push(...besides(state, diagnosis));
  if (namesOtherwise(unit, state, cause)) sentences.push(CODE_ALONE);
  const behind = diagnosis.upstream.slice(0, 3).map((u) => midSentence(u.words));
  if (behind.length && cause.id === diagnosis.causes[0]!.id && diagnosis.undetermined)
    sentences.push(`What led to it is still open; possible are: ${behind.join('; ')}.`);
  else if (diagnosis.undetermined) sentences.push('We are not fully certain of the first cause and say so.');
  return sentences.join(' ');
}

/** Worth saying from here on, whatever the reason; worked out all the same, so never as a fact. */
const NEARLY_SURE = 0.97;

/** Nothing is determined: what lets go nearly for sure, what was found, and what is still possible. */
function openWords(unit: UnitDefinition, { groups, causes, upstream }: Ranking): string {
  const sure = groups.filter((g) => g.probability >= NEARLY_SURE).map((g) => midSentence(g.words));
  const found = inOneBreath(
    unit,
    (causes[0]?.chain ?? []).filter((step) => step.slots.length > 0),
  );
  // Damage that was seen is no longer merely possible: who did it is.
  const open = (upstream.length ? upstream : causes.filter((c) => c.id !== 'other')).slice(0, 3);
  return [
    'We have not yet determined what failed first.',
    ...(sure.length ? [`Most probably ${listed(sure)}.`] : []),
    ...(found.length ? [`We found: ${listed(found)}.`] : []),
    `Still possible: ${open.map((c) => midSentence(c.words)).join('; ')}.`,
    'Before we say more we want to look further.',
  ].join(' ');
}

/** What was committed as contributing: told as a fact only where somebody has seen it. */
function besides(state: JobState, { causes }: Ranking): string[] {
  const ids = valueOf(state, 'cause.commit')?.contributing ?? [];
  const others = causes.filter((c) => ids.includes(c.id));
  const seen = others.filter((c) => c.chain[0]?.slots.length).map((c) => midSentence(c.words));
  const guessed = others.filter((c) => !c.chain[0]?.slots.length).map((c) => midSentence(c.words));
  return [
    ...(seen.length ? [`Found besides: ${seen.join('; ')}.`] : []),
    ...(guessed.length ? [`Probably besides: ${guessed.join('; ')}.`] : []),
  ];
}

const CODE_ALONE =
  'The code the computer keeps says that a gear did not come as it was asked for, not why: a new solenoid alone would not cure it.';

/** A code about a gear or a shift stands, and what failed is no solenoid. */
function namesOtherwise(unit: UnitDefinition, state: JobState, cause: Cause): boolean {
  const codes = below(state, 'codes.list.').some(
    ([, { kind, cleared }]) => kind === 'rationality' && !cleared,
  );
  return codes && !unit.solenoids.some((s) => cause.id.startsWith(`${s.id}:`));
}

/** The steps of a chain as clauses; what happened alike to several elements is said once. */
function inOneBreath(unit: UnitDefinition, steps: ChainStep[]): string[] {
  const elements = new Map<string, string[]>();
  for (const { plain, element } of steps) {
    if (plain === null) continue;
    const names = elements.get(plain) ?? [];
    elements.set(plain, element === null ? names : [...names, midSentence(elementOf(unit, element).name)]);
  }
  return [...elements].map(([plain, names]) => plain.replaceAll('{e}', listed(names)));
}

/** "a", "a and b", "a, b and c". */
function listed(items: string[]): string {
  return items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`;
}

const CAUTIONS: Record<Danger, string> = {
  moves:
    'Please do not drive it, and never leave it with the engine running: it may move although Park or Neutral is selected.',
  freed:
    'It may seem to work again by itself. What stuck once and let go will stick again, without warning: please do not drive it.',
};

/** What a customer must know before anything else. */
export function cautionsFor(state: JobState): string[] {
  return dangersOf(state).map((danger) => CAUTIONS[danger]);
}

/** What could still change the price, in words: open causes and things nobody has looked at. */
export function couldChange(diagnosis: Diagnosis): string[] {
  const open = diagnosis.causes.slice(1, 4).filter((c) => c.probability > 0.05);
  return [
    ...open.map((c) => `${c.words} (${Math.round(c.probability * 100)} % likely at this point).`),
    ...diagnosis.nextChecks
      .filter((c) => c.gain > 0.05)
      .slice(0, 2)
      .map((c) => `Not yet done: ${c.words.toLowerCase()}.`),
  ];
}
