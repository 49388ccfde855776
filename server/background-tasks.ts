import type { CaseDocument, CasePhoto, JobState } from '@/core/case';
import type { Diagnosis, Experience } from '@/core/diagnosis';
import type { QuoteContent } from '@/core/quote';
import type { BookPrice } from '@/core/shop';
import type { UnitDefinition } from '@/core/unit';
import type { Problem } from '@/core/validation';

/** A picture as it is kept. */
export interface Photo {
  bytes: Buffer;
  width: number;
  height: number;
}

export interface PdfInput {
  version: number;
  content: QuoteContent;
  /** Photos by id, as JPEG. */
  photos: Record<string, Buffer>;
  accepted: { name: string; at: string; option: string } | null;
  size: 'A4' | 'LETTER';
}

/** A case file as read: its photos apart, decoded and plain. */
export type ReadCase =
  | { problems: Problem[] }
  | { problems: null; document: Omit<CaseDocument, 'photos'>; photos: (Photo & Pick<CasePhoto, 'id'>)[] };

export interface UnitReview {
  problems: Problem[];
  warnings: Problem[];
}

/** A table of prices with what it is read against. */
export interface PriceTable {
  text: string;
  units: UnitDefinition[];
  before: BookPrice[];
  currency: string;
}

/** The book as it would be, or what is wrong with the table. */
export type ReadPrices =
  | { problem: { message: string; remedy: string } }
  | { problem: null; prices: BookPrice[] };

/** A job to be judged whose unit is too large for the thread that answers everybody. */
export interface ToJudge {
  unit: UnitDefinition;
  state: JobState;
  experience: Experience;
}

/** What the background processes can do; `app/background.ts` does it. */
export interface BackgroundTasks {
  /** Decodes an upload and writes it anew; null when it is not a picture of the kinds offered. */
  photo(upload: Uint8Array): Promise<Photo | null>;
  pdf(input: PdfInput): Promise<Uint8Array>;
  /** Loads what is large. */
  warm(): Promise<void>;
  /** Reads and checks a case file. */
  readCase(text: Uint8Array): Promise<ReadCase>;
  /** Reads a table of prices; throws nothing: what is wrong is named. */
  readPrices(table: PriceTable): Promise<ReadPrices>;
  /** Judges a job; null when its unit is beyond what can be reasoned about. */
  diagnose(job: ToJudge): Promise<Diagnosis | null>;
  /** What is wrong and what is odd about a unit definition. */
  reviewUnit(value: unknown): Promise<UnitReview>;
}
