import { pdfAnswer } from '@/app/pdf';
import { withClient } from '@/server/db';
import { open } from '@/server/http';
import { quoteByToken } from '@/server/quotes';

/** The customer's quote on paper; `?paper=letter` or `a4` where the shop's own is not wanted. */
export const GET = open<{ token: string }>(async (request, params) => {
  const quote = await withClient((client) => quoteByToken(client, params.token));
  return pdfAnswer(quote, request.nextUrl.searchParams.get('paper'));
});
