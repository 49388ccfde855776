import type { UnitDefinition } from '@/core/unit';
import { fromMinor, MOST_MONEY, toMinor, writtenMoney } from './money';
import type { BookPrice } from './schema';

/** The columns of a price book as a table. Money in major units, as people write it. */
export const BOOK_COLUMNS = [
  'unit',
  'part',
  'name',
  'supplier',
  'price',
  'cost',
  'lead_days',
  'core_deposit',
  'return_days',
] as const;
export type BookRow = Record<(typeof BOOK_COLUMNS)[number], string>;

/** What is wrong with a row of a price book, counted from the first below the head. */
export interface BookProblem {
  row: number;
  column: string;
  words: string;
}

/** Every part that is sold, with what the shop knows of it, as rows of a table. */
export function bookRows(
  units: readonly UnitDefinition[],
  prices: readonly BookPrice[],
  currency: string,
): BookRow[] {
  const written = (amount: number | undefined) =>
    amount === undefined ? '' : writtenMoney(amount, currency);
  const known = new Map(prices.map((p) => [`${p.unit} ${p.part}`, p]));
  return units.flatMap((unit) =>
    unit.parts
      .filter((part) => part.soldAs === undefined)
      .map((part): BookRow => {
        const own = known.get(`${unit.id} ${part.id}`) ?? {};
        const said = { ...part, ...defined(own) } as typeof part & BookPrice;
        return {
          unit: unit.id,
          part: part.id,
          name: part.name,
          supplier: said.supplier ?? '',
          price: written(said.price),
          cost: written(said.cost),
          lead_days: String(said.leadDays ?? ''),
          core_deposit: written(said.coreDeposit),
          return_days: String(said.returnDays ?? ''),
        };
      }),
  );
}

/**
 * Reads a table of prices: what says the same as the unit's definition is left out, so that the definition goes on to stand
 * there. Parts that are not in the table keep what the book had. Nothing is taken where anything is wrong.
 */
export function readBook(
  rows: readonly Partial<Record<string, string>>[],
  units: readonly UnitDefinition[],
  before: readonly BookPrice[],
  currency: string,
): { prices: BookPrice[]; problems: BookProblem[] } {
  const problems: BookProblem[] = [];
  const read = new Map<string, BookPrice | null>();
  const library = new Map(
    units.map((unit) => [unit.id, { unit, parts: new Map(unit.parts.map((p) => [p.id, p])) }]),
  );
  rows.forEach((row, k) => {
    const wrong = (column: string, words: string) => problems.push({ row: k + 1, column, words });
    const { unit, parts } = library.get(row.unit?.trim() ?? '') ?? {};
    const part = parts?.get(row.part?.trim() ?? '');
    if (!unit) return wrong('unit', `"${row.unit ?? ''}" is not a unit of the library.`);
    if (!part) return wrong('part', `${unit.name} has no part "${row.part ?? ''}".`);
    if (read.has(`${unit.id} ${part.id}`))
      return wrong('part', `${part.name} of ${unit.name} stands in the table twice: keep one row.`);
    const money = (column: string) => {
      const value = numberIn(row[column], column, fromMinor(MOST_MONEY, currency), wrong);
      return value === undefined ? undefined : toMinor(value, currency);
    };
    const days = (column: string) => {
      const value = numberIn(row[column], column, MOST_DAYS, wrong);
      return value === undefined ? undefined : Math.round(value);
    };
    const supplier = row.supplier?.trim();
    const price: BookPrice = { unit: unit.id, part: part.id };
    const said: [keyof BookPrice, number | string | undefined, unknown][] = [
      ['price', money('price'), part.price],
      ['cost', money('cost'), undefined],
      ['leadDays', days('lead_days'), part.leadDays],
      ['coreDeposit', money('core_deposit'), part.coreDeposit],
      ['returnDays', days('return_days'), part.returnDays],
      ['supplier', supplier === '' ? undefined : supplier, part.supplier],
    ];
    const own = said.filter(([, value, usual]) => value !== undefined && value !== usual);
    read.set(
      `${unit.id} ${part.id}`,
      own.length ? Object.assign(price, Object.fromEntries(own.map(([key, value]) => [key, value]))) : null,
    );
  });
  if (problems.length) return { prices: [...before], problems };
  const kept = before.filter((p) => !read.has(`${p.unit} ${p.part}`));
  return { prices: [...kept, ...[...read.values()].filter((p) => p !== null)], problems };
}

/** No supplier takes longer. */
const MOST_DAYS = 365;

/** A plain number, comma or point; empty is nothing said. */
function numberIn(
  text: string | undefined,
  column: string,
  most: number,
  wrong: (column: string, words: string) => void,
): number | undefined {
  const plain = text?.trim().replace(',', '.') ?? '';
  if (plain === '') return undefined;
  const value = /^\d{1,9}(\.\d{1,4})?$/.test(plain) ? Number(plain) : NaN;
  if (value <= most) return value;
  wrong(column, `"${text}" is not a number from 0 to ${most}.`);
  return undefined;
}

const defined = (own: object) =>
  Object.fromEntries(Object.entries(own).filter(([, value]) => value !== undefined));
