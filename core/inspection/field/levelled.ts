import type { Field } from '../schema';
import type { Kind, Levels } from './kind';

/** What all kinds share that are answered with one word of a list. */
export function levelled<F extends Field>(own: Pick<Kind<F>, 'levels' | 'underConditions'>): Kind<F> {
  return {
    levelled: true,
    again: true,
    saysItself: false,
    value: (_, levels, otherwise) => ({ enum: [...levels.keys(), ...otherwise] }),
    judge: (_, levels, { finding: { is } }) => {
      const level = typeof is === 'string' ? levels.get(is) : undefined;
      return level ? { level: level.id, severity: level.severity } : null;
    },
    words: (_, is, say) => (typeof is === 'string' ? say(is).toLowerCase() : ''),
    remedy: (_, levels) => `Use one of: ${[...levels.keys(), 'cannot-tell', 'takedown'].join(', ')}.`,
    cell: (_, levels) => levelsCell(levels),
    ...own,
  };
}

/** Words with how bad each is: "`clean` 0, `grey` 1". */
export function levelsCell(levels: Levels): string {
  return [...levels.values()]
    .map((l) => (l.severity === undefined ? `\`${l.id}\`` : `\`${l.id}\` ${l.severity}`))
    .join(', ');
}
