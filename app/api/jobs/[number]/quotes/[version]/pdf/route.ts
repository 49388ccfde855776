import { pdfAnswer } from '@/app/pdf';
import { withClient } from '@/server/db';
import { route } from '@/server/http';
import { jobNumber, quoteVersion } from '@/server/address';
import { markOf } from '@/server/jobs';
import { notFound } from '@/server/problem';
import { quotesOf } from '@/server/quotes';

/** A version on paper; `?paper=letter` or `a4` where the shop's own is not wanted. */
export const GET = route<{ number: string; version: string }>(
  { may: 'see-jobs' },
  async (request, params) => {
    const version = quoteVersion(params);
    const quotes = await withClient(async (client) =>
      quotesOf(client, (await markOf(client, jobNumber(params))).id),
    );
    const quote = quotes.find((q) => q.version === version);
    if (!quote || quote.unreadable) throw notFound('quote');
    return pdfAnswer(quote, request.nextUrl.searchParams.get('paper'), withClient, request.signal);
  },
);
