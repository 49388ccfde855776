import type { Client } from './db';
import { literal, rawBytes } from './raw-bytes';

export type Paper = 'A4' | 'LETTER';

/** A quote's paper as it was made of exactly this, or null. `madeOf`: a hash of everything that goes in. */
export async function keptPdf(
  client: Client,
  quoteId: string,
  paper: Paper,
  madeOf: Buffer,
): Promise<Buffer | null> {
  return rawBytes(
    client,
    `SELECT bytes FROM quote_pdfs WHERE quote_id = ${literal(client, quoteId)} AND paper = ${literal(client, paper)}
     AND made_of = decode(${literal(client, madeOf.toString('hex'))}, 'hex')`,
  );
}

/** Keeps a quote's paper in place of what was kept before. */
export async function keepPdf(
  client: Client,
  quoteId: string,
  paper: Paper,
  madeOf: Buffer,
  bytes: Uint8Array,
): Promise<void> {
  await client.query(
    `INSERT INTO quote_pdfs (quote_id, paper, made_of, bytes) VALUES ($1, $2, $3, $4)
     ON CONFLICT (quote_id, paper) DO UPDATE SET made_of = excluded.made_of, bytes = excluded.bytes`,
    [quoteId, paper, madeOf, Buffer.from(bytes)],
  );
}
