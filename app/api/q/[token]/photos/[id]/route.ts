import { asCustomer, duringVisit } from '@/server/customer-door';
import { open } from '@/server/http';
import { photoBytes } from '@/server/photos';
import { notFound } from '@/server/problem';
import { quoteByToken } from '@/server/quote-links';

type Params = { token: string; id: string };

/** A photo of the quote, for the holder of its link and of no other; kept nowhere, so that a revoked link shows nothing. */
export const GET = open<Params>((request, { token, id }) =>
  duringVisit(request, token, async () => {
    const bytes = await asCustomer(async (client) => {
      const quote = await quoteByToken(client, token);
      if (!quote.content.photos.some((p) => p.id === id)) throw notFound('photo');
      return photoBytes(client, quote.jobId, id);
    });
    return new Response(new Uint8Array(bytes), { headers: { 'content-type': 'image/jpeg' } });
  }),
);
