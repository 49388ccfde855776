import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';

/** What a spreadsheet takes for a formula begins so; we write a mark before it, and take it off again. */
const MARKED = /^'(?=[=+\-@\t\r\uFF1D\uFF0B\uFF0D\uFF20])/;

/** Rows as CSV, the columns in this order. What somebody typed is text, also where a spreadsheet would compute it. */
export function writeCsv(rows: readonly object[], columns: readonly string[], { bom = false } = {}): string {
  return stringify([...rows], {
    header: true,
    columns: [...columns],
    bom,
    cast: { boolean: (yes) => (yes ? 'yes' : 'no') },
    escape_formulas: true,
  });
}

/** A table as a spreadsheet saves it, its first line naming the columns. Throws an Error in words. */
export function readCsv(text: string): Record<string, string>[] {
  return parse(text, {
    columns: true,
    bom: true,
    skip_empty_lines: true,
    trim: true,
    relax_column_count: false,
    cast: (value) => value.replace(MARKED, ''),
  });
}
