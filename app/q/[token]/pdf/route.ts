import { pdfAnswer } from '@/app/pdf';
import { asCustomer, duringVisit } from '@/server/customer-door';
import { open } from '@/server/http';
import { quoteByToken } from '@/server/quote-links';

/** The customer's quote on paper; `?paper=letter` or `a4` where the shop's own is not wanted. */
export const GET = open<{ token: string }>((request, { token }) =>
  duringVisit(request, token, async () => {
    const quote = await asCustomer((client) => quoteByToken(client, token));
    return pdfAnswer(quote, request.nextUrl.searchParams.get('paper'), asCustomer, request.signal);
  }),
);
