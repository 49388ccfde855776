import { inTransaction, withClient } from '@/server/db';
import { quoteJob } from '@/server/experience';
import { route } from '@/server/http';
import { jobNumber } from '@/server/address';
import { jobByNumber } from '@/server/jobs';
import { messagesOf } from '@/server/messages';
import { quoteFor, quotesOf } from '@/server/quotes';
import { makeQuote } from '@/server/quote-making';

type Params = { number: string };

/** The versions made so far, and the quote as it would be made now. */
export const GET = route<Params>({ may: 'see-jobs' }, async (_request, params, user) =>
  withClient(async (client) => {
    const job = await jobByNumber(client, jobNumber(params));
    const preview = await quoteJob(client, job);
    const quotes = await quotesOf(client, job.id);
    const messages = await messagesOf(client, job.id);
    return Response.json({
      quotes: quotes.map((q) => ({
        ...q,
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
