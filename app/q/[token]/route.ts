import { customerDocument } from '@/app/customer';
import { withClient } from '@/server/db';
import { openPage } from '@/server/http';
import { quoteByToken, withoutInner } from '@/server/quotes';

/** The customer's page: no sign-in, only the link. */
export const GET = openPage<{ token: string }>(
  async ({ token }, nonce) => {
    const quote = await withClient((client) => quoteByToken(client, token));
    const { version, status, answers } = quote;
    const content = withoutInner(quote.content);
    return (await customerDocument()).quoteDocument({ token, version, status, content, answers }, nonce);
  },
  async (title, words, nonce) => (await customerDocument()).messageDocument(title, words, nonce),
);
