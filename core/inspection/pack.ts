import type { Element, PlateKind } from '@/core/unit';
import { liningState } from './severity';
import type { LiningState } from './severity';
import { plateName } from './subjects';

export type Side = 'a' | 'b';

/** How bad a face is, or that nothing can be said of it. Absent: nobody looked. */
export type FaceReading = number | 'cannot-tell';

/** One plate of a pack; face `a` looks at the piston, `b` at the backing plate. */
export interface PlateReading {
  index: number;
  kind: PlateKind;
  /** "friction 2" */
  name: string;
  faces: Record<Side, FaceReading | null>;
}

export type PackPattern =
  | 'all-alike'
  | 'worse-at-backing'
  | 'worse-at-piston'
  | 'one-face'
  | 'steels-only'
  | 'single-plate'
  | 'one-joint';

export interface PackReading {
  plates: PlateReading[];
  /** Faces looked at, of so many there are. */
  inspected: number;
  faces: number;
  /** null: nothing of it was inspected. */
  state: LiningState | null;
  /** Null: sound, or too little was seen to tell. */
  pattern: PackPattern | null;
  /** Something is wrong, and too few faces were looked at to say how it lies. */
  littleSeen: boolean;
}

/** Reads a pack. Faces nobody graded stay null: not inspected is not sound, and takes no part in any pattern. */
export function readPack(
  element: Element,
  faceAt: (index: number, side: Side) => FaceReading | null,
): PackReading {
  const order = element.pack?.order ?? [];
  const plates = order.map(
    (kind, index): PlateReading => ({
      index,
      kind,
      name: plateName(order, index),
      faces: kind === 'wave' ? { a: null, b: null } : { a: faceAt(index, 'a'), b: faceAt(index, 'b') },
    }),
  );
  const lined = plates.filter((p) => p.kind !== 'wave');
  const graded = lined.flatMap((plate) =>
    SIDES.flatMap((side): Graded[] => {
      const severity = plate.faces[side];
      return typeof severity === 'number' ? [{ plate, side, severity }] : [];
    }),
  );
  const worst = graded.length ? Math.max(...graded.map((g) => g.severity)) : null;
  const enough = seenEnough(graded, lined);
  return {
    plates,
    inspected: lined.flatMap((p) => [p.faces.a, p.faces.b]).filter((g) => g !== null).length,
    faces: lined.length * 2,
    state: worst === null ? null : liningState(worst),
    pattern: worst && enough ? patternOf(graded, lined) : null,
    littleSeen: Boolean(worst) && !enough,
  };
}

const SIDES = ['a', 'b'] as const;

interface Graded {
  plate: PlateReading;
  side: Side;
  severity: number;
}

const mean = (list: readonly number[]) => (list.length ? list.reduce((s, v) => s + v, 0) / list.length : 0);
const severities = (list: readonly Graded[]) => list.map((g) => g.severity);

/** Half of the faces, of frictions and steels both, and some in either half of the pack. */
function seenEnough(graded: readonly Graded[], lined: readonly PlateReading[]): boolean {
  const middle = middleOf(lined);
  const both = (test: (plate: PlateReading) => boolean) =>
    !lined.some(test) || graded.some((g) => test(g.plate));
  return (
    graded.length >= lined.length &&
    both((p) => p.kind === 'friction') &&
    both((p) => p.kind !== 'friction') &&
    both((p) => p.index < middle) &&
    both((p) => p.index > middle)
  );
}

function middleOf(lined: readonly PlateReading[]): number {
  return lined.length ? (lined[0]!.index + lined.at(-1)!.index) / 2 : 0;
}

/** A step of severity from one half to the other, whatever the binary fractions of the means. */
const TILT = 1 - 1e-9;

/** Names how the damage lies, from the faces that were looked at. */
function patternOf(graded: readonly Graded[], lined: readonly PlateReading[]): PackPattern {
  const frictions = graded.filter((g) => g.plate.kind === 'friction');
  const steels = graded.filter((g) => g.plate.kind !== 'friction');
  if (frictions.length && steels.length && mean(severities(frictions)) === 0 && mean(severities(steels)) >= 1)
    return 'steels-only';
  const marked = graded.filter((g) => g.severity > 0);
  if (new Set(marked.map((g) => g.plate.index)).size === 1) return 'single-plate';
  if (isJoint(graded, marked)) return 'one-joint';
  // Linings and steels redden and blue differently: each is compared with its own kind.
  const usual = new Map([
    [true, mean(severities(frictions))],
    [false, mean(severities(steels))],
  ]);
  const beyond = (list: readonly Graded[]) =>
    mean(list.map((g) => g.severity - usual.get(g.plate.kind === 'friction')!));
  const middle = middleOf(lined);
  const tilt =
    beyond(graded.filter((g) => g.plate.index > middle)) -
    beyond(graded.filter((g) => g.plate.index < middle));
  if (tilt >= TILT) return 'worse-at-backing';
  if (tilt <= -TILT) return 'worse-at-piston';
  const side = (s: Side) => severities(frictions.filter((g) => g.side === s));
  if (Math.abs(mean(side('a')) - mean(side('b'))) >= 1.5) return 'one-face';
  return 'all-alike';
}

/** Two faces that touch are far worse than all others: a lining and its steel, welded or burnt on each other. */
function isJoint(graded: readonly Graded[], marked: readonly Graded[]): boolean {
  const worst = Math.max(...severities(marked));
  const pair = marked.filter((g) => g.severity === worst);
  if (pair.length !== 2) return false;
  const [near, far] = [...pair].sort((x, y) => x.plate.index - y.plate.index) as [Graded, Graded];
  if (far.plate.index !== near.plate.index + 1 || near.side !== 'b' || far.side !== 'a') return false;
  return graded.every((g) => pair.includes(g) || g.severity <= worst - 3);
}

export const PATTERN_WORDS: Record<PackPattern, string> = {
  'all-alike': 'All plates alike: the whole pack slipped together.',
  'worse-at-backing': 'Worse towards the backing plate: oil or apply force did not reach that end.',
  'worse-at-piston': 'Worse towards the piston: a low or dragging apply.',
  'one-face': 'One face of the plates only: a steel that was not flat, or a plate hung up in its splines.',
  'steels-only':
    'Steels overheated, linings fine: starved of oil, or something kept the pack partly applied.',
  'single-plate': 'One plate alone: look at its splines and its neighbour.',
  'one-joint': 'One joint alone, the plates beside it sound: those two did not let go of each other.',
};
