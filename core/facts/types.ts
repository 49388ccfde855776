import type { InspectionData } from '@/core/inspection';
import type { DerivedFacts } from './schema';

/**
 * One thing known of a job, in the one vocabulary that diagnosis weighs and scope rules ask for: `drum.crack:sun-shell`
 * at level `seen`, with the slots it comes from. What nobody looked at is absent, never "sound".
 */
export interface Fact {
  /** `point`, or `point:subject`. */
  point: string;
  level: string;
  slots: string[];
  /** 0…1: scales what it may say (a masked or weak test says little). */
  weight: number;
  /** Why the weight is not 1. */
  caution?: string;
  severity?: number;
  /** What the state of a part was made of: every point that tells of it. */
  readings?: readonly Reading[];
}

/** How bad one point found a part. */
export interface Reading {
  slot: string;
  severity: number;
  /** The part was graded as a whole. */
  whole: boolean;
}

/** What turns a record into facts. */
export interface FactKnowledge {
  inspection: InspectionData;
  derived: DerivedFacts;
}

/** A fact nobody weakens. */
export function fact(point: string, level: string, ...slots: string[]): Fact {
  return { point, level, slots, weight: 1 };
}

/** Reads `point=level|level`. */
export function pattern(text: string): { point: string; levels: string[] } {
  const at = text.indexOf('=');
  return { point: text.slice(0, at), levels: text.slice(at + 1).split('|') };
}
