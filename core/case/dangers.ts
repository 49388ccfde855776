import { valueOf } from './fold';
import type { JobState } from './fold';
import type { GridGear } from './slots';
import { HEATS } from './vocabulary';
import type { Behaviour } from './vocabulary';

/**
 * What a record says that can hurt somebody. `moves`: it drives in Park or Neutral, or otherwise when it should not.
 * `freed`: something held on that should have let go, and at times, or by now, does not.
 */
export type Danger = 'moves' | 'freed';

const HOLDS_ON: readonly Behaviour[] = ['moves', 'binds', 'bogs'];

/** Dangers of a record, by whoever told of them: what the shop could not see again is not over. */
export function dangersOf(state: JobState): Danger[] {
  const cells = Object.keys(state)
    .filter((slot) => slot.startsWith('grid.'))
    .flatMap((slot) => HEATS.flatMap((heat) => (state[slot]!.value as GridGear)[heat] ?? []));
  const says = (...words: Behaviour[]) => cells.filter((c) => c.behaviours.some((b) => words.includes(b)));
  const holding = says(...HOLDS_ON);
  const drove = valueOf(state, 'unit.checks.outcome') as { is?: unknown } | undefined;
  const gone = drove?.is === 'works' || drove?.is === 'not-reproduced';
  return [
    ...(says('moves').length ? (['moves'] as const) : []),
    ...(holding.length && (gone || holding.some((c) => c.when?.includes('intermittent')))
      ? (['freed'] as const)
      : []),
  ];
}
