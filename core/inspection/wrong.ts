import type { JobState } from '@/core/case';
import type { Found, Inspection } from './inspection';
import { findingWords } from './words';

/** Something that was found wrong, in a line. */
export interface WrongFinding {
  /** The row it is found in: an element for its plates and faces. */
  row: string;
  station: string | null;
  name: string;
  words: string;
  severity: number;
}

/** What a job says to whoever has the same unit on the bench again. */
export interface FoundInJob {
  number: number;
  unit: { id: string; name: string };
  customer: string;
  vehicle: string;
  complaint: string;
  closed: boolean;
  /** What failed first, as committed; null when nobody has. */
  cause: string | null;
  wrong: WrongFinding[];
}

/** What whoever comes to the unit again wants to know: worn or worse, and not merely marked. */
const WORTH_TELLING = 2;

/** What a record says was wrong, a line for each row, the worst first. Damage of the takedown has no severity: it is left out. */
export function wrongFindings(inspection: Inspection, state: JobState): WrongFinding[] {
  const rows = new Map<string, Found[]>();
  for (const found of inspection.findings(state)) {
    if ((found.judgement?.severity ?? 0) < WORTH_TELLING) continue;
    const row = rowOf(found);
    rows.set(row, [...(rows.get(row) ?? []), found]);
  }
  return [...rows]
    .map(([row, all]): WrongFinding => {
      const head = row.split('.') as ['element', string];
      const subject =
        all[0]!.subject.slot === row ? all[0]!.subject : inspection.subject(head[0], [head[1]])!;
      return {
        row,
        station: subject.station,
        name: subject.name,
        words: wordsOf(all),
        severity: Math.max(...all.map((f) => f.judgement!.severity!)),
      };
    })
    .sort((a, b) => b.severity - a.severity);
}

function rowOf({ subject }: Found): string {
  return subject.head === 'plate' || subject.head === 'face' ? `element.${subject.element!}` : subject.slot;
}

/** "face welded (2), charred (12); air test leaks": each point once, its answers with the worst first, and how often. */
function wordsOf(all: readonly Found[]): string {
  const points = new Map<string, Found[]>();
  for (const found of all)
    points.set(found.point.point.words, [...(points.get(found.point.point.words) ?? []), found]);
  return [...points]
    .map(([words, found]) => {
      const counts = new Map<string, number>();
      for (const f of found.toSorted((a, b) => b.judgement!.severity! - a.judgement!.severity!)) {
        const said = findingWords(f.point, f.finding);
        counts.set(said, (counts.get(said) ?? 0) + 1);
      }
      const answers = [...counts].map(([said, n]) => (n > 1 ? `${said} (${n})` : said)).join(', ');
      return found[0]!.point.file.id === 'part' ? answers : `${words.toLowerCase()} ${answers}`;
    })
    .join('; ');
}
