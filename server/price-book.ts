import { BOOK_COLUMNS, bookRows, readBook } from '@/core/shop';
import { inBackground } from './background';
import type { PriceTable, ReadPrices } from './background-tasks';
import { readCsv, writeCsv } from './csv';
import { inTransaction, withClient } from './db';
import type { Client } from './db';
import { UserError } from './problem';
import { saveShop, shopOf } from './shop';
import type { Shop } from './shop';
import { listUnits, unitsOf } from './units';
import type { User } from './users';

/** The units of the library in their newest versions. */
const newestUnits = async (client: Client) => unitsOf(client, await listUnits(client));

/** The shop's price book as CSV. */
export async function writePrices(client: Client): Promise<string> {
  const { terms } = await shopOf(client);
  return writeCsv(bookRows(await newestUnits(client), terms.prices, terms.currency), BOOK_COLUMNS);
}

/** Takes a CSV of prices into the book, all of it or nothing. Throws a UserError 400 that names the row and the column. */
export async function takePrices(text: string, user: User): Promise<Shop> {
  const { version, terms, units } = await withClient(async (client) => ({
    ...(await shopOf(client)),
    units: await newestUnits(client),
  }));
  // A large table takes a while: away from the server's own thread, and no connection is held meanwhile.
  const read = await inBackground('readPrices', {
    text,
    units,
    before: terms.prices,
    currency: terms.currency,
  });
  if (read.problem) throw new UserError(400, read.problem.message, read.problem.remedy);
  const { prices } = read;
  return inTransaction((client) => saveShop(client, version, { ...terms, prices }, user));
}

/** Reads a table of prices against the units and the book as it stands. */
export function readPrices({ text, units, before, currency }: PriceTable): ReadPrices {
  let rows: Record<string, string>[];
  try {
    rows = readCsv(text);
  } catch (error) {
    return {
      problem: {
        message: `The table cannot be read: ${error instanceof Error ? error.message : 'it is no CSV'}`,
        remedy: 'Export the price book, change it, and import it as CSV with commas.',
      },
    };
  }
  const lacking = (['unit', 'part'] as const).find((c) => rows.length === 0 || !(c in rows[0]!));
  if (lacking)
    return {
      problem: {
        message: `The table has no rows with a column "${lacking}".`,
        remedy: `Its first line names the columns: ${BOOK_COLUMNS.join(', ')}.`,
      },
    };
  const { prices, problems } = readBook(rows, units, before, currency);
  const [first] = problems;
  if (!first) return { problem: null, prices };
  const more = problems.length > 1 ? ` (and ${problems.length - 1} more)` : '';
  return {
    problem: {
      message: `Row ${first.row}, ${first.column}: ${first.words}${more}`,
      remedy: 'Nothing was taken. Correct the table and import it again.',
    },
  };
}
