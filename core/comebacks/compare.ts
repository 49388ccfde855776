import type { JobState } from '@/core/case';
import { answerWords, factsOf, factWords } from '@/core/facts';
import type { Fact, FactKnowledge } from '@/core/facts';
import type { Inspection } from '@/core/inspection';

/** One point as it was found then and is found now; null: nobody looked. */
export interface Compared {
  point: string;
  /** What is looked at: "High clutch lining". */
  words: string;
  then: string | null;
  now: string | null;
  change: 'worse' | 'better' | 'same' | 'not-compared';
}

/** Facts that say the same as others (a part's state is the worst of its points), or nothing of the unit itself. */
const LEFT_OUT =
  /^(part:|spread|cloudy|milky|grey|only-hot|waded|stall-low|fused|takedown|bubbled|filter\.by\.)/;

/**
 * Both records, point by point: what was found wrong at either time, and what was looked at both times. What is worse now
 * comes first, then what was looked at once only.
 */
export function compareRecords(
  inspection: Inspection,
  knowledge: FactKnowledge,
  then: JobState,
  now: JobState,
): Compared[] {
  const facts = [then, now].map(
    (state) =>
      new Map(
        factsOf(inspection.unit, state, knowledge)
          .filter((f) => !LEFT_OUT.test(f.point) && !ofLining(inspection, f))
          .map((f) => [f.point, f] as const),
      ),
  ) as [Map<string, Fact>, Map<string, Fact>];
  const points = [...new Set([...facts[0].keys(), ...facts[1].keys()])];
  return points
    .map((point): Compared => {
      const [before, after] = [facts[0].get(point), facts[1].get(point)];
      const said = (fact: Fact | undefined) => (fact ? answerWords(inspection, fact) : null);
      return {
        point,
        words: named(factWords(inspection, (after ?? before)!)),
        then: said(before),
        now: said(after),
        change: changeOf(before, after),
      };
    })
    .filter((row) => row.change !== 'same' || bad(facts[1].get(row.point)))
    .filter(
      (row) => row.change !== 'not-compared' || bad(facts[0].get(row.point)) || bad(facts[1].get(row.point)),
    )
    .sort((a, b) => ORDER.indexOf(a.change) - ORDER.indexOf(b.change));
}

/** Single faces and bands speak for the lining of their element, which has a fact of its own. */
const ofLining = ({ catalogue }: Inspection, { point }: Fact) =>
  catalogue.point(point.split(':')[0]!)?.point.counts === 'lining';

const ORDER: readonly Compared['change'][] = ['worse', 'not-compared', 'same', 'better'];
/** Worn and more: what somebody would have acted on. */
const BAD = 2;
const bad = (fact: Fact | undefined) => (fact?.severity ?? 0) >= BAD;

function changeOf(before: Fact | undefined, after: Fact | undefined): Compared['change'] {
  if (!before || !after) return 'not-compared';
  const [x, y] = [before.severity ?? 0, after.severity ?? 0];
  if (x === y) return before.level === after.level ? 'same' : 'not-compared';
  return y > x ? 'worse' : 'better';
}

/** "Sun shell, crack: seen" without what came out. */
const named = (words: string) => words.slice(0, words.lastIndexOf(':'));
