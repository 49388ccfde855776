import type { FaceGrade } from '@/core/evidence';
import type { PlateKind } from '@/core/unit';

/** One brush: what it means on a lining and on a steel. The number key paints it. */
export interface Brush {
  key: string;
  friction: FaceGrade | null;
  steel: FaceGrade | null;
  label: string;
  severity: number;
}

export const BRUSHES: readonly Brush[] = [
  { key: '1', friction: 'sound', steel: 'bright', label: 'Sound, bright', severity: 0 },
  { key: '2', friction: 'darkened', steel: 'tinted', label: 'Darkened, tinted', severity: 1 },
  { key: '3', friction: 'glazed', steel: 'hot-spotted', label: 'Glazed, hot-spotted', severity: 2 },
  { key: '4', friction: 'charred', steel: 'blue', label: 'Charred, blue', severity: 3 },
  { key: '5', friction: 'flaking', steel: 'scored', label: 'Flaking, scored', severity: 4 },
  { key: '6', friction: 'bare', steel: 'warped', label: 'Bare, warped', severity: 5 },
  { key: '7', friction: 'welded', steel: 'welded', label: 'Welded', severity: 6 },
  { key: '8', friction: 'not-assessable', steel: 'not-assessable', label: 'Cannot tell', severity: -1 },
  { key: '0', friction: null, steel: null, label: 'Not inspected', severity: -2 },
];

/** What a brush leaves on a plate of this kind. */
export function gradeFor(brush: Brush, kind: PlateKind): FaceGrade | null {
  return kind === 'friction' ? brush.friction : brush.steel;
}

/** The brush a grade belongs to. */
export function brushOf(grade: FaceGrade | null, kind: PlateKind): Brush {
  return BRUSHES.find((b) => gradeFor(b, kind) === grade) ?? BRUSHES.at(-1)!;
}
