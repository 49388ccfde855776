import { LOCALE } from '@/core/shop';

/** What was typed, as a number: `empty`, a value, or the reason it cannot be one. */
export type Typed = { kind: 'empty' } | { kind: 'value'; value: number } | { kind: 'wrong'; words: string };

export interface NumberBounds {
  min: number;
  max: number;
  whole?: boolean;
}

const PLAIN = 'Type a plain number.';

/** The sign between thousands as the shop writes numbers; the other of the two stands before decimals. */
const GROUP =
  new Intl.NumberFormat(LOCALE).formatToParts(1234567).find((p) => p.type === 'group')?.value ?? ',';

/**
 * Reads a typed number. Comma and point both stand before decimals, blanks between thousands mean nothing. One sign with
 * three digits behind it may be either: read by the shop's format where that groups thousands; else by the limits of the
 * field, where only one reading can be meant; and asked about where both can.
 */
export function readNumber(text: string, { min, max, whole }: NumberBounds, group = GROUP): Typed {
  const plain = text.trim().replace(/[\s'’]/g, '');
  if (plain === '') return { kind: 'empty' };
  const readings = readingsOf(plain, group);
  if (readings.length === 0) return { kind: 'wrong', words: PLAIN };
  const fitting = readings.filter((v) => v >= min && v <= max && (!whole || Number.isInteger(v)));
  if (fitting.length > 1)
    return {
      kind: 'wrong',
      words: `Is it ${fitting[0]} or ${fitting[1]}? Write it without the sign between.`,
    };
  if (fitting.length === 1) return { kind: 'value', value: fitting[0]! };
  const inside = readings.some((v) => v >= min && v <= max);
  return { kind: 'wrong', words: inside ? 'A whole number.' : `Between ${min} and ${max}.` };
}

/** The numbers a text can mean, the one with decimals first. */
function readingsOf(plain: string, group: string): number[] {
  const sign = plain.startsWith('-') ? -1 : 1;
  const body = plain.replace(/^[-+]/, '');
  if (!/^[\d.,]+$/.test(body) || !/\d/.test(body)) return [];
  const signs = [...body.matchAll(/[.,]/g)];
  const kinds = new Set(signs.map((m) => m[0]));
  const number = (whole: string, decimals = '') => sign * Number(`${whole || '0'}.${decimals || '0'}`);
  const grouped = (part: string, by: string) => new RegExp(`^\\d{1,3}(\\${by}\\d{3})+$`).test(part);
  if (signs.length === 0) return [number(body)];
  if (kinds.size === 2) {
    // Both signs: the last one stands before the decimals, and only there.
    const last = signs.at(-1)!;
    const [whole, decimals] = [body.slice(0, last.index), body.slice(last.index + 1)];
    const by = last[0] === ',' ? '.' : ',';
    return grouped(whole, by) && /^\d+$/.test(decimals) ? [number(whole.replaceAll(by, ''), decimals)] : [];
  }
  const by = signs[0]![0];
  const asThousands = grouped(body, by) && !/^0/.test(body) ? [number(body.replaceAll(by, ''))] : [];
  if (signs.length > 1) return asThousands;
  const [whole, decimals] = body.split(by) as [string, string];
  // By the shop's own format these are thousands and nothing else.
  return asThousands.length && by === group ? asThousands : [number(whole, decimals), ...asThousands];
}
