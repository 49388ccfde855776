import {
  alsoOf,
  anything,
  array,
  documentSchema,
  integer,
  literal,
  oneOf,
  optional,
  orNull,
  said,
  shape,
  string,
  text,
  words,
  moment,
  yesNo,
} from '@/core/format';
import type { Of, Schema } from '@/core/format';
import { STAGES } from '@/core/stage';
import type { Json } from './entry';

const id = string({ pattern: '^[\\w-]+$', minLength: 8, maxLength: 64 });
const slot = text(200);
const person = text(120);
const value = anything as Schema<Json>;

const finding = shape({ slot, value, stage: optional(oneOf(STAGES)) });
export type CaseFinding = Of<typeof finding>;

const entry = shape({
  id,
  seq: said('Place in the job’s order', integer(1, 2 ** 31 - 1)),
  by: person,
  at: moment,
  slot,
  value,
  source: optional(
    said('Who wrote it where the file came from, and when', shape({ by: person, at: moment })),
  ),
});

const px = said('px', integer(1, 20_000));
const photo = shape({
  id,
  mime: literal('image/jpeg'),
  width: px,
  height: px,
  data: said('The photo itself, base64', words(12_000_000)),
});
export type CasePhoto = Of<typeof photo>;

const answer = shape({
  kind: said('A reply is the shop’s, to a question', oneOf(['accept', 'decline', 'ask', 'reply'])),
  option: said('The option accepted', orNull(words(60))),
  name: string({ pattern: '\\S', minLength: 1, maxLength: 120 }),
  message: words(2000),
  at: moment,
});
/** What a customer said to a quote. */
export type QuoteAnswer = Of<typeof answer>;

const quote = shape({
  version: integer(1, 10_000),
  status: oneOf(['draft', 'sent', 'accepted', 'declined', 'superseded']),
  createdAt: moment,
  content: said('As its own schema has it', { type: 'object' } as Schema<Json>),
  answers: array(answer, { maxItems: 200 }),
  imported: optional(said('It came from a file: history that nobody can accept or send', yesNo)),
});
export type CaseQuote = Of<typeof quote>;
export type QuoteStatus = CaseQuote['status'];

export const CASE_FORMAT = 'pelvik-case/2';

/** Versions of its quote a job holds at most. */
export const MOST_VERSIONS = 200;

/** A whole job as one document. `findings` alone is enough; `history`, where present, is the record they come from. */
const document = shape({
  format: literal(CASE_FORMAT),
  unit: said('Unit family id', string({ pattern: '^[A-Za-z0-9][A-Za-z0-9-]{0,59}$' })),
  title: optional(words(200)),
  findings: said('The state of the job: one value per slot', array(finding, { maxItems: 5000 })),
  history: optional(said('The record the state is folded from', array(entry, { maxItems: 50_000 }))),
  photos: optional(array(photo, { maxItems: 500 })),
  quotes: optional(array(quote, { maxItems: MOST_VERSIONS })),
});
export type CaseDocument = Of<typeof document>;

export const caseSchema = documentSchema(
  CASE_FORMAT,
  'Pelvik case',
  alsoOf(said('A whole job as one document', document), 'pelvik-case/1'),
);
