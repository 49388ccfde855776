import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';
import { UserError } from './problem';

const SHORTEST = 10;
/** Of 4: at 2 a guesser needs more than a million tries for this very password. */
const WEAKEST_SCORE = 2;

const meter = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });

/** Throws a UserError 400 when a password is short, common, or little more than what is known of its owner. */
export function checkPassword(password: string, about: string[]): void {
  if (password.length < SHORTEST)
    throw new UserError(400, 'The password is too short.', `Use at least ${SHORTEST} characters.`);
  if (password.length > 200)
    throw new UserError(400, 'The password is too long.', 'Use at most 200 characters.');
  if (beyond(password, about) < LEAST_OWN || meter.check(password.slice(0, 100), about).score < WEAKEST_SCORE)
    throw new UserError(
      400,
      'This password is among the first that would be guessed.',
      'Put three or four unrelated words together.',
    );
}

/** So many characters must be something else than the owner's names. */
const LEAST_OWN = 6;

/** How many characters are left once everything that is known of the owner is taken out. */
function beyond(password: string, about: readonly string[]): number {
  const names = about.flatMap((a) => [a, ...a.split(/\W+/)]).filter((n) => n.length > 2);
  const rest = names
    .sort((a, b) => b.length - a.length)
    .reduce((text, name) => text.split(name.toLowerCase()).join(''), password.toLowerCase());
  return rest.length;
}
