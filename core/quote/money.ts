/** Money is an integer number of minor units (cents). Throws a RangeError for anything else. */
export function minor(amount: number): number {
  if (!Number.isSafeInteger(amount)) throw new RangeError(`${amount} is not a whole number of minor units.`);
  return amount;
}

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

/** "1,234.50 EUR" in the given locale's digits; the currency's own number of decimals. */
export function formatMoney(amount: number, currency: string, locale = 'en-IE'): string {
  const format = new Intl.NumberFormat(locale, { style: 'currency', currency });
  const digits = format.resolvedOptions().maximumFractionDigits ?? 2;
  return format.format(amount / 10 ** digits);
}
