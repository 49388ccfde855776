import { LOCALE } from './dates';

/** Money is an integer number of minor units (cents). Throws a RangeError for anything else. */
export function minor(amount: number): number {
  if (!Number.isSafeInteger(amount)) throw new RangeError(`${amount} is not a whole number of minor units.`);
  return amount;
}

/** No single amount is larger, minor units. */
export const MOST_MONEY = 100_000_000;

/** amount × factor, rounded half away from zero: the way a till rounds. The factor is read to 6 decimals. */
export function times(amount: number, factor: number): number {
  const millionths = Math.round(factor * 1e6);
  const product = BigInt(minor(amount)) * BigInt(millionths);
  const half = product < 0n ? -500_000n : 500_000n;
  return Number((product + half) / 1_000_000n);
}

export function sum(amounts: number[]): number {
  return amounts.reduce((total, amount) => total + minor(amount), 0);
}

const known = new Map<string, number>();

/** Decimals of a currency: 2 of the euro, none of the yen, 3 of the dinar (ISO 4217, as the platform knows it). */
export function digitsOf(currency: string): number {
  let digits = known.get(currency);
  if (digits === undefined) {
    const format = new Intl.NumberFormat(LOCALE, { style: 'currency', currency });
    digits = format.resolvedOptions().maximumFractionDigits ?? 2;
    known.set(currency, digits);
  }
  return digits;
}

/** Minor units of an amount as people write it, in major units: rounded half away from zero, as it reads in decimals. */
export function toMinor(major: number, currency: string): number {
  // 1.005 is a little less than it reads: twelve digits say what was meant.
  const scaled = Number((Math.abs(major) * 10 ** digitsOf(currency)).toPrecision(12));
  const rounded = Math.round(scaled);
  return minor(major < 0 ? -rounded : rounded);
}

/** An amount as people write it, major units. */
export function fromMinor(amount: number, currency: string): number {
  return minor(amount) / 10 ** digitsOf(currency);
}

/** "1234.50": plain, for a table or a field. */
export function writtenMoney(amount: number, currency: string): string {
  return fromMinor(amount, currency).toFixed(digitsOf(currency));
}

/** "€1,234.50" with the currency's own number of decimals. */
export function formatMoney(amount: number, currency: string): string {
  return new Intl.NumberFormat(LOCALE, { style: 'currency', currency }).format(fromMinor(amount, currency));
}
