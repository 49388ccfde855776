import { inspectionSchema, scalesSchema } from '@/core/inspection';
import { shopSchema } from '@/core/shop';
import type { Schema } from '@/core/format';

/** The published schemas, each made from what the program itself checks by: `docs/formats/NAME.schema.json`. */
export const PUBLISHED: Readonly<Record<string, Schema>> = {
  inspection: inspectionSchema,
  scales: scalesSchema,
  shop: shopSchema,
};
