import { midSentence } from '@/core/unit';
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
const EITHER = new Intl.ListFormat('en-GB', { type: 'disjunction' });

export function groupsOf(model: Model, { marginals }: Judgement): Group[] {
  return model.mechanisms
    .flatMap((m, k): Group[] => {
      const { group } = m.template;
      return group
        ? [
            {
              id: m.id,
              words: sayAim(model.unit, group, m.aim).replaceAll('{x}', pathWords(model, m.aim.part)),
              element: m.element,
              probability: marginals[model.roots.length + k]!,
            },
          ]
        : [];
    })
    .filter((g) => g.probability > LEAST)
    .sort((a, b) => b.probability - a.probability);
}

/** The parts whose break no gear can tell apart: "sun shell, front sun or rear carrier". */
function pathWords({ structure }: Model, part: string | null): string {
  const parts = part === null ? [] : (structure.paths.get(part) ?? []);
  return EITHER.format(parts.map((p) => midSentence(p.name)));
}
