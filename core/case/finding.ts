/**
 * A finding: what was seen of one thing, at one point, once. Its slot names the subject, the point and, for a second
 * look, the reading: `part.sun-shell.crack`, `element.K2.air-test`, `element.K2.air-test.hot`.
 */

/** What a finding can be about, with how many names it takes to say which one. */
const SUBJECT_HEADS = {
  part: 1,
  element: 1,
  /** Element, then plate counted from the piston. */
  plate: 2,
  /** Element, plate, then `a` (towards the piston) or `b`. */
  face: 3,
  gearset: 1,
  solenoid: 1,
  sensor: 1,
  station: 1,
  /** The whole unit: debris, fluid, what was done before. */
  unit: 1,
} as const;
export type SubjectHead = keyof typeof SUBJECT_HEADS;

/** Said of anything instead of a value: it was looked at and cannot be judged; it was damaged taking the unit apart. */
export const CANNOT_TELL = 'cannot-tell';
export const TAKEDOWN = 'takedown';

/** How warm a thing was, where nobody held a thermometer. */
export const WARMTHS = ['cold', 'warm', 'hot'] as const;
export type Warmth = (typeof WARMTHS)[number];

/** A value with the conditions it was found under. What `is` may be is the point's own affair. */
export type Finding = {
  /** A level, a number in the point's unit, words, or for an amount by place: place → amount. */
  is: string | number | { [place: string]: string };
  where?: string;
  note?: string;
  warmth?: Warmth;
  temperatureC?: number;
  pressureKpa?: number;
  oilFilm?: boolean;
};

/** A finding slot taken apart. */
export interface FindingName {
  head: SubjectHead;
  /** Who it is about: one name, or several for plates and faces. */
  ids: readonly string[];
  point: string;
  /** Null: the first look. */
  reading: string | null;
}

const NAME = /^[\w#-]{1,80}$/;

/** Reads a slot as the name of a finding; null when it is none. */
export function findingName(slot: string): FindingName | null {
  const parts = slot.split('.');
  const head = parts[0] as SubjectHead;
  const count = Object.hasOwn(SUBJECT_HEADS, head) ? SUBJECT_HEADS[head] : 0;
  const rest = parts.length - 1 - count;
  if (count === 0 || rest < 1 || rest > 2 || !parts.every((p) => NAME.test(p))) return null;
  // Whether a station is out is a fact of the work, not a finding.
  if (head === 'station' && parts[2] === 'out') return null;
  return {
    head,
    ids: parts.slice(1, 1 + count),
    point: parts[1 + count]!,
    reading: parts[2 + count] ?? null,
  };
}

/** The slot of a finding's subject: `part.sun-shell`. */
export function subjectSlot({ head, ids }: Pick<FindingName, 'head' | 'ids'>): string {
  return [head, ...ids].join('.');
}

/** The slot of a finding: `part.sun-shell.crack`, with a reading `part.sun-shell.crack.hot`. */
export function findingSlot(subject: string, point: string, reading: string | null = null): FindingSlot {
  return `${subject}.${point}${reading === null ? '' : `.${reading}`}` as FindingSlot;
}

/** Slots that hold a finding, as a type. */
export type FindingSlot = `${Exclude<SubjectHead, 'station'>}.${string}.${string}`;
