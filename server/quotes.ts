import type { QuoteAnswer, QuoteStatus } from '@/core/case';
import { currentQuote } from '@/core/quote';
import type { QuoteContent, QuoteOption } from '@/core/quote';
import { checkQuote } from '@/core/validation';
import type { Client } from './db';
import { may } from './permissions';
import type { User } from './users';

export interface Quote {
  id: string;
  jobId: string;
  jobNumber: number;
  version: number;
  status: QuoteStatus;
  content: QuoteContent;
  createdAt: string;
  createdBy: string;
  answers: QuoteAnswer[];
  /** It came in with a file: nobody can send or accept it. */
  imported: boolean;
  /** What is stored is not a quote's content: shown as such, with `content` an empty stand-in. */
  unreadable: boolean;
}

export const QUOTE_COLUMNS = `q.id, q.job_id, j.number, q.version, q.status, q.content, q.imported, q.created_at, q.created_by,
  COALESCE((SELECT json_agg(json_build_object('kind', a.kind, 'option', a.option, 'name', a.name, 'message', a.message, 'at', a.at) ORDER BY a.id)
            FROM quote_answers a WHERE a.quote_id = q.id), '[]') AS answers`;

type Row = Record<string, unknown> & { created_at: Date; answers: QuoteAnswer[] };

const UNREADABLE: QuoteContent = {
  format: 'pelvik-quote/2',
  shop: { name: '', address: '', phone: '', letterhead: '' },
  currency: 'EUR',
  paper: 'A4',
  date: '1970-01-01',
  validUntil: '1970-01-01',
  job: { number: 0, unit: '', vehicle: '', customer: '', complaint: '' },
  finding: 'This version cannot be read.',
  undetermined: true,
  couldChange: [],
  note: '',
  photos: [],
  recommended: null,
  options: [],
  barred: [],
  supplement: null,
};

/** One bad row is shown as such and spoils nothing for the others. */
export function toQuote(row: Row): Quote {
  const unreadable = checkQuote(row.content).length > 0;
  return {
    id: row.id as string,
    jobId: row.job_id as string,
    jobNumber: row.number as number,
    version: row.version as number,
    status: row.status as QuoteStatus,
    content: unreadable ? UNREADABLE : currentQuote(row.content as QuoteContent),
    imported: row.imported as boolean,
    unreadable,
    createdAt: row.created_at.toISOString(),
    createdBy: row.created_by as string,
    answers: row.answers.map((a) => ({ ...a, at: new Date(a.at).toISOString() })),
  };
}

export async function quotesOf(client: Client, jobId: string): Promise<Quote[]> {
  const { rows } = await client.query(
    `SELECT ${QUOTE_COLUMNS} FROM quotes q JOIN jobs j ON j.id = q.job_id WHERE q.job_id = $1 ORDER BY q.version DESC`,
    [jobId],
  );
  return rows.map(toQuote);
}

/** The version that stands accepted, with the option that was chosen; null while there is none. */
export async function agreedOf(
  client: Client,
  jobId: string,
): Promise<{ quote: Quote; option: QuoteOption } | null> {
  const quote = (await quotesOf(client, jobId)).find(
    (q) => q.status === 'accepted' && !q.imported && !q.unreadable,
  );
  const chosen = quote?.answers.findLast((a) => a.kind === 'accept')?.option;
  const option = quote?.content.options.find((o) => o.id === chosen);
  return quote && option ? { quote, option } : null;
}

/** A quote without what is for the owner's eyes: what things cost, and what is earned. */
export function withoutInner(content: QuoteContent): QuoteContent {
  return { ...content, options: content.options.map((o) => ({ ...o, inner: null })) };
}

/** A quote as this person may read it. */
export function quoteFor(user: User, content: QuoteContent): QuoteContent {
  return may(user, 'see-costs') ? content : withoutInner(content);
}
