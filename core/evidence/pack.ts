import type { FrictionGrade, JobState, SteelGrade } from '@/core/case';
import { valueOf } from '@/core/case';
import type { Element, PlateKind } from '@/core/unit';
import { FACE_SEVERITY, liningState } from './grade';
import type { LiningState } from './grade';

export type Face = 'a' | 'b';
export type FaceGrade = FrictionGrade | SteelGrade;

/** One plate of a pack; face `a` looks at the piston, `b` at the backing plate. */
export interface PlateReading {
  index: number;
  kind: PlateKind;
  /** "friction 2" */
  name: string;
  faces: Record<Face, FaceGrade | null>;
}

export type PackPattern =
  'all-alike' | 'worse-at-backing' | 'worse-at-piston' | 'one-face' | 'steels-only' | 'single-plate';

export interface PackReading {
  plates: PlateReading[];
  inspected: number;
  faces: number;
  /** null: nothing of it was inspected. */
  state: LiningState | null;
  pattern: PackPattern | null;
  slots: string[];
}

/** Slot of one face: `plate.<element>.<index>.<face>`. */
export function faceSlot(element: string, index: number, face: Face) {
  return `plate.${element}.${index}.${face}` as const;
}

/** Reads a pack from the record. Faces nobody graded stay null: not inspected is not sound. */
export function readPack(state: JobState, element: Element): PackReading {
  const counts: Partial<Record<PlateKind, number>> = {};
  const plates = (element.pack?.order ?? []).map((kind, index): PlateReading => {
    const number = (counts[kind] = (counts[kind] ?? 0) + 1);
    const face = (side: Face) => valueOf(state, faceSlot(element.id, index, side)) ?? null;
    const name = kind === 'backing' ? 'backing plate' : kind === 'wave' ? 'wave spring' : `${kind} ${number}`;
    return { index, kind, name, faces: { a: face('a'), b: face('b') } };
  });
  const lined = plates.filter((p) => p.kind !== 'wave');
  const graded = lined.flatMap((p) =>
    (['a', 'b'] as const).flatMap((side) => {
      const severity = severityOf(p.faces[side]);
      return severity === null ? [] : [{ plate: p, side, severity }];
    }),
  );
  const worst = graded.length ? Math.max(...graded.map((g) => g.severity)) : null;
  return {
    plates,
    inspected: lined.flatMap((p) => [p.faces.a, p.faces.b]).filter((g) => g !== null).length,
    faces: lined.length * 2,
    state: worst === null ? null : liningState(worst),
    pattern: worst ? patternOf(graded, lined.length) : null,
    slots: lined.flatMap((p) =>
      (['a', 'b'] as const).filter((s) => p.faces[s] !== null).map((s) => faceSlot(element.id, p.index, s)),
    ),
  };
}

export function severityOf(grade: FaceGrade | null): number | null {
  return grade === null || grade === 'not-assessable' ? null : FACE_SEVERITY[grade];
}

interface Graded {
  plate: PlateReading;
  side: Face;
  severity: number;
}

/** Names the pattern; needs half of the faces graded, else says nothing. */
function patternOf(graded: Graded[], plates: number): PackPattern | null {
  if (graded.length < plates) return null;
  const mean = (list: Graded[]) => (list.length ? list.reduce((s, g) => s + g.severity, 0) / list.length : 0);
  const frictions = graded.filter((g) => g.plate.kind === 'friction');
  const steels = graded.filter((g) => g.plate.kind !== 'friction');
  if (frictions.length && steels.length && mean(frictions) === 0 && mean(steels) >= 1) return 'steels-only';
  const marked = new Set(graded.filter((g) => g.severity > 0).map((g) => g.plate.index));
  if (marked.size === 1) return 'single-plate';
  const middle = (plates - 1) / 2;
  const positions = [...new Set(graded.map((g) => g.plate.index))].sort((x, y) => x - y);
  const place = new Map(positions.map((index, k) => [index, k]));
  const near = mean(graded.filter((g) => place.get(g.plate.index)! < middle));
  const far = mean(graded.filter((g) => place.get(g.plate.index)! > middle));
  if (far - near >= 1) return 'worse-at-backing';
  if (near - far >= 1) return 'worse-at-piston';
  const a = mean(frictions.filter((g) => g.side === 'a'));
  const b = mean(frictions.filter((g) => g.side === 'b'));
  if (Math.abs(a - b) >= 1.5) return 'one-face';
  return 'all-alike';
}

export const PATTERN_WORDS: Record<PackPattern, string> = {
  'all-alike': 'All plates alike: the whole pack slipped together.',
  'worse-at-backing': 'Worse towards the backing plate: oil or apply force did not reach that end.',
  'worse-at-piston': 'Worse towards the piston: a low or dragging apply.',
  'one-face': 'One face of the plates only: a steel that was not flat, or a plate hung up in its splines.',
  'steels-only':
    'Steels overheated, linings fine: starved of oil, or something kept the pack partly applied.',
  'single-plate': 'One plate alone: look at its splines and its neighbour.',
};
