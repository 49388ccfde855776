import type { JobState } from '@/core/case';
import type { Found, Inspection } from '@/core/inspection';
import { isBought, isByCustom } from '@/core/scope';
import type { Scope, ScopeRules } from '@/core/scope';
import { midSentence } from '@/core/unit';

/** How good a part of the shelf is: nothing found on it, or marked and still good. */
export type ShelfGrade = 'sound' | 'usable';

/** One part of a donor core, as the inspection leaves it. */
export interface DonorPart {
  part: string;
  name: string;
  station: string;
  /** Null: it does not go on the shelf, for what `words` says. */
  grade: ShelfGrade | null;
  /** What speaks for or against it. */
  words: string;
  /** Points that were looked at on it, and how many there are. */
  seen: number;
  points: number;
}

export interface Donor {
  /** Water is looked for before anything else: it reaches what cannot be seen. */
  water: 'unseen' | 'none' | 'seen';
  parts: DonorPart[];
}

/**
 * What of a donor core is worth keeping. What a full overhaul would renew for a reason of its own is not; what nobody has
 * looked at is not; nothing is before somebody has looked for water. `scope` is that of a full overhaul.
 */
export function donorParts(
  { shelf }: ScopeRules,
  inspection: Inspection,
  scope: Scope,
  state: JobState,
): Donor {
  const found = inspection.findings(state);
  const water = waterIn(found, scope);
  const condemned = new Map(
    [...scope.lines, ...scope.removed]
      .filter((l) => l.kind === 'part' && isBought(l.action))
      .flatMap((l) => {
        const reason = l.reasons.find((r) => !isByCustom(r) && isBought(r.action));
        return reason ? [[l.of, reason.words] as const] : [];
      }),
  );
  const parts = inspection.unit.parts
    .filter((p) => shelf.kinds.includes(p.kind ?? '') && p.soldAs === undefined && p.price !== undefined)
    .map((part): DonorPart => {
      const own = found.filter((f) => f.subject.part === part.id && f.judgement !== null);
      const subject = inspection.subject('part', [part.id]);
      const points = subject ? inspection.points(subject).size : 0;
      const seen = new Set(own.map((f) => f.point.point.id)).size;
      const all = Math.max(points, seen);
      const [grade, words] = gradeOf(own, condemned.get(part.id), water, seen === all);
      const { id, name, station } = part;
      return { part: id, name, station, grade, words, seen, points: all };
    });
  return { water, parts };
}

function waterIn(found: readonly Found[], scope: Scope): Donor['water'] {
  if (scope.spread.some((s) => s.kind === 'water')) return 'seen';
  return found.some((f) => f.subject.slot === 'unit.debris' && f.point.point.id === 'water')
    ? 'none'
    : 'unseen';
}

/** The point that judges a part as a whole. */
const WHOLE = 'condition';

function gradeOf(
  own: readonly Found[],
  condemned: string | undefined,
  water: Donor['water'],
  everything: boolean,
): [ShelfGrade | null, string] {
  if (condemned !== undefined) return [null, condemned];
  if (own.length === 0) return [null, 'Nobody has looked at it'];
  if (water === 'unseen') return [null, 'Nobody has looked for water yet'];
  const marked = own.filter((f) => (f.judgement!.severity ?? 0) > 0);
  if (marked.length > 0)
    return ['usable', `Marked: ${midSentence(marked.map((f) => f.point.point.words).join(', '))}`];
  if (water === 'seen') return ['usable', 'Nothing found; look for rust'];
  if (!everything && !own.some((f) => f.point.point.id === WHOLE))
    return ['usable', `Only looked at: ${midSentence(own.map((f) => f.point.point.words).join(', '))}`];
  return ['sound', 'Nothing found'];
}
