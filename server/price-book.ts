import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { BOOK_COLUMNS, bookRows, readBook } from '@/core/quote';
import type { Client } from './db';
import { UserError } from './problem';
import { saveShop, shopOf } from './shop';
import type { Shop } from './shop';
import { listUnits, unitOf } from './units';
import type { User } from './users';

/** The units of the library in their newest versions. */
async function newestUnits(client: Client) {
  const keys = await listUnits(client);
  return Promise.all(keys.map((key) => unitOf(client, key)));
}

/** The shop's price book as CSV. */
export async function writePrices(client: Client): Promise<string> {
  const { terms } = await shopOf(client);
  return stringify(bookRows(await newestUnits(client), terms.prices), {
    header: true,
    columns: [...BOOK_COLUMNS],
  });
}

/** Takes a CSV of prices into the book. Throws a UserError 400 that names the row and the column. */
export async function readPrices(client: Client, text: string, user: User): Promise<Shop> {
  let rows: Record<string, string>[];
  try {
    rows = parse(text, {
      columns: true,
      bom: true,
      skip_empty_lines: true,
      trim: true,
      relax_column_count: false,
    });
  } catch (error) {
    throw new UserError(
      400,
      `The table cannot be read: ${error instanceof Error ? error.message : 'it is no CSV'}`,
      'Export the price book, change it, and import it as CSV with commas.',
    );
  }
  const lacking = (['unit', 'part'] as const).find((c) => rows.length === 0 || !(c in rows[0]!));
  if (lacking)
    throw new UserError(
      400,
      `The table has no rows with a column "${lacking}".`,
      `Its first line names the columns: ${BOOK_COLUMNS.join(', ')}.`,
    );
  const { version, terms } = await shopOf(client);
  const { prices, problems } = readBook(rows, await newestUnits(client), terms.prices);
  const [first] = problems;
  if (first)
    throw new UserError(
      400,
      `Row ${first.row}, ${first.column}: ${first.words}${problems.length > 1 ? ` (and ${problems.length - 1} more)` : ''}`,
      'Nothing was taken. Correct the table and import it again.',
    );
  return saveShop(client, version, { ...terms, prices }, user);
}
