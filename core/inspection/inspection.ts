import { findingName, valueOf } from '@/core/case';
import type { Finding, FindingName, JobState, SubjectHead } from '@/core/case';
import { stationsInOrder } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { Catalogue, CataloguePoint } from './catalogue';
import { judge } from './judge';
import type { Judgement } from './judgement';
import { subjectOf } from './subjects';
import type { Subject } from './subjects';

/** A slot that names something the unit has, and a point that is asked of it. */
interface Named {
  name: FindingName;
  subject: Subject;
  point: CataloguePoint;
}

/** A finding of a job with all it refers to. */
export interface Found extends Named {
  slot: string;
  finding: Finding;
  /** Null: it says nothing evidence could use. */
  judgement: Judgement | null;
}

/** What can be looked at on one unit. */
export interface Inspection {
  unit: UnitDefinition;
  catalogue: Catalogue;
  subject: (head: SubjectHead, ids: readonly string[]) => Subject | null;
  points: (subject: Subject) => ReadonlyMap<string, CataloguePoint>;
  /** What a slot names; null when it names no finding this unit can have. */
  named: (slot: string) => Named | null;
  /** The findings of a state that this unit can have, in the order of their slots. */
  findings: (state: JobState) => Found[];
  /** What has a row of its own at a station, in the order it is gone through. */
  rows: (station: string) => readonly Subject[];
}

const made = new WeakMap<UnitDefinition, WeakMap<Catalogue, Inspection>>();

/** The inspection of a unit, made once for each catalogue. */
export function inspectionOf(unit: UnitDefinition, catalogue: Catalogue): Inspection {
  let own = made.get(unit);
  if (!own) made.set(unit, (own = new WeakMap()));
  let inspection = own.get(catalogue);
  if (!inspection) own.set(catalogue, (inspection = makeInspection(unit, catalogue)));
  return inspection;
}

function makeInspection(unit: UnitDefinition, catalogue: Catalogue): Inspection {
  const subjects = new Map<string, Subject | null>();
  const subject = (head: SubjectHead, ids: readonly string[]): Subject | null => {
    const key = [head, ...ids].join('.');
    let found = subjects.get(key);
    if (found === undefined) {
      found = subjectOf(unit, head, ids);
      if (head === 'unit') found = topicOf(unit, catalogue, found!);
      subjects.set(key, found);
    }
    return found;
  };
  const points = ({ head, selectors }: Subject) => catalogue.pointsFor(head, selectors);
  const known = new Map<string, Named | null>();
  const named = (slot: string): Named | null => {
    let found = known.get(slot);
    if (found === undefined) known.set(slot, (found = findNamed(slot)));
    return found;
  };
  const findNamed = (slot: string): Named | null => {
    const name = findingName(slot);
    const about = name && subject(name.head, name.ids);
    const point = about && points(about).get(name.point);
    return point ? { name, subject: about, point } : null;
  };
  const rows = new Map<string, readonly Subject[]>();
  return {
    unit,
    catalogue,
    subject,
    points,
    named,
    findings: (state) =>
      Object.keys(state)
        .sort()
        .flatMap((slot) => {
          const about = named(slot);
          if (!about) return [];
          const finding = valueOf(state, slot) as Finding;
          return [{ ...about, slot, finding, judgement: judge(unit, about.subject, about.point, finding) }];
        }),
    rows: (station) => {
      let found = rows.get(station);
      if (!found) rows.set(station, (found = rowsAt(unit, catalogue, subject, station)));
      return found;
    },
  };
}

/** A whole-unit subject takes its name and its station from the file of its topic. */
function topicOf(unit: UnitDefinition, catalogue: Catalogue, subject: Subject): Subject | null {
  const [file] = catalogue.filesFor('unit', subject.selectors);
  if (!file) return null;
  return { ...subject, name: file.words, station: file.at === 'drain' ? drainStation(unit) : null };
}

/** Where the oil runs out: what it brings along is asked there. */
export function drainStation(unit: UnitDefinition): string | null {
  const stations = stationsInOrder(unit);
  const filter = unit.parts.find((p) => p.role === 'filter')?.station;
  return (stations.find((s) => s.drains) ?? stations.find((s) => s.id === filter) ?? stations[0])?.id ?? null;
}

function rowsAt(
  unit: UnitDefinition,
  catalogue: Catalogue,
  subject: Inspection['subject'],
  station: string,
): readonly Subject[] {
  const ids = (list: readonly { id: string }[]) => list.map((x) => x.id);
  const topics = catalogue.files.flatMap((f) => (f.at ? (f.of.unit ?? []) : []));
  const all: [SubjectHead, string[]][] = [
    ['unit', topics],
    ['part', ids(unit.parts)],
    ['element', ids(unit.elements)],
    ['gearset', ids(unit.gearsets)],
    ['solenoid', ids(unit.solenoids)],
    ['sensor', ids(unit.sensors)],
    ['station', [station]],
  ];
  const weakness = new Map(unit.parts.map((p) => [p.id, p.weakness ?? 0]));
  return all
    .flatMap(([head, names]) => names.flatMap((id) => subject(head, [id]) ?? []))
    .filter((s) => s.station === station)
    .flatMap((s) => {
      // What is asked of everything gives nothing a row.
      const own = catalogue
        .filesFor(s.head, s.selectors)
        .find((f) => !f.of[s.head]?.includes('*') || alone(s.head));
      return own && !own.unlisted ? [{ s, order: own.order }] : [];
    })
    .sort((a, b) => a.order - b.order || (weakness.get(b.s.ids[0]!) ?? 0) - (weakness.get(a.s.ids[0]!) ?? 0))
    .map(({ s }) => s);
}

/** Heads whose every member has a row of its own. */
function alone(head: SubjectHead): boolean {
  return head === 'solenoid' || head === 'station';
}
