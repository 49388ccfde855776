import { notFound, UserError } from './problem';

/** A job's number from an address; -1, which none has, for what cannot be one. */
export function jobNumber(params: { number: string }): number {
  return /^\d{1,9}$/.test(params.number) ? Number(params.number) : -1;
}

/** A quote's version from an address. Throws a UserError 404 for what cannot be one. */
export function quoteVersion(params: { version: string }): number {
  if (!/^[1-9]\d{0,4}$/.test(params.version)) throw notFound('quote');
  return Number(params.version);
}

/** A sequence number from a query. Throws a UserError 400. */
export function sequence(text: string | null): number {
  if (text === null) return 0;
  if (!/^\d{1,9}$/.test(text))
    throw new UserError(400, 'That is not a place in a job’s record.', 'Give a whole number, 0 or more.');
  return Number(text);
}

/** A unit's version from an address. Throws a UserError 404 for what cannot be one. */
export function unitVersion(text: string): number {
  if (!/^[1-9]\d{0,5}$/.test(text)) throw notFound('unit');
  return Number(text);
}
