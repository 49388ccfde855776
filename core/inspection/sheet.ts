import type { Finding, JobState } from '@/core/case';
import { stationsInOrder } from '@/core/unit';
import type { CataloguePoint } from './catalogue';
import { measureOf } from './field';
import type { Found, Inspection } from './inspection';
import { limitOf } from './limits';
import type { Subject } from './subjects';
import { findingWords, measureWords } from './words';

/** One column of a table of findings; every finding has the same, whatever its point. */
export interface SheetColumn {
  key: string;
  read: (found: Found, inspection: Inspection, state: JobState) => string | number | boolean | undefined;
}

const stationOf = ({ subject }: Found, { unit }: Inspection) =>
  unit.stations.find((s) => s.id === subject.station)?.name;
const numberOf = ({ point }: Found) => measureOf(point.point);
/** What goes with a finding, under its own name. */
const kept = (key: Exclude<keyof Finding, 'is'>): SheetColumn => ({
  key,
  read: ({ finding }) => finding[key],
});

/** The columns of a job's findings as a table, for a spreadsheet: what, where, what was found, how, by whom and when. */
export const SHEET_COLUMNS: readonly SheetColumn[] = [
  { key: 'station', read: stationOf },
  { key: 'subject', read: ({ subject }) => subject.name },
  { key: 'point', read: ({ point }) => point.point.words },
  { key: 'reading', read: ({ name }) => name.reading ?? undefined },
  {
    key: 'found',
    read: ({ point, finding }) =>
      typeof finding.is === 'number' ? finding.is : findingWords(point, finding),
  },
  { key: 'unit', read: (found) => numberOf(found)?.unit },
  {
    key: 'limit',
    read: (found, { unit }) => {
      const field = numberOf(found);
      return field?.limit ? measureWords(limitOf(unit, found.subject, field.limit), field.unit) : undefined;
    },
  },
  { key: 'severity', read: ({ judgement }) => judgement?.severity },
  kept('where'),
  kept('note'),
  kept('warmth'),
  kept('temperatureC'),
  kept('pressureKpa'),
  kept('oilFilm'),
  { key: 'by', read: ({ slot }, _, state) => state[slot]?.by },
  { key: 'at', read: ({ slot }, _, state) => state[slot]?.at },
  { key: 'slot', read: ({ slot }) => slot },
];

/** The findings of a record as rows of {@link SHEET_COLUMNS}, in the order of the takedown, then of their slots. */
export function findingTable(inspection: Inspection, state: JobState): (string | number | boolean)[][] {
  const order = new Map(stationsInOrder(inspection.unit).map((s, k) => [s.id, k]));
  const place = ({ subject }: Found) => (subject.station === null ? -1 : (order.get(subject.station) ?? -1));
  return inspection
    .findings(state)
    .toSorted((a, b) => place(a) - place(b))
    .map((found) => SHEET_COLUMNS.map(({ read }) => read(found, inspection, state) ?? ''));
}

/** One thing of a station as it stands on paper: its points with what may be ticked, or the limit beside the line. */
export interface PaperLine {
  subject: Subject;
  points: { point: CataloguePoint; limit: string }[];
}

/** What is filled in at a station, thing by thing; what is asked of everything is left to the margin. */
export function paperLines(inspection: Inspection, station: string): PaperLine[] {
  return inspection.rows(station).map((subject) => ({
    subject,
    points: [...inspection.points(subject).values()].flatMap((point) => {
      const field = measureOf(point.point);
      if (point.file.of[subject.head]?.includes('*') && point.file.of.element) return [];
      if (!field) return [{ point, limit: '' }];
      const limit = field.limit ? limitOf(inspection.unit, subject, field.limit) : null;
      if (point.point.when === 'limit' && limit === null) return [];
      return [{ point, limit: measureWords(limit, field.unit) }];
    }),
  }));
}
