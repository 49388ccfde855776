import type { CataloguePoint } from './catalogue';
import type { Inspection } from './inspection';
import type { Subject } from './subjects';
import { pointWords } from './words';

/** Something looked for by its words: a thing of the unit, or one point of it. */
export interface Hit {
  subject: Subject;
  point: CataloguePoint | null;
  words: string;
}

interface Entry extends Hit {
  name: readonly string[];
  own: readonly string[];
  also: readonly string[];
}

const wordsIn = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

const indexes = new WeakMap<Inspection, readonly Entry[]>();

/** Everything with a row at some station, and what is looked at on it; what is asked of everything only by its thing. */
function indexOf(inspection: Inspection): readonly Entry[] {
  let index = indexes.get(inspection);
  if (index) return index;
  index = inspection.unit.stations.flatMap(({ id }) =>
    inspection.rows(id).flatMap((subject): Entry[] => {
      const name = wordsIn(subject.name);
      const points = [...inspection.points(subject).values()].filter(
        (p) => !p.file.of.element?.includes('*'),
      );
      return [
        { subject, point: null, words: subject.name, name, own: [], also: drawnOn(inspection, subject) },
        ...points.map((point) => ({
          subject,
          point,
          words: pointWords(subject, point),
          name,
          own: wordsIn(point.point.words),
          also: wordsIn(
            [point.point.also ?? '', ...[...point.levels.values()].map((l) => l.words)].join(' '),
          ),
        })),
      ];
    }),
  );
  indexes.set(inspection, index);
  return index;
}

/** What is recorded in a pack's own picture is found by the pack. */
function drawnOn(inspection: Inspection, subject: Subject): string[] {
  const pack = inspection.unit.elements.find(
    (e) => subject.head === 'element' && e.id === subject.ids[0],
  )?.pack;
  const drawn = (pack?.order ?? []).flatMap((_, k) => [
    inspection.subject('plate', [subject.ids[0]!, String(k)]),
    inspection.subject('face', [subject.ids[0]!, String(k), 'a']),
  ]);
  const points = drawn.flatMap((s) => (s ? [...inspection.points(s).values()] : []));
  return [...new Set(points.flatMap(({ point }) => wordsIn(`${point.words} ${point.also ?? ''}`)))];
}

/**
 * What a few typed words mean, the best first: every word begins a word of the thing's name, of the point, of its
 * answers or of the words it is also found by. A thing stands before its points; nothing typed finds nothing.
 */
export function findIn(inspection: Inspection, typed: string, most = 10): Hit[] {
  const words = wordsIn(typed);
  if (words.length === 0) return [];
  return indexOf(inspection)
    .flatMap((entry) => {
      const scores = words.map((word) => scoreOf(entry, word));
      const said = entry.point === null || scores.some((s) => s > 0 && s < IN_NAME);
      if (!said || scores.includes(0)) return [];
      return [{ entry, score: scores.reduce((a, b) => a + b, 0) - entry.name.length / 100 }];
    })
    .sort((a, b) => b.score - a.score)
    .slice(0, most)
    .map(({ entry: { subject, point, words: said } }) => ({ subject, point, words: said }));
}

const IN_NAME = 4;

/** A word of the thing's own name says most, one an answer or a by-word shares says least. */
function scoreOf({ name, own, also }: Entry, word: string): number {
  const begins = (list: readonly string[]) => list.some((w) => w.startsWith(word));
  if (begins(name)) return IN_NAME;
  if (begins(own)) return 2;
  return begins(also) ? 1 : 0;
}
