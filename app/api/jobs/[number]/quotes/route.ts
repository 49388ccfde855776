import type { QuoteStatus } from '@/core/case';
import { inTransaction, withClient } from '@/server/db';
import { quoteJob } from '@/server/experience';
import { route } from '@/server/http';
import { jobNumber } from '@/server/address';
import { jobByNumber } from '@/server/jobs';
import { messagesOf } from '@/server/messages';
import { goneFrom } from '@/server/quotable';
import { quoteFor, quotesOf } from '@/server/quotes';
import { makeQuote } from '@/server/quote-making';

type Params = { number: string };

const OPEN: readonly QuoteStatus[] = ['draft', 'sent', 'declined'];

/** The versions made so far, and the quote as it would be made now. */
export const GET = route<Params>({ may: 'see-jobs' }, async (_request, params, user) =>
  withClient(async (client) => {
    const job = await jobByNumber(client, jobNumber(params));
    const preview = await quoteJob(client, job);
    const quotes = await quotesOf(client, job.id);
    const messages = await messagesOf(client, job.id);
    // Only what a customer can still accept counts on anything.
    const out = quotes.find((q) => OPEN.includes(q.status) && !q.imported);
    const gone = out ? await goneFrom(client, job.id, out.content) : [];
    return Response.json({
      quotes: quotes.map((q) => ({
        ...q,
        gone: q === out ? gone : [],
        content: quoteFor(user, q.content),
        messages: messages[q.version] ?? [],
      })),
      preview: quoteFor(user, preview),
    });
  }),
);

export const POST = route<Params>({ may: 'make-quote' }, async (_request, params, user) => {
  const quote = await inTransaction((client) => makeQuote(client, jobNumber(params), user));
  return Response.json({ quote: { ...quote, content: quoteFor(user, quote.content) } }, { status: 201 });
});
