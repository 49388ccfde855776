import { withClient } from '@/server/db';
import { open } from '@/server/http';
import { photoBytes } from '@/server/photos';
import { notFound } from '@/server/problem';
import { quoteByToken } from '@/server/quotes';

type Params = { token: string; id: string };

/** A photo of the quote, for the holder of its link and of no other; kept nowhere, so that a revoked link shows nothing. */
export const GET = open<Params>(async (_request, params) => {
  const bytes = await withClient(async (client) => {
    const quote = await quoteByToken(client, params.token);
    if (!quote.content.photos.some((p) => p.id === params.id)) throw notFound('photo');
    return photoBytes(client, quote.jobId, params.id);
  });
  return new Response(new Uint8Array(bytes), { headers: { 'content-type': 'image/jpeg' } });
});
