import { caseSchema, slotDocument } from '@/core/case';
import type { Schema } from '@/core/format';
import { inspectionSchema, scalesSchema } from '@/core/inspection';
import { formerQuoteSchema, quoteSchema } from '@/core/quote';
import { shopSchema } from '@/core/shop';
import { offersSchema } from '@/core/supply';
import { unitSchema } from '@/core/unit';

/** The published schemas, each made from what the program itself checks by: `docs/formats/NAME.schema.json`. */
export const PUBLISHED: Readonly<Record<string, Schema>> = {
  case: caseSchema,
  inspection: inspectionSchema,
  offers: offersSchema,
  quote: quoteSchema,
  'quote-1': formerQuoteSchema,
  scales: scalesSchema,
  shop: shopSchema,
  unit: unitSchema,
};

export const SLOTS_FILE = 'docs/formats/case.md';
/** From here on the file is the table of slots. */
const TABLE = '<!-- slots -->';

/** The file with the table of slots as it is today. */
export const inTable = (text: string): string =>
  `${text.slice(0, text.indexOf(TABLE))}${TABLE}\n\n${slotDocument()}\n`;
