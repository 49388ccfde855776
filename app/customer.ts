import type * as document from './customer-document';

type CustomerDocument = typeof document;

let loaded: Promise<CustomerDocument> | undefined;

/** What draws the customer's document: bundled apart from Next, which draws pages of its own kind only. */
export function customerDocument(): Promise<CustomerDocument> {
  const file = process.env.PELVIK_CUSTOMER;
  if (!file) throw new Error('PELVIK_CUSTOMER is not set: start Pelvik with ./pelvik demo.');
  loaded ??= import(/* turbopackIgnore: true */ file) as Promise<CustomerDocument>;
  return loaded;
}
