import { clipAnswer, clipOf, rangeOf } from '@/server/clips';
import { withClient } from '@/server/db';
import { open } from '@/server/http';
import { notFound } from '@/server/problem';
import { quoteByToken } from '@/server/quotes';

type Params = { token: string; id: string };

/** A clip of the quote, for the holder of its link and of no other. */
export const GET = open<Params>(async (request, params) => {
  const range = rangeOf(request.headers.get('range'));
  const clip = await withClient(async (client) => {
    const quote = await quoteByToken(client, params.token);
    if (!quote.content.clips?.some((c) => c.id === params.id)) throw notFound('clip');
    return clipOf(client, quote.jobId, params.id, range);
  });
  return clipAnswer(clip, range);
});
