import type { Entry, Json } from './entry';
import { EMPTY_STATE, fold, stateFromValues } from './fold';
import type { JobState } from './fold';
import type { Stage, StageOf } from '@/core/stage';

export const CASE_FORMAT = 'pelvik-case/2';

export interface CaseFinding {
  slot: string;
  value: Json;
  stage?: Stage;
}

export interface CasePhoto {
  id: string;
  mime: 'image/jpeg';
  width: number;
  height: number;
  /** The photo itself, base64. */
  data: string;
}

export type QuoteStatus = 'draft' | 'sent' | 'accepted' | 'declined' | 'superseded';

/** What a customer said to a quote. */
export interface QuoteAnswer {
  /** A reply is the shop's, to a question. */
  kind: 'accept' | 'decline' | 'ask' | 'reply';
  /** The option accepted. */
  option: string | null;
  name: string;
  message: string;
  /** ISO 8601, UTC. */
  at: string;
}

export interface CaseQuote {
  version: number;
  status: QuoteStatus;
  createdAt: string;
  content: Json;
  answers: QuoteAnswer[];
  /** It came in with a file: history that cannot be sent, accepted or built by. */
  imported?: boolean;
}

/** A whole job as one document. `findings` alone is enough; `history`, where present, is the record they come from. */
export interface CaseDocument {
  format: typeof CASE_FORMAT;
  unit: string;
  title?: string;
  findings: CaseFinding[];
  history?: Entry[];
  photos?: CasePhoto[];
  quotes?: CaseQuote[];
}

/** The state a case describes: its history folded, or its findings when it has none. */
export function stateOfCase(document: CaseDocument): JobState {
  if (document.history) return fold(EMPTY_STATE, document.history);
  return stateFromValues(Object.fromEntries(document.findings.map((f) => [f.slot, f.value])));
}

/** The findings of a state, in slot order, each with its stage. */
export function findingsOf(state: JobState, stageOf: StageOf): CaseFinding[] {
  return Object.keys(state)
    .sort()
    .map((slot) => ({ slot, value: state[slot]!.value, stage: stageOf(slot) }));
}

/** A case without what was found after `stage`; a finding's own stage goes before its slot's. */
export function caseUntil(
  document: CaseDocument,
  stage: Stage,
  order: readonly Stage[],
  stageOf: StageOf,
): CaseDocument {
  const last = order.indexOf(stage);
  const keep = (slot: string, own?: Stage) => order.indexOf(own ?? stageOf(slot)) <= last;
  const own = new Map(document.findings.map((f) => [f.slot, f.stage]));
  return {
    ...document,
    findings: document.findings.filter((f) => keep(f.slot, f.stage)),
    history: document.history?.filter((e) => keep(e.slot, own.get(e.slot))),
  };
}
