import file from './codes/public.json';

/** A generic public trouble code in our own words: its kind, and the gear it is about where it names one. */
export interface PublicCode {
  code: string;
  kind: 'electrical' | 'rationality';
  words: string;
  gear?: string;
}

const known = new Map((file.codes as readonly PublicCode[]).map((c) => [c.code, c]));

/** What a number says, where it is one of the table. */
export const publicCode = (code: string): PublicCode | undefined => known.get(code);
