import type { Judgement } from './judgement';
import type { Model } from './model';
import { sayAim } from './say';

/** What lets go, or does not, over all the reasons it may have: told before the reasons are. */
export interface Group {
  id: string;
  words: string;
  element: string | null;
  probability: number;
}

/** Groups below this are not worth a line. */
const LEAST = 0.02;

export function groupsOf(model: Model, { marginals }: Judgement): Group[] {
  return model.mechanisms
    .flatMap((m, k): Group[] => {
      const { group } = m.template;
      return group
        ? [
            {
              id: m.id,
              words: sayAim(model.unit, group, m.aim),
              element: m.element,
              probability: marginals[model.roots.length + k]!,
            },
          ]
        : [];
    })
    .filter((g) => g.probability > LEAST)
    .sort((a, b) => b.probability - a.probability);
}
