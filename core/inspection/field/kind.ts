import type { Finding, Schema } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import type { Judgement } from '../judgement';
import type { Field, Level, Scale } from '../schema';
import type { Subject } from '../subjects';

/*
 * The schema of each kind is a function: a browser, which checks nothing by it, is not sent what makes it.
 */

/** A finding's own answer, once it is known that it says something: neither "cannot tell" nor our own damage. */
type Answer = Finding['is'];

/** A finding with what it is held against. */
export interface Judged {
  unit: UnitDefinition;
  subject: Subject;
  finding: Finding;
}

/** Answers by id, in their order from sound to past use. */
export type Levels = ReadonlyMap<string, Level>;

/**
 * Everything there is to say of one way to answer a point: what may be answered, what it means, and how it reads. The
 * interface draws each kind in one place of its own (`ui/inspection/fields.tsx`) and asks the marks here for the rest.
 */
export interface Kind<F extends Field = Field> {
  /** It is answered with a word of a list: on paper the words are ticked. */
  readonly levelled: boolean;
  /** A second look at the same point makes sense. */
  readonly again: boolean;
  /** How and when it was tried stands beside the answer. */
  readonly underConditions: boolean;
  /** The answer says what it is about, so that nothing need be said before or after it. */
  readonly saysItself: boolean;
  /** The words it may be answered with. Throws a RangeError for a scale there is not. */
  levels(field: F, scale: (id: string) => Scale): readonly Level[];
  /** JSON Schema of the answer; `otherwise` is what may be said in its place where something can be judged at all. */
  value(field: F, levels: Levels, otherwise: readonly string[]): Schema;
  /** What the answer says: a level and how bad it is, or null when it says nothing evidence or rules can use. */
  judge(field: F, levels: Levels, judged: Judged): Judgement | null;
  /** The answer in a few words; `say` puts a level, or what stands in its place, into words. */
  words(field: F, is: Answer, say: (level: string) => string): string;
  /** What to do about an answer that is none. */
  remedy(field: F, levels: Levels): string;
  /** What may be answered, as a cell of a table of points. */
  cell(field: F, levels: Levels): string;
}
