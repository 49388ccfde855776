import { customerDocument } from '@/app/customer';
import { asCustomer, duringVisit } from '@/server/customer-door';
import { openPage } from '@/server/http';
import { withoutInner } from '@/server/quotes';
import { quoteByToken } from '@/server/quote-links';

/** The customer's page: no sign-in, only the link. */
export const GET = openPage<{ token: string }>(
  ({ token }, nonce, request) =>
    duringVisit(request, token, async () => {
      const quote = await asCustomer((client) => quoteByToken(client, token));
      const { version, status, answers } = quote;
      const content = withoutInner(quote.content);
      return (await customerDocument()).quoteDocument({ token, version, status, content, answers }, nonce);
    }),
  async (title, words, nonce) => (await customerDocument()).messageDocument(title, words, nonce),
);
